import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { sentence, useEvenWeek, useLog, type Wanted } from "../../api/queries";
import { Button, ButtonLink } from "../../ui/Button";
import { andMore, bpm, clock, longDay, minutes, oneDecimal, timeOfDay, unbroken } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Sketch } from "../../timeline/Sketch";
import { useEndOpen } from "../run/useOpenWorkout";
import { useDebounced } from "../sheet/useDebounced";
import { OUTCOME } from "./outcome";
import { Search } from "./Search";
import { say } from "../../words/say";

type Entry = Schemas["Entry"];

/** What happened, day by day. */
export default function Log() {
  const [pages, setPages] = useState<number[]>([]);
  const [wanted, setWanted] = useState<Wanted>({});
  const settled = useDebounced(wanted, 250);
  const log = useLog(pages.at(-1), settled);
  const looking = Object.values(settled).some(Boolean);
  if (log.isPending) return <Waiting />;
  if (log.isError) return <Failed error={log.error} again={() => void log.refetch()} />;
  const { entries, olderThan } = log.data;
  return (
    <Page
      title={say("log.log")}
      aside={
        <>
          <ButtonLink to="/log/month">{say("log.theMonth")}</ButtonLink>
          <ButtonLink to="/recording">{say("log.recording")}</ButtonLink>
          <ButtonLink to="/counts">{say("log.counts")}</ButtonLink>
        </>
      }
    >
      <Search
        wanted={wanted}
        onChange={(now) => {
          setPages([]);
          setWanted(now);
        }}
      />
      <EvenThisWeek />
      {entries.length === 0 ? (
        <p className="py-8 text-lg text-soft">
          {looking ? say("log.noWorkoutIsLikeThat") : say("log.nothingHasBeenPlayedYet")}
        </p>
      ) : (
        byDay(entries).map(([date, workouts]) => (
          <section key={date} className="grid gap-x-8 border-t border-rule py-3 md:grid-cols-[13rem_1fr]">
            <h2 className="py-1.5">{longDay(date)}</h2>
            <ul className="divide-y divide-rule">
              {workouts.map((entry) => (
                <Row key={entry.runId} entry={entry} />
              ))}
            </ul>
          </section>
        ))
      )}
      <div className="mt-5 flex gap-3">
        {pages.length > 0 && <Button onClick={() => setPages(pages.slice(0, -1))}>{say("log.newer")}</Button>}
        {olderThan && <Button onClick={() => setPages([...pages, olderThan])}>{say("log.older")}</Button>}
      </div>
    </Page>
  );
}

/** How even passages were this week, and the week before: nothing where none was measured. */
function EvenThisWeek() {
  const { data } = useEvenWeek();
  if (!data || data.length === 0) return null;
  return (
    <section aria-label={say("log.evenThisWeek")} className="mb-3">
      <h2 className="inline">{say("log.evenThisWeek")}</h2>
      <ul className="inline">
        {data.map((one) => (
          <li key={one.passageId} className="ml-4 inline-block">
            <Link
              to={`/passages/${one.passageId}`}
              className="touch:inline-block touch:py-3 underline-offset-4 hover:underline"
            >
              <bdi>{one.passage}</bdi>
            </Link>{" "}
            {say("log.evenPassage", {
              share: one.evenness,
              beforeIs: one.before === null ? "no" : "yes",
              before: one.before ?? 0,
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}

function byDay(entries: Entry[]): [string, Entry[]][] {
  const days = new Map<string, Entry[]>();
  for (const entry of entries) days.set(entry.day, [...(days.get(entry.day) ?? []), entry]);
  return [...days];
}

function Row({ entry }: { entry: Entry }) {
  const open = entry.outcome === null;
  return (
    <li className="grid items-center gap-x-6 gap-y-1 py-1.5 sm:grid-cols-[1fr_10.5rem] lg:grid-cols-[1fr_10.5rem_17rem]">
      <p className="min-w-0">
        <Link
          to={open ? `/run/${entry.runId}` : `/log/${entry.runId}`}
          className="touch:inline-block touch:py-3 font-semibold underline-offset-4 hover:underline"
          dir="auto"
        >
          {entry.passage}
          {entry.section && `, ${unbroken(entry.section)}`}
          {andMore(entry.sections)}
        </Link>
        <span className="text-soft">
          {" "}
          {timeOfDay(entry.startedAt)}
          {open && say("log.stillOpen")}
          {entry.outcome && OUTCOME[entry.outcome] && ` · ${OUTCOME[entry.outcome]}`}
          {entry.late && say("log.arrivedDaysLaterCountsFor")}
        </span>
        {entry.note && (
          <span className="block text-sm" dir="auto">
            {entry.note}
          </span>
        )}
        {open && <EndOpen runId={entry.runId} />}
      </p>
      {/* A workout without a pass has no picture; its place stays. */}
      <div>
        <Sketch
          passes={entry.sketch}
          label={say("log.cleanRoughBrokeFastPlaying", {
            clean: entry.clean,
            rough: entry.rough,
            broke: entry.broke,
            burstSeconds: clock(entry.burstSeconds),
          })}
        />
      </div>
      <p className="text-soft sm:col-span-2 lg:col-span-1">
        <Figure>{minutes(entry.playedSeconds)}</Figure>
        <Figure>{say("log.effort", { effort: oneDecimal(entry.effort) })}</Figure>
        {entry.fastestClean !== null && (
          <Figure>{say("log.cleanAt", { fastestClean: bpm(entry.fastestClean) })}</Figure>
        )}
      </p>
    </li>
  );
}

function EndOpen({ runId }: { runId: number }) {
  const end = useEndOpen(runId);
  return (
    <span className="mt-1 block">
      <Button online disabled={end.isPending} onClick={() => end.mutate(undefined)}>
        {say("open.end")}
      </Button>
      {end.isError && <span className="ml-3 text-danger">{sentence(end.error)}</span>}
    </span>
  );
}

/** A figure with its word, which never part at the end of a line. */
function Figure({ children }: { children: ReactNode }) {
  return <span className="mr-3.5 inline-block whitespace-nowrap">{children}</span>;
}
