import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useMonth } from "../../api/queries";
import { Sketch } from "../../timeline/Sketch";
import { ButtonLink } from "../../ui/Button";
import { andMore, day, minutes, oneDecimal } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Away } from "./Away";
import { say } from "../../words/say";

type Day = Schemas["MonthDay"];

/** The first day of a month, as an address names it; any other word means this month. */
const MONTH = /^\d{4}-(0[1-9]|1[0-2])-01$/;

/** A month at a glance: each workout as its own small timeline. */
export default function MonthPage() {
  const [search] = useSearchParams();
  const month = useMonth(MONTH.exec(search.get("of") ?? "")?.[0]);
  if (month.isPending) return <Waiting />;
  if (month.isError) return <Failed error={month.error} again={() => void month.refetch()} />;
  const { first, today, days } = month.data;
  const blank = (new Date(`${first}T12:00:00`).getDay() + 6) % 7;
  const played = days.filter((one) => one.effort > 0).length;
  return (
    <Page
      title={day(first, { month: "long", year: "numeric" })}
      above={
        <Link to="/log" className="touch:inline-block touch:py-3 underline-offset-4 hover:underline">
          {say("log.log")}
        </Link>
      }
      aside={
        <>
          <ButtonLink to={`/log/month?of=${beside(first, -1)}`}>{say("log.earlier")}</ButtonLink>
          {first.slice(0, 7) < today.slice(0, 7) && (
            <ButtonLink to={`/log/month?of=${beside(first, 1)}`}>{say("log.later")}</ButtonLink>
          )}
        </>
      }
    >
      <p className="mb-2 text-soft">{played === 0 ? say("log.nothingWasPlayed") : say("log.playedOn", { played })}</p>
      <ol className="border-t border-rule md:grid md:grid-cols-7 md:border-l">
        {Array.from({ length: blank }, (_, i) => (
          <li key={`blank-${i}`} aria-hidden="true" className="hidden border-r border-b border-rule md:block" />
        ))}
        {days.map((one) => (
          <Cell key={one.day} day={one} today={today} />
        ))}
      </ol>
      <Away month={month.data} />
    </Page>
  );
}

function Cell({ day: one, today }: { day: Day; today: string }) {
  const empty = one.workouts.length === 0 && one.away.length === 0 && one.counts === 0;
  return (
    <li
      className={`min-w-0 border-b border-rule px-2 py-1.5 md:min-h-28 md:border-r ${empty ? "max-md:hidden" : ""} ${one.day === today ? "bg-spruce-pale/50" : ""}`}
    >
      <p className="flex items-baseline justify-between gap-2">
        <span className={one.day === today ? "font-bold" : "text-soft"}>
          <span className="md:hidden">{day(one.day, { weekday: "short" })} </span>
          {Number(one.day.slice(8))}
        </span>
        {one.effort > 0 && (
          <span className="font-mono text-sm text-soft" title={say("log.effortMinutes")}>
            {oneDecimal(one.effort)}
          </span>
        )}
      </p>
      {one.workouts.map((entry) => (
        <Link
          key={entry.runId}
          to={entry.outcome === null ? `/run/${entry.runId}` : `/log/${entry.runId}`}
          className="mt-1 block min-h-6 overflow-hidden text-sm touch:min-h-11"
        >
          <Sketch
            width={136}
            passes={entry.sketch}
            label={say("log.cleanRoughBroke", {
              passage: entry.passage,
              clean: entry.clean,
              rough: entry.rough,
              broke: entry.broke,
            })}
          />
          <span className="block truncate" dir="auto">
            {entry.passage}
            {andMore(entry.sections)}
          </span>
        </Link>
      ))}
      {one.away.map((entry) => (
        <p key={entry.id} className="mt-1 text-sm" title={entry.note || undefined}>
          {say(`away.${entry.kind}`)}, {minutes(entry.seconds)}
        </p>
      ))}
      {one.counts > 0 && (
        <p className="mt-1 text-sm text-soft">
          {one.counts} {say("log.countsCountCounts", { counts: one.counts })}
        </p>
      )}
    </li>
  );
}

/** The first day of the month before or after. */
function beside(first: string, way: number) {
  const [year, month] = first.split("-").map(Number);
  return new Date(Date.UTC(year!, month! - 1 + way, 1)).toISOString().slice(0, 10);
}
