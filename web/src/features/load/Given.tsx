import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { Button } from "../../ui/Button";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { fieldError } from "../sheet/PassageFields";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

type View = Schemas["LoadView"];
type Kind = Schemas["GivenWish"]["kind"];

const UNIT: Record<Kind, string> = {
  EFFORT: say("load.effortMinutesADay"),
  BURST_SECONDS: say("load.secondsOfFastPlayingA"),
  PLAYING_MINUTES: say("load.minutesOfPlayingADay"),
};
const KINDS = Object.keys(UNIT) as Kind[];

/** Limits of a teacher or a clinician: they go before ours, and say whose they are. */
export function Given({ view }: { view: View }) {
  const [kind, setKind] = useState<Kind>("PLAYING_MINUTES");
  const [cap, setCap] = useState(30);
  const [by, setBy] = useState("");
  const add = useChange(() => given(api.POST("/api/load/given", { body: { kind, cap, by } })), touches.load);
  const away = useChange(
    (id: number) => given(api.DELETE("/api/load/given/{id}", { params: { path: { id } } })),
    touches.load,
  );
  return (
    <section aria-label={say("load.limitsSomebodyGave")} className="grid content-start gap-3">
      <h2>{say("load.limitsOfATeacherOr")}</h2>
      {view.given.length > 0 && (
        <ul className="divide-y divide-rule border-y border-rule">
          {view.given.map((one) => (
            <li key={one.id} className="flex min-h-11 items-center gap-3 py-1">
              <span className="mr-auto">
                <b>{one.cap}</b> {UNIT[one.kind]} · {one.by}
              </span>
              {one.ending ? (
                <span className="text-soft">{say("load.untilTheDayIsOver")}</span>
              ) : (
                <Button aria-label={say("load.liftTheLimitOf", { by: one.by })} onClick={() => away.mutate(one.id)}>
                  {say("load.liftItTomorrow")}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <form
        noValidate
        className="grid max-w-md gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate(undefined, { onSuccess: () => setBy("") });
        }}
      >
        <Field
          label={say("load.whose")}
          placeholder={say("load.myTeacher")}
          {...upTo(RANGES.GivenWish.by)}
          value={by}
          error={fieldError(add.error, "by")}
          onChange={(event) => setBy(event.target.value)}
        />
        <div className="grid grid-cols-[7rem_1fr] gap-3">
          <Field
            label={say("load.atMost")}
            type="number"
            min={0}
            value={Number.isNaN(cap) ? "" : cap}
            error={fieldError(add.error, "cap")}
            onChange={(event) => setCap(event.target.valueAsNumber)}
          />
          <Labelled label={say("load.ofWhat")}>
            {({ id }) => (
              <select id={id} className={INPUT} value={kind} onChange={(event) => setKind(event.target.value as Kind)}>
                {KINDS.map((one) => (
                  <option key={one} value={one}>
                    {UNIT[one]}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
        </div>
        {(away.isError || (add.isError && !fieldError(add.error, "by") && !fieldError(add.error, "cap"))) && (
          <Alert>{sentence(away.error ?? add.error)}</Alert>
        )}
        <div>
          <Button online type="submit" disabled={add.isPending}>
            {say("load.itHoldsFromNow")}
          </Button>
        </div>
      </form>
    </section>
  );
}
