import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { locale, say } from "../../words/say";

const when = (instant: string) =>
  new Date(instant).toLocaleString(locale(), {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "numeric",
    minute: "2-digit",
  });

/** The symptoms that were reported; one made by mistake can be taken back. */
export function Reports({ symptoms }: { symptoms: Schemas["SymptomDto"][] }) {
  const [asked, setAsked] = useState<number>();
  const withdraw = useChange(
    (id: number) => given(api.DELETE("/api/symptoms/{id}", { params: { path: { id } } })),
    touches.symptoms,
  );
  if (symptoms.length === 0) return null;
  return (
    <section className="mt-8 border-t border-rule pt-5">
      <h2 className="mb-1.5">{say("symptom.symptomsReported")}</h2>
      <ul className="max-w-xl divide-y divide-rule">
        {symptoms.map((one) => (
          <li key={one.id} className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1.5">
            <span>
              {when(one.at)}
              {one.withdrawn && <span className="text-soft"> {say("symptom.withdrawn")}</span>}
            </span>
            {!one.withdrawn && (
              <Button kind="quiet" onClick={() => setAsked(one.id)}>
                {say("symptom.madeByMistake")}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Failure of={withdraw} />
      <Dialog
        title={say("symptom.wasThisReportAMistake")}
        open={asked !== undefined}
        onClose={() => setAsked(undefined)}
      >
        <p className="mb-5 text-soft">{say("symptom.thenTheRestAfterIt")}</p>
        <div className="flex flex-wrap gap-3">
          <Button
            onClick={() => {
              withdraw.mutate(asked!);
              setAsked(undefined);
            }}
          >
            {say("symptom.itWasAMistake")}
          </Button>
          <Button kind="main" onClick={() => setAsked(undefined)} autoFocus>
            {say("common.cancel")}
          </Button>
        </div>
      </Dialog>
    </section>
  );
}
