import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { Schemas } from "../../api/client";
import { Link } from "react-router";
import { useEvenness } from "../../api/queries";
import { Failed, Waiting } from "../../ui/Page";
import { Along, dayTicks, Heights, shortDay } from "../../ui/Axis";
import { bpm, day } from "../../ui/format";
import { later } from "../../ui/later";
import { useWidth } from "../../ui/useWidth";
import { say } from "../../words/say";

const KeptTakes = later(() => import("../../take/KeptTakes"));

const HEIGHT = 190;
const LEFT = 44;
const RIGHT = 20;
const TOP = 14;
const FOOT = 26;
/** A picture is at least this high, so that even playing looks even. */
const LEAST_TOP = 0.1;

const at = ({ monday }: { monday: string }) => Date.parse(monday);
const percent = (share: number) => say("sheet.even.percent", { share });

/** How even a passage was, week by week, in its bars and in the ways it is played: as a microphone measured it. */
export function Evenness({ passageId, section }: { passageId: number; section: number }) {
  const { data, error, refetch } = useEvenness(passageId);
  if (error) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Waiting />;
  return (
    <>
      {data.weeks.length === 0 ? (
        <p className="max-w-2xl text-soft">{say("sheet.even.nothing")}</p>
      ) : (
        <Weekly data={data} />
      )}
      <p className="mt-4">
        <Link to={`/recording?section=${section}`} className="font-semibold text-spruce underline underline-offset-4">
          {say("sheet.even.recording")}
        </Link>
      </p>
      <KeptTakes passageId={passageId} />
    </>
  );
}

function Weekly({ data }: { data: Schemas["EvennessDto"] }) {
  const latest = data.weeks.at(-1)!;
  return (
    <section aria-label={say("sheet.even.title")} className="grid gap-x-10 gap-y-5 lg:grid-cols-[1.4fr_1fr]">
      <div className="min-w-0">
        <p className="mb-1 text-lg">
          {say("sheet.even.now", {
            share: latest.evenness,
            passes: latest.passes,
            upToIs: latest.evenUpTo === null ? "no" : "yes",
            upTo: bpm(latest.evenUpTo ?? 0),
          })}
        </p>
        <Weeks weeks={data.weeks} />
        <p className="text-sm text-soft">{say("sheet.even.how")}</p>
      </div>
      <div className="min-w-0 space-y-4">
        {data.bars.length > 0 && (
          <div>
            <h3 className="font-semibold">{say("sheet.even.bars")}</h3>
            <ul>
              {data.bars.map((bars) => (
                <li key={bars.first}>
                  {say("sheet.even.ofBars", {
                    first: bars.first,
                    last: bars.last,
                    before: bars.before,
                    from: day(bars.from),
                    now: bars.now,
                  })}
                </li>
              ))}
            </ul>
          </div>
        )}
        {data.ways.length > 1 && (
          <div>
            <h3 className="font-semibold">{say("sheet.even.ways")}</h3>
            <ul>
              {data.ways.map((way) => (
                <li key={way.way}>
                  {say("sheet.even.ofWay", {
                    way: way.name.code ? say(way.name) : say("sheet.even.asWritten"),
                    share: way.evenness,
                    passes: way.passes,
                  })}
                </li>
              ))}
            </ul>
          </div>
        )}
        {data.troubled.length > 0 && (
          <p>
            {say("sheet.even.troubled", {
              notes: data.troubled.map((transition) => transition + 2).join(", "),
              count: data.troubled.length,
            })}
          </p>
        )}
      </div>
    </section>
  );
}

function Weeks({ weeks }: { weeks: Schemas["WeekDto"][] }) {
  const [ref, width] = useWidth<HTMLDivElement>(520);
  const days: [number, number] = [at(weeks[0]!), Math.max(at(weeks.at(-1)!), at(weeks[0]!) + 1)];
  const x = scaleLinear(days, [LEFT + 12, width - RIGHT]);
  const y = scaleLinear([0, Math.max(LEAST_TOP, ...weeks.map((week) => week.evenness)) * 1.1], [HEIGHT - FOOT, TOP]);
  const through = line<Schemas["WeekDto"]>(
    (week) => x(at(week)),
    (week) => y(week.evenness),
  );
  return (
    <div ref={ref}>
      <svg width={width} height={HEIGHT} role="img" aria-label={say("sheet.even.picture")} className="block font-sans">
        <Heights ticks={y.ticks(4)} y={y} from={LEFT} to={width - RIGHT} label={percent} />
        <path d={through(weeks) ?? ""} fill="none" className="stroke-spruce" strokeWidth="2" />
        {weeks.map((week) => (
          <circle key={week.monday} cx={x(at(week))} cy={y(week.evenness)} r="4.5" className="fill-spruce">
            <title>
              {say("sheet.even.week", { monday: day(week.monday), share: week.evenness, passes: week.passes })}
            </title>
          </circle>
        ))}
        <Along
          ticks={weeks.length > 1 ? dayTicks(days, Math.max(2, Math.floor(width / 130))) : [days[0]]}
          x={x}
          y={HEIGHT - 6}
          to={width - RIGHT}
          label={shortDay}
        />
      </svg>
    </div>
  );
}
