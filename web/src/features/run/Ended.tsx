import { useEffect, useRef, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useAfter, useChange, useGreeting, useTouch } from "../../api/queries";
import { Timeline } from "../../timeline/Timeline";
import { Button, ButtonLink } from "../../ui/Button";
import { bpm, called, clock, minutes, oneDecimal, unbroken } from "../../ui/format";
import { INPUT, Labelled } from "../../ui/Field";
import { useArrival } from "../../ui/useArrival";
import { useToast } from "../../ui/Toasts";
import { Doubt } from "../ceiling/Doubt";
import { HowHard } from "./HowHard";
import type { RunView } from "./useRun";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

const TITLE = {
  PLAYED: say("run.played"),
  STOPPED: say("run.stoppedHere"),
  SYMPTOM: say("run.stoppedForASymptom"),
  LEFT: say("run.closedOvernight"),
  OUTDATED: say("run.closedByAnUpdate"),
} as const;

/** The end of a workout: what it was, and a line about what was found. */
export function Ended({ view, settled }: { view: RunView; settled: boolean }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useArrival(`${TITLE[view.step.ended!]} ${called(view.passage, view.section)}`, heading);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const touch = useTouch();
  const toast = useToast();
  const felt = useGreeting().data?.me?.felt;
  const [note, setNote] = useState(view.note);
  const keep = useChange(
    () => given(api.PUT("/api/runs/{id}/note", { params: { path: { id: view.id } }, body: { note } })),
    touches.note(view.id),
  );
  useEffect(() => {
    void touch(touches.run);
  }, [touch]);
  const { totals } = view.timeline;
  const effort = view.timeline.stretches.at(-1)?.effortAfter ?? view.timeline.effortBefore;
  return (
    <div className="min-h-dvh bg-ground px-4 py-8 text-ink sm:px-9">
      <div className="mx-auto max-w-[1100px]">
        <p className="text-soft" dir="auto">
          {view.passage}
          {view.section && `, ${unbroken(view.section)}`}
        </p>
        <h1 ref={heading} tabIndex={-1} className="outline-none">
          {TITLE[view.step.ended!]}
        </h1>
        <p className="mt-1 mb-6 max-w-[60ch]">{say(view.step.why)}</p>
        <Timeline timeline={view.timeline} height={220} />
        <dl className="my-6 flex flex-wrap gap-x-12 gap-y-4 border-y border-rule py-4">
          <Figure name={say("common.passes")} value={String(totals.passes)} />
          <Figure name={say("run.cleanRoughBroke")} value={`${totals.clean} · ${totals.rough} · ${totals.broke}`} />
          <Figure name={say("run.ofPlaying")} value={minutes(totals.playingSeconds)} />
          <Figure name={say("run.ofFastPlaying")} value={clock(totals.burstSeconds)} />
          <Figure
            name={say("run.ofEffortMinutesToday", { cap: oneDecimal(view.timeline.effortCap) })}
            value={oneDecimal(effort)}
          />
        </dl>
        {felt && settled && view.step.ended !== "OUTDATED" && <HowHard runId={view.id} />}
        <Moved runId={view.id} settled={settled} />
        <form
          className="max-w-2xl"
          onSubmit={(event) => {
            event.preventDefault();
            keep.mutate(undefined, { onSuccess: () => toast(say("run.noteSaved")) });
          }}
        >
          <Labelled
            label={say("run.notesOnThisWorkout")}
            hint={say("run.aHandPositionACrossing")}
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
            <Button online type="submit" disabled={keep.isPending || note === view.note || !settled}>
              {say("run.saveNote")}
            </Button>
            <ButtonLink kind="main" to="/">
              {say("run.toToday")}
            </ButtonLink>
            {/* What has not arrived is not in the log, and moves no ceiling yet. */}
            {settled && <ButtonLink to={`/log/${view.id}`}>{say("run.plannedAgainstPlayed")}</ButtonLink>}
            {settled && view.measured ? (
              <ButtonLink to={`/ceiling/test/${view.id}`}>{say("run.seeWhatWasMeasured")}</ButtonLink>
            ) : (
              <ButtonLink to="/ceiling">{say("run.seeTheCeiling")}</ButtonLink>
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
  const drills = useChange(
    () => given(api.POST("/api/runs/{id}/drills", { params: { path: { id: runId } } })),
    touches.drills,
  );
  if (!settled) return <p className="mb-6 text-soft">{say("run.whatMovedIsSaidAs")}</p>;
  if (!after.data || after.data.length === 0) return null;
  const several = after.data.length > 1;
  return (
    <section aria-label={say("run.whatMoved")} className="mb-6">
      {after.data.map(
        ({ sectionId, doubted }) =>
          doubted !== null && <Doubt key={sectionId} sectionId={sectionId} doubted={doubted} />,
      )}
      <h2 className="mb-1">{say("run.whatMoved")}</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {after.data.map((section) => (
          <li key={section.sectionId} className="flex flex-wrap items-baseline gap-x-8 gap-y-1 py-2">
            {several && <b dir="auto">{called(section.passage, section.section)}</b>}
            <span>{moved(section)}</span>
            {section.form.code && <span>{say(section.form)}</span>}
            {section.broke.length > 0 && <span>{say("run.itBrokeGoingTo", { broke: notesOf(section.broke) })}</span>}
            {section.repeated.map(({ cause, times }) => (
              <span key={cause} dir="auto">
                {say("run.timesInFourWeeks", { cause, times })}
              </span>
            ))}
            <span>{say("run.nextTimeItOpensAt", { b: (words) => <b>{words}</b>, opensAt: bpm(section.opensAt) })}</span>
          </li>
        ))}
      </ul>
      {after.data.some(({ broke }) => broke.length > 0) && (
        <p className="mt-2 flex flex-wrap items-center gap-3">
          {drills.data ? (
            <span role="status">{say("run.madeSections", { made: drills.data.length })}</span>
          ) : (
            <Button online disabled={drills.isPending} onClick={() => drills.mutate(undefined)}>
              {say("run.makeSections")}
            </Button>
          )}
          {drills.isError && <span className="text-danger">{sentence(drills.error)}</span>}
        </p>
      )}
    </section>
  );
}

const give = (band: Schemas["BandDto"]) => bpm((band.high - band.low) / 2);

function moved({ before, now }: Schemas["AfterSection"]) {
  const change = Math.round(now.middle) - Math.round(before.middle);
  const surer = Math.round((now.high - now.low) / 2) < Math.round((before.high - before.low) / 2);
  const figure = say("run.theCeilingIs", { now: bpm(now.middle), give: give(now) });
  if (change !== 0) return say("run.itWasHeldToBe", { figure, before: bpm(before.middle), give: give(before) });
  return surer ? say("run.asBeforeAndSurerIt", { figure, give: give(before) }) : say("run.asBefore", { figure });
}

const notesOf = (notes: number[]) =>
  say("run.noteOrNotes", {
    notes: notes.length,
    value: notes[0],
    notes2: notes.slice(0, -1).join(", "),
    notes3: notes.at(-1),
  });

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-soft">{name}</dt>
      <dd className="text-2xl font-bold">{value}</dd>
    </div>
  );
}
