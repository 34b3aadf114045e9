import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";

const when = (instant: string) =>
  new Date(instant).toLocaleString(undefined, {
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
      <h2 className="mb-1.5">Symptoms reported</h2>
      <ul className="max-w-xl divide-y divide-rule">
        {symptoms.map((one) => (
          <li key={one.id} className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1.5">
            <span>
              {when(one.at)}
              {one.withdrawn && <span className="text-soft"> · withdrawn</span>}
            </span>
            {!one.withdrawn && (
              <Button kind="quiet" onClick={() => setAsked(one.id)}>
                Made by mistake
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Failure of={withdraw} />
      <Dialog title="Was this report a mistake?" open={asked !== undefined} onClose={() => setAsked(undefined)}>
        <p className="mb-5 text-soft">
          Then the rest after it ends now. If anything still hurts, tingles or is numb, leave it as it is and rest.
        </p>
        <div className="flex flex-wrap gap-3">
          <Button
            onClick={() => {
              withdraw.mutate(asked!);
              setAsked(undefined);
            }}
          >
            It was a mistake
          </Button>
          <Button kind="main" onClick={() => setAsked(undefined)} autoFocus>
            Cancel
          </Button>
        </div>
      </Dialog>
    </section>
  );
}
