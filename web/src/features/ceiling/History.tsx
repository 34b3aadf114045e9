import { scaleLinear, scaleLog } from "d3-scale";
import { area, curveMonotoneX, line } from "d3-shape";
import type { Schemas } from "../../api/client";
import { tempoTicks } from "../../timeline/terrain";
import { Along, dayTicks, Heights, shortDay } from "../../ui/Axis";
import { bpm, day } from "../../ui/format";
import type { Rows } from "../../ui/DataTable";
import { useWidth } from "../../ui/useWidth";
import { say } from "../../words/say";

type Day = Schemas["HistoryDay"];

const HEIGHT = 344;
const TOP = 20;
const BOTTOM = 40;
const AWAY_DAYS = 10;
const DAY_MS = 86_400_000;

/** As far as two labels stand apart at least. */
const LINE = 15;

const at = (iso: string) => Date.parse(`${iso}T12:00:00`);

/** Where a label that belongs at `own` stands beside another, so that both can be read. */
const besides = (own: number, other: number) =>
  Math.abs(own - other) >= LINE ? own : own <= other ? other - LINE : other + LINE;

/** The ceiling from day to day with its interval: tests, probes and days away marked, and where it is heading. */
export function History({ view }: { view: Schemas["CeilingView"] }) {
  const [frame, width] = useWidth<HTMLDivElement>(560);
  const days = view.history;
  if (days.length < 2) {
    return (
      <p className="py-16 text-center text-soft">
        {days.length === 0 ? say("ceiling.nothingHasBeenPlayedYet") : say("ceiling.oneDaySoFarA")}
      </p>
    );
  }
  const cone = view.forecast?.cone ?? [];
  const end = Math.max(at(view.today), at(days.at(-1)!.day), ...cone.map((point) => at(point.day)));
  const x = scaleLinear([Math.min(at(days[0]!.day), ...view.edges.map((d) => at(d.day))), end], [46, width - 60]);
  const range: [number, number] = [
    Math.min(...days.map((d) => d.low), ...view.edges.map((d) => d.lowest), ...cone.map((point) => point.low)) * 0.97,
    Math.max(
      view.targetBpm,
      ...days.map((d) => d.high),
      ...view.edges.map((d) => d.highest),
      ...cone.map((point) => point.high),
    ) * 1.03,
  ];
  const y = scaleLog(range, [HEIGHT - BOTTOM, TOP]);
  const band = area<Day>(
    (d) => x(at(d.day)),
    (d) => y(d.low),
    (d) => y(d.high),
  ).curve(curveMonotoneX);
  const middle = line<Day>(
    (d) => x(at(d.day)),
    (d) => y(d.ceiling),
  ).curve(curveMonotoneX);
  const smooth = line<Day>(
    (d) => x(at(d.day)),
    (d) => y(d.smoothed),
  ).curve(curveMonotoneX);
  const edges = line<Schemas["EdgeDay"]>(
    (d) => x(at(d.day)),
    (d) => y(d.mean),
  );
  const heading = area<Schemas["ConePoint"]>(
    (point) => x(at(point.day)),
    (point) => y(point.low),
    (point) => y(point.high),
  );
  const likeliest = line<Schemas["ConePoint"]>(
    (point) => x(at(point.day)),
    (point) => y(point.middle),
  );
  const first = days[0]!;
  const last = days.at(-1)!;
  return (
    <div ref={frame} className="overflow-hidden">
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={say("ceiling.fromOnToOnToday", {
          ceiling: bpm(first.ceiling),
          day: day(first.day),
          ceiling2: bpm(last.ceiling),
          day2: day(last.day),
          ceiling3: bpm(view.estimate.ceiling.middle),
          targetBpm: bpm(view.targetBpm),
        })}
        className="block font-sans"
      >
        <Heights ticks={tempoTicks(range, 8)} y={y} from={46} to={width - 60} />
        <path d={band(days) ?? ""} className="fill-brass" opacity="0.26" />
        <path d={heading(cone) ?? ""} className="fill-spruce" opacity="0.13" />
        <path d={likeliest(cone) ?? ""} fill="none" className="stroke-spruce" strokeWidth="1.5" strokeDasharray="6 4" />
        <path d={smooth(days) ?? ""} fill="none" className="stroke-brass-deep" strokeWidth="2.5" />
        <path d={middle(days) ?? ""} fill="none" className="stroke-brass" strokeWidth="1" strokeDasharray="3 3" />
        {days.map((d) => (
          <circle
            key={d.day}
            cx={x(at(d.day))}
            cy={y(d.ceiling)}
            r="2.4"
            className={`stroke-brass-deep ${d.probes > 0 ? "fill-brass-deep" : "fill-ground"}`}
            strokeWidth="1"
          />
        ))}
        {view.tests.map((test) => (
          <path
            key={test.runId}
            d={`M${x(at(test.day))} ${y(test.estimate.ceiling.high)}V${y(test.estimate.ceiling.low)}m-5 0h10M${x(at(test.day)) - 5} ${y(test.estimate.ceiling.high)}h10`}
            className="stroke-ink"
            strokeWidth="2"
            fill="none"
          />
        ))}
        {view.edges.length > 1 && (
          <path
            d={edges(view.edges) ?? ""}
            fill="none"
            className="stroke-burst"
            strokeWidth="1.5"
            strokeDasharray="2 3"
          />
        )}
        {view.edges.map((d) => (
          <g key={d.day} className="stroke-burst">
            <line x1={x(at(d.day))} x2={x(at(d.day))} y1={y(d.lowest)} y2={y(d.highest)} strokeWidth="1.5" />
            <rect
              x={x(at(d.day)) - 3}
              y={y(d.mean) - 3}
              width="6"
              height="6"
              className="fill-ground"
              strokeWidth="1.5"
            />
          </g>
        ))}
        {away(days).map(([from, to]) => (
          <g key={from.day}>
            <line
              x1={x(at(from.day)) + 5}
              x2={x(at(to.day)) - 5}
              y1={HEIGHT - BOTTOM - 12}
              y2={HEIGHT - BOTTOM - 12}
              className="stroke-rule-strong"
              strokeWidth="3"
            />
            <text
              x={(x(at(from.day)) + x(at(to.day))) / 2}
              y={HEIGHT - BOTTOM - 20}
              textAnchor="middle"
              fontSize="12"
              className="fill-soft"
            >
              {say("ceiling.daysAway", { day: Math.round((at(to.day) - at(from.day)) / DAY_MS) })}
            </text>
          </g>
        ))}
        <line
          x1="46"
          x2={width - 60}
          y1={y(view.targetBpm)}
          y2={y(view.targetBpm)}
          className="stroke-ink"
          strokeWidth="1.5"
        />
        <text
          x={width - 54}
          y={besides(y(view.targetBpm), y(last.ceiling)) + 4}
          fontSize="13"
          fontWeight="600"
          className="fill-ink"
        >
          {say("ceiling.target")}
        </text>
        <text x={width - 54} y={y(last.ceiling) + 4} fontSize="13" fontWeight="700" className="fill-brass-deep">
          {bpm(view.estimate.ceiling.middle)}
        </text>
        <Along
          ticks={dayTicks(x.domain() as [number, number], Math.max(2, Math.floor(width / 130)))}
          x={x}
          y={HEIGHT - 20}
          label={shortDay}
        />
      </svg>
      <p className="text-sm text-soft">
        {say("ceiling.lineSmoothedFromTodayDots", {
          testsIs: view.tests.length > 0 ? "yes" : "no",
          edgesIs: view.edges.length > 0 ? "yes" : "no",
          coneIs: cone.length > 0 ? "yes" : "no",
        })}
      </p>
    </div>
  );
}

/** The same in figures, the newest first. */
export function historyRows(view: Schemas["CeilingView"]): Rows {
  return {
    heads: [
      say("ceiling.day"),
      say("ceiling.comfortable"),
      say("ceiling.ceilingWord"),
      say("ceiling.from"),
      say("ceiling.toHead"),
      say("ceiling.smoothed"),
      say("ceiling.measuringPasses"),
    ],
    lines: [...view.history]
      .reverse()
      .map((d) => [day(d.day), bpm(d.comfortable), bpm(d.ceiling), bpm(d.low), bpm(d.high), bpm(d.smoothed), d.probes]),
  };
}

function away(days: Day[]): [Day, Day][] {
  return days.slice(1).flatMap((to, i) => {
    const from = days[i]!;
    return at(to.day) - at(from.day) > AWAY_DAYS * DAY_MS ? [[from, to] as [Day, Day]] : [];
  });
}
