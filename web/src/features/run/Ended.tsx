import { useEffect, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useAfter, useChange, useGreeting, useTouch } from "../../api/queries";
import { Relief } from "../../relief/Relief";
import { Button, ButtonLink } from "../../ui/Button";
import { bpm, called, clock, minutes, oneDecimal, unbroken } from "../../ui/format";
import { INPUT, Labelled } from "../../ui/Field";
import { useSay } from "../../ui/Toasts";
import { HowHard } from "./HowHard";
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
export function Ended({ view, settled }: { view: RunView; settled: boolean }) {
  const touch = useTouch();
  const say = useSay();
  const felt = useGreeting().data?.me?.felt;
  const [note, setNote] = useState(view.note);
  const keep = useChange(
    () => given(api.PUT("/api/runs/{id}/note", { params: { path: { id: view.id } }, body: { note } })),
    touches.note(view.id),
  );
  useEffect(() => {
    void touch(touches.run);
  }, [touch]);
  const { totals } = view.relief;
  const effort = view.relief.stretches.at(-1)?.effortAfter ?? view.relief.effortBefore;
  return (
    <div className="min-h-dvh bg-ground px-4 py-8 text-ink sm:px-9">
      <div className="mx-auto max-w-[1100px]">
        <p className="text-soft" dir="auto">
          {view.passage}
          {view.section && `, ${unbroken(view.section)}`}
        </p>
        <h1>{TITLE[view.step.ended!]}</h1>
        <p className="mt-1 mb-6 max-w-[60ch]">{view.step.why}</p>
        <Relief relief={view.relief} height={220} />
        <dl className="my-6 flex flex-wrap gap-x-12 gap-y-4 border-y border-rule py-4">
          <Figure name="passes" value={String(totals.passes)} />
          <Figure name="clean · rough · broke" value={`${totals.clean} · ${totals.rough} · ${totals.broke}`} />
          <Figure name="of playing" value={minutes(totals.playingSeconds)} />
          <Figure name="of fast playing" value={clock(totals.burstSeconds)} />
          <Figure name={`of ${bpm(view.relief.effortCap)} effort minutes today`} value={oneDecimal(effort)} />
        </dl>
        {felt && settled && view.step.ended !== "OUTDATED" && <HowHard runId={view.id} />}
        <Moved runId={view.id} settled={settled} />
        <form
          className="max-w-2xl"
          onSubmit={(event) => {
            event.preventDefault();
            keep.mutate(undefined, { onSuccess: () => say("Note saved.") });
          }}
        >
          <Labelled
            label="Notes on this workout"
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
              Save note
            </Button>
            <ButtonLink kind="main" to="/">
              To today
            </ButtonLink>
            <ButtonLink to={`/log/${view.id}`}>Planned against played</ButtonLink>
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

/** What moved, where it broke, and where the next workout opens: once everything that was answered has arrived. */
function Moved({ runId, settled }: { runId: number; settled: boolean }) {
  const after = useAfter(runId, settled);
  if (!settled) return <p className="mb-6 text-soft">What moved is said as soon as your answers have arrived.</p>;
  if (!after.data || after.data.length === 0) return null;
  const several = after.data.length > 1;
  return (
    <section aria-label="What moved" className="mb-6">
      <h2 className="mb-1">What moved</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {after.data.map((section) => (
          <li key={section.sectionId} className="flex flex-wrap items-baseline gap-x-8 gap-y-1 py-2">
            {several && <b dir="auto">{called(section.passage, section.section)}</b>}
            <span>{moved(section)}</span>
            {section.broke.length > 0 && <span>It broke going to {notesOf(section.broke)}.</span>}
            {section.repeated.map(({ cause, times }) => (
              <span key={cause} dir="auto">
                {cause}: {times} times in four weeks.
              </span>
            ))}
            <span>
              Next time it opens at <b>{bpm(section.opensAt)}</b>.
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const give = (band: Schemas["BandDto"]) => bpm((band.high - band.low) / 2);

function moved({ before, now }: Schemas["AfterSection"]) {
  const change = Math.round(now.middle) - Math.round(before.middle);
  const surer = Math.round((now.high - now.low) / 2) < Math.round((before.high - before.low) / 2);
  const figure = `The ceiling is ${bpm(now.middle)} ± ${give(now)}`;
  if (change !== 0) return `${figure}; it was held to be ${bpm(before.middle)} ± ${give(before)}.`;
  return surer ? `${figure}, as before, and surer: it was ± ${give(before)}.` : `${figure}, as before.`;
}

const notesOf = (notes: number[]) =>
  notes.length === 1 ? `note ${notes[0]}` : `notes ${notes.slice(0, -1).join(", ")} and ${notes.at(-1)}`;

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-soft">{name}</dt>
      <dd className="text-2xl font-bold">{value}</dd>
    </div>
  );
}
