import { useEffect, useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange, useTouch } from "../../api/queries";
import { Relief } from "../../relief/Relief";
import { Button, ButtonLink } from "../../ui/Button";
import { bpm, clock, minutes, oneDecimal, unbroken } from "../../ui/format";
import { INPUT, Labelled } from "../../ui/Field";
import { useSay } from "../../ui/Toasts";
import type { RunView } from "./useRun";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { RANGES } from "../../api/ranges";

const TITLE = {
  PLAYED: "Played",
  STOPPED: "Stopped here",
  SYMPTOM: "Stopped for a symptom",
  LEFT: "Closed overnight",
  OUTDATED: "Closed by an update",
} as const;

/** The end of a workout: what it was, and a line about what was found. */
export function Ended({ view }: { view: RunView }) {
  const touch = useTouch();
  const say = useSay();
  const [note, setNote] = useState(view.note);
  const keep = useChange(
    () => given(api.PUT("/api/runs/{id}/note", { params: { path: { id: view.id } }, body: { note } })),
    touches.note(view.id),
  );
  useEffect(() => {
    void touch(touches.run);
  }, [touch]);
  const { totals } = view.relief;
  const judged = view.relief.stretches.filter((stretch) => stretch.verdict !== null);
  const count = (verdict: string) => judged.filter((stretch) => stretch.verdict === verdict).length;
  const effort = view.relief.stretches.at(-1)?.effortAfter ?? view.relief.effortBefore;
  return (
    <div className="min-h-dvh bg-ground px-4 py-8 text-ink sm:px-9">
      <div className="mx-auto max-w-[1100px]">
        <p className="text-soft" dir="auto">
          {view.passage}
          {view.piece && `, ${unbroken(view.piece)}`}
        </p>
        <h1>{TITLE[view.step.ended!]}</h1>
        <p className="mt-1 mb-6 max-w-[60ch]">{view.step.why}</p>
        <Relief relief={view.relief} height={220} />
        <dl className="my-6 flex flex-wrap gap-x-12 gap-y-4 border-y border-rule py-4">
          <Figure name="passes" value={String(totals.passes)} />
          <Figure name="clean · rough · broke" value={`${count("CLEAN")} · ${count("ROUGH")} · ${count("BROKE")}`} />
          <Figure name="of playing" value={minutes(totals.playingSeconds)} />
          <Figure name="of bursts" value={clock(totals.burstSeconds)} />
          <Figure name={`of ${bpm(view.relief.effortCap)} effort minutes today`} value={oneDecimal(effort)} />
        </dl>
        <form
          className="max-w-2xl"
          onSubmit={(event) => {
            event.preventDefault();
            keep.mutate(undefined, { onSuccess: () => say("The note is kept.") });
          }}
        >
          <Labelled
            label="What was found"
            hint="A hand position, a crossing, a finger lifting too far."
            error={keep.isError ? sentence(keep.error) : undefined}
          >
            {({ id, describedBy }) => (
              <textarea
                id={id}
                aria-describedby={describedBy}
                rows={2}
                {...upTo(RANGES.NoteWish.note)}
                value={note}
                onChange={(event) => setNote(event.target.value)}
                className={INPUT}
                dir="auto"
              />
            )}
          </Labelled>
          <div className="mt-3 flex flex-wrap gap-3">
            <Button type="submit" disabled={keep.isPending || note === view.note}>
              Keep the note
            </Button>
            <ButtonLink kind="main" to="/">
              To today
            </ButtonLink>
            {view.measured ? (
              <ButtonLink to={`/ceiling/test/${view.id}`}>See what was measured</ButtonLink>
            ) : (
              <ButtonLink to="/ceiling">See the ceiling</ButtonLink>
            )}
          </div>
        </form>
      </div>
    </div>
  );
}

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-soft">{name}</dt>
      <dd className="text-2xl font-bold">{value}</dd>
    </div>
  );
}
