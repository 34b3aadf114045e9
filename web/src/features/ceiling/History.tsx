import { scaleLog, scaleTime } from "d3-scale";
import { area, curveMonotoneX, line } from "d3-shape";
import type { Schemas } from "../../api/client";
import { tempoTicks } from "../../relief/terrain";
import { bpm, day } from "../../ui/format";
import { useWidth } from "../../ui/useWidth";

type Day = Schemas["HistoryDay"];

const HEIGHT = 320;
const TOP = 20;
const BOTTOM = 40;
const AWAY_DAYS = 10;
const DAY_MS = 86_400_000;

const at = (iso: string) => Date.parse(`${iso}T12:00:00`);

/** The ceiling from day to day with its interval, days away marked, the target above. */
export function History({ view }: { view: Schemas["CeilingView"] }) {
  const [frame, width] = useWidth<HTMLDivElement>(560);
  const days = view.history;
  if (days.length < 2) {
    return (
      <p className="py-16 text-center text-soft">
        {days.length === 0 ? "Nothing has been played yet." : "One day so far. A line begins with the second."}
      </p>
    );
  }
  const end = Math.max(at(view.today), at(days.at(-1)!.day));
  const x = scaleTime([at(days[0]!.day), end], [46, width - 60]);
  const range: [number, number] = [
    Math.min(...days.map((d) => d.low)) * 0.97,
    Math.max(view.targetBpm, ...days.map((d) => d.high)) * 1.03,
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
  const first = days[0]!;
  const last = days.at(-1)!;
  return (
    <div ref={frame} className="overflow-hidden">
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`From ${bpm(first.ceiling)} on ${day(first.day)} to ${bpm(last.ceiling)} on ${day(last.day)}; target ${bpm(view.targetBpm)}.`}
        className="block"
      >
        {tempoTicks(range, 8).map((tempo) => (
          <g key={tempo}>
            <line x1="46" x2={width - 60} y1={y(tempo)} y2={y(tempo)} className="stroke-rule" />
            <text x="40" y={y(tempo) + 4} textAnchor="end" fontSize="12" className="fill-soft font-mono">
              {tempo}
            </text>
          </g>
        ))}
        <path d={band(days) ?? ""} className="fill-brass" opacity="0.26" />
        <path d={smooth(days) ?? ""} fill="none" className="stroke-brass-deep" strokeWidth="2.5" />
        <path d={middle(days) ?? ""} fill="none" className="stroke-brass" strokeWidth="1" strokeDasharray="3 3" />
        {days.map((d) => (
          <circle key={d.day} cx={x(at(d.day))} cy={y(d.ceiling)} r="2.2" className="fill-brass-deep" />
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
              {Math.round((at(to.day) - at(from.day)) / DAY_MS)} days away
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
        <text x={width - 54} y={y(view.targetBpm) + 4} fontSize="13" fontWeight="600" className="fill-ink">
          target
        </text>
        <text x={width - 54} y={y(last.ceiling) + 4} fontSize="13" fontWeight="700" className="fill-brass-deep">
          {bpm(last.ceiling)}
        </text>
        {x.ticks(Math.max(2, Math.floor(width / 130))).map((tick) => (
          <text
            key={tick.getTime()}
            x={x(tick)}
            y={HEIGHT - 20}
            textAnchor="middle"
            fontSize="12"
            className="fill-soft"
          >
            {tick.toLocaleDateString(undefined, { day: "numeric", month: "short" })}
          </text>
        ))}
        <text x={width - 60} y={HEIGHT - 3} textAnchor="end" fontSize="12" className="fill-soft">
          line: smoothed · dots: as it was known that day · band: 80% interval
        </text>
      </svg>
    </div>
  );
}

function away(days: Day[]): [Day, Day][] {
  return days.slice(1).flatMap((to, i) => {
    const from = days[i]!;
    return at(to.day) - at(from.day) > AWAY_DAYS * DAY_MS ? [[from, to] as [Day, Day]] : [];
  });
}
