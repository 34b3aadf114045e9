import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useWorkout } from "../../api/queries";
import { Timeline } from "../../timeline/Timeline";
import { andMore, bpm, clock, longDay, minutes, oneDecimal, timeOfDay, called } from "../../ui/format";
import { later } from "../../ui/later";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Compared } from "./Compared";
import { OUTCOME } from "./outcome";
import { Passes } from "./Passes";
import { say } from "../../words/say";

const KeptTakes = later(() => import("../../take/KeptTakes"));

/** One workout, planned against played. */
export default function WorkoutPage() {
  const workout = useWorkout(Number(useParams().runId));
  if (workout.isPending) return <Waiting />;
  if (workout.isError) return <Failed error={workout.error} again={() => void workout.refetch()} />;
  const { entry, planned, played, measured, passes } = workout.data;
  return (
    <Page
      title={called(entry.passage, entry.section) + andMore(entry.sections)}
      above={
        <>
          <Link to="/log" className="touch:inline-block touch:py-3 underline-offset-4 hover:underline">
            {say("log.log")}
          </Link>{" "}
          · {longDay(entry.day)}, {timeOfDay(entry.startedAt)}
          {entry.outcome && OUTCOME[entry.outcome] && ` · ${OUTCOME[entry.outcome]}`}
        </>
      }
    >
      <Timeline timeline={played} planned={planned} height={280} />
      <p className="text-sm text-soft">{say("log.filledPlayedDashedPlannedSmall")}</p>
      <Comparison planned={planned.totals} played={played.totals} />
      <p className="mt-4">
        {say("log.cleanRoughBrokeTensionUp", {
          clean: entry.clean,
          rough: entry.rough,
          broke: entry.broke,
          fastestCleanIs: entry.fastestClean !== null ? "yes" : "no",
          fastestClean: entry.fastestClean && bpm(entry.fastestClean),
          worstTension: entry.worstTension,
          focus: entry.focus || say("common.none"),
        })}
      </p>
      {measured && (
        <p className="mt-3">
          <Link to={`/ceiling/test/${entry.runId}`} className="font-semibold text-spruce underline underline-offset-4">
            {say("log.seeWhatWasMeasured")}
          </Link>
        </p>
      )}
      <Compared passes={passes} />
      {entry.outcome && <Passes runId={entry.runId} passes={passes} />}
      <KeptTakes runId={entry.runId} />
      {entry.note && (
        <p className="mt-3 max-w-[66ch] border-l-2 border-spruce pl-3" dir="auto">
          {entry.note}
        </p>
      )}
    </Page>
  );
}

function Comparison({ planned, played }: { planned: Schemas["TotalsDto"]; played: Schemas["TotalsDto"] }) {
  const rows: [string, (totals: Schemas["TotalsDto"]) => string][] = [
    [say("log.inAll"), (totals) => minutes(totals.seconds)],
    [say("log.playing"), (totals) => minutes(totals.playingSeconds)],
    [say("common.rest"), (totals) => minutes(totals.restSeconds)],
    [say("common.passes"), (totals) => String(totals.passes)],
    [say("log.bursts"), (totals) => `${totals.bursts}`],
    [say("log.fastPlaying"), (totals) => clock(totals.burstSeconds)],
    [say("log.notesHead"), (totals) => oneDecimal(totals.notes)],
    [say("log.effortMinutes"), (totals) => oneDecimal(totals.effort)],
  ];
  return (
    // On a phone it is wider than the page, and scrolled by keys as well.
    <div
      role="region"
      aria-label={`${say("log.planned")}, ${say("log.played")}`}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- without it no key reaches what is scrolled
      tabIndex={0}
      className="mt-4 overflow-x-auto"
    >
      <table className="border-y border-rule">
        <thead>
          <tr className="text-left text-soft">
            <td />
            {rows.map(([name]) => (
              <th key={name} scope="col" className="py-2 pr-8 font-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="font-mono">
          {[[say("log.planned"), planned] as const, [say("log.played"), played] as const].map(([name, totals]) => (
            <tr key={name} className="border-t border-rule">
              <th scope="row" className="py-2 pr-8 text-left font-sans">
                {name}
              </th>
              {rows.map(([row, show]) => (
                <td key={row} className="py-2 pr-8">
                  {show(totals)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
