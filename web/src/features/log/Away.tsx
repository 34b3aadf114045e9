import { Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { day, minutes } from "../../ui/format";
import { fieldError } from "../sheet/PassageFields";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

type Kind = Schemas["AwayWish"]["kind"];

/** Practice away from the screen: put down for a day, put right, taken back. */
export function Away({ month }: { month: Schemas["Month"] }) {
  const [on, setOn] = useState(month.today);
  const [kind, setKind] = useState<Kind>("PRACTICE");
  const [length, setLength] = useState(30);
  const [note, setNote] = useState("");
  const [editing, setEditing] = useState<number>();
  // One id for each entry, however often it has to be sent.
  const clientId = useRef(crypto.randomUUID());
  const keep = useChange(
    () =>
      editing === undefined
        ? given(
            api.POST("/api/log/away", { body: { clientId: clientId.current, day: on, kind, minutes: length, note } }),
          )
        : given(
            api.PUT("/api/log/away/{id}", { params: { path: { id: editing } }, body: { kind, minutes: length, note } }),
          ),
    touches.away,
  );
  const remove = useChange(
    (id: number) => given(api.DELETE("/api/log/away/{id}", { params: { path: { id } } })),
    touches.away,
  );
  const entries = month.days.flatMap((one) => one.away);

  function begin(entry?: Schemas["AwayDto"]) {
    setEditing(entry?.id);
    setKind(entry?.kind ?? "PRACTICE");
    setLength(entry ? Math.round(entry.seconds / 60) : 30);
    setNote(entry?.note ?? "");
    if (entry) setOn(entry.day);
  }

  return (
    <section aria-label={say("log.awayFromTheScreen")} className="mt-8 grid gap-x-12 gap-y-5 md:grid-cols-2">
      <form
        noValidate
        className="grid max-w-xl content-start gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate(undefined, {
            onSuccess: () => {
              clientId.current = crypto.randomUUID();
              begin();
            },
          });
        }}
      >
        <h2>{editing === undefined ? say("log.addPracticeAwayFromThe") : say("log.putAnEntryRight")}</h2>
        <div className="grid gap-x-3 sm:grid-cols-[1fr_1fr_7rem]">
          <Labelled label={say("log.what")}>
            {({ id }) => (
              <select id={id} className={INPUT} value={kind} onChange={(event) => setKind(event.target.value as Kind)}>
                {month.kinds.map((one) => (
                  <option key={one} value={one}>
                    {say(`away.${one}`)}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
          <Field
            label={say("log.day")}
            type="date"
            max={month.today}
            disabled={editing !== undefined}
            value={on}
            error={fieldError(keep.error, "day")}
            onChange={(event) => setOn(event.target.value)}
          />
          <Field
            label={say("log.minutes")}
            type="number"
            min={1}
            value={Number.isNaN(length) ? "" : length}
            error={fieldError(keep.error, "minutes")}
            onChange={(event) => setLength(event.target.valueAsNumber)}
          />
        </div>
        <Field
          label={say("log.note")}
          maxLength={200}
          value={note}
          error={fieldError(keep.error, "note")}
          onChange={(event) => setNote(event.target.value)}
        />
        {(remove.isError ||
          (keep.isError && !["day", "minutes", "note"].some((one) => fieldError(keep.error, one)))) && (
          <Alert>{sentence(remove.error ?? keep.error)}</Alert>
        )}
        <div className="flex gap-2">
          <Button online type="submit" disabled={keep.isPending || !on}>
            {editing === undefined ? say("log.logIt") : say("common.save")}
          </Button>
          {editing !== undefined && <Button onClick={() => begin()}>{say("common.cancel")}</Button>}
        </div>
        <p className="text-sm text-soft">{say("log.itCountsForItsDay")}</p>
      </form>
      {entries.length > 0 && (
        <ul className="divide-y divide-rule self-start border-y border-rule">
          {entries.map((entry) => (
            <li key={entry.id} className="flex min-h-11 items-center gap-3 py-1">
              <span className="mr-auto min-w-0">
                {day(entry.day)} · {say(`away.${entry.kind}`)}, {minutes(entry.seconds)}
                {entry.note && (
                  <span className="block text-sm text-soft" dir="auto">
                    {entry.note}
                  </span>
                )}
              </span>
              <Button
                aria-label={say("log.putOfRight", { title: say(`away.${entry.kind}`), day: day(entry.day) })}
                onClick={() => begin(entry)}
              >
                {say("log.putRight")}
              </Button>
              <Button
                aria-label={say("log.takeOfBack", { title: say(`away.${entry.kind}`), day: day(entry.day) })}
                disabled={remove.isPending}
                onClick={() => remove.mutate(entry.id)}
              >
                <Trash2 size={16} aria-hidden="true" />
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
