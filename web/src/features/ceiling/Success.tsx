import { scaleLinear, scaleLog } from "d3-scale";
import { area, line } from "d3-shape";
import type { Schemas } from "../../api/client";
import { tempoTicks } from "../../timeline/terrain";
import { Along, Heights } from "../../ui/Axis";
import { bpm } from "../../ui/format";
import type { Rows } from "../../ui/DataTable";
import { useWidth } from "../../ui/useWidth";
import { type Mark, spacing, stacked, type Way } from "./strips";
import { say } from "../../words/say";

type Point = Schemas["CurvePoint"];

const HEIGHT = 344;
const TOP = 92;
const BOTTOM = 104;
const LEFT = 52;
const SHARES = [0, 0.25, 0.5, 0.75, 1];

/** The strips of marks outside the curve: passes next to it, bursts beyond them. */
const STRIP = 38;
const BURST_STRIP = 14;
const GAP = 5;
const APART = 5.6;

interface Props {
  estimate: Schemas["EstimateDto"];
  curve: Point[];
  tries: Schemas["TryDto"][];
  target: number;
  awkward?: Schemas["AwkwardDto"][];
}

/** Success against tempo: the curve with its interval, above it every clean pass, below it every other. */
export function Success({ estimate, curve, tries, target, awkward = [] }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(560);
  const tempos = [
    ...curve.map((point) => point.tempo),
    ...tries.map((tried) => tried.tempo),
    estimate.breakdown.middle * 1.03,
  ];
  const range: [number, number] = [Math.min(...tempos), Math.max(...tempos, target * 1.02)];
  const x = scaleLog(range, [LEFT + 6, width - 12]);
  const y = scaleLinear([0, 1], [HEIGHT - BOTTOM, TOP]);
  const band = area<Point>(
    (point) => x(point.tempo),
    (point) => y(point.low),
    (point) => y(point.high),
  );
  const draw = line<Point>(
    (point) => x(point.tempo),
    (point) => y(point.clean),
  );
  const passes = tries.filter((tried) => tried.kind !== "BURST");
  const bursts = tries.filter((tried) => tried.kind === "BURST");
  return (
    <div ref={frame} className="overflow-hidden">
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={description({ estimate, tries })}
        className="block font-sans"
      >
        <Heights ticks={SHARES} y={y} from={LEFT} to={width - 12} label={(share) => `${share * 100}%`} />
        <Along ticks={tempoTicks(range, Math.floor(width / 60))} x={x} y={HEIGHT - 14} />
        <text x={width - 12} y={HEIGHT - 1} textAnchor="end" fontSize="12" className="fill-soft">
          {say("ceiling.beatsAMinute")}
        </text>
        {awkward.map((one) => (
          <g key={one.from}>
            <rect
              x={x(one.from) - 3}
              width={x(one.to) - x(one.from) + 6}
              y={TOP}
              height={HEIGHT - TOP - BOTTOM}
              className="fill-danger"
              opacity="0.14"
            />
            <text
              x={(x(one.from) + x(one.to)) / 2}
              y={HEIGHT - BOTTOM - 8}
              textAnchor="middle"
              fontSize="12"
              className="fill-danger"
            >
              {say("ceiling.awkward")}
            </text>
          </g>
        ))}
        <rect
          x={x(estimate.ceiling.low)}
          width={x(estimate.ceiling.high) - x(estimate.ceiling.low)}
          y={TOP}
          height={HEIGHT - TOP - BOTTOM}
          className="fill-brass"
          opacity="0.24"
        />
        <path d={band(curve) ?? ""} className="fill-ink" opacity="0.1" />
        <Upright
          x={x(estimate.comfortable.middle)}
          label={say("ceiling.comfortable")}
          anchor="end"
          looks="stroke-spruce"
          dashes="2 3"
        />
        <Upright
          x={x(estimate.ceiling.middle)}
          label={say("ceiling.ceilingWord")}
          anchor="middle"
          looks="stroke-brass-deep"
          bold
        />
        <Upright
          x={x(estimate.breakdown.middle)}
          label={say("ceiling.breakdown")}
          anchor={x(estimate.breakdown.middle) > width - 90 ? "end" : "start"}
          looks="stroke-danger"
          dashes="6 3"
        />
        <path d={draw(curve) ?? ""} fill="none" className="stroke-ink" strokeWidth="2" />
        <Strip marks={stacked(passes, x, ["clean"])} from={y(1) - GAP} room={-STRIP} />
        <Strip marks={stacked(passes, x, ["rough", "broke"])} from={y(0) + GAP} room={STRIP} />
        <Strip marks={stacked(bursts, x, ["clean"])} from={y(1) - GAP - STRIP - GAP} room={-BURST_STRIP} burst />
        <Strip
          marks={stacked(bursts, x, ["rough", "broke"])}
          from={y(0) + GAP + STRIP + GAP}
          room={BURST_STRIP}
          burst
        />
        <StripName y={y(1) - GAP - STRIP / 2} name={say("ceiling.clean")} />
        <StripName y={y(0) + GAP + STRIP / 2} name={say("ceiling.notClean")} />
        {bursts.length > 0 && (
          <>
            <StripName y={y(1) - 2 * GAP - STRIP - BURST_STRIP / 2} name={say("ceiling.bursts")} />
            <StripName y={y(0) + 2 * GAP + STRIP + BURST_STRIP / 2} name={say("ceiling.bursts")} />
          </>
        )}
      </svg>
    </div>
  );
}

/** The same in figures. */
export function successRows(tries: Schemas["TryDto"][]): Rows {
  return {
    heads: [
      say("ceiling.tempo"),
      say("ceiling.what"),
      say("verdict.CLEAN"),
      say("verdict.ROUGH"),
      say("verdict.BROKE"),
    ],
    lines: tries.map((tried) => [
      bpm(tried.tempo),
      tried.kind === "BURST"
        ? say("common.burst")
        : tried.kind === "PROBE"
          ? say("ceiling.measuring")
          : say("ceiling.pass"),
      tried.clean,
      tried.rough,
      tried.broke,
    ]),
  };
}

function StripName({ y, name }: { y: number; name: string }) {
  return (
    <text x={LEFT - 6} y={y + 4} textAnchor="end" fontSize="12" className="fill-soft">
      {name}
    </text>
  );
}

/** A strip of marks, stacked away from the curve. */
function Strip({ marks, from, room, burst }: { marks: Mark[]; from: number; room: number; burst?: boolean }) {
  const step = spacing(marks, Math.abs(room), APART) * Math.sign(room);
  return (
    <g>
      {marks.map((mark) => (
        <PassMark key={mark.key} x={mark.x} y={from + step * (mark.rank + 0.5)} way={mark.way} burst={burst} />
      ))}
    </g>
  );
}

function PassMark({ x, y, way, burst }: { x: number; y: number; way: Way; burst?: boolean }) {
  if (way === "broke") {
    return (
      <path
        d={`M${x - 2.4} ${y - 2.4}l4.8 4.8m0 -4.8l-4.8 4.8`}
        className={burst ? "stroke-burst" : "stroke-ink"}
        strokeWidth="1.5"
      />
    );
  }
  const filled = way === "clean";
  if (burst) {
    return (
      <path
        d={`M${x} ${y - 3}l3 3l-3 3l-3 -3z`}
        className={`stroke-burst ${filled ? "fill-burst" : "fill-none"}`}
        strokeWidth="1.1"
      />
    );
  }
  return (
    <circle cx={x} cy={y} r="2" className={`stroke-spruce ${filled ? "fill-spruce" : "fill-none"}`} strokeWidth="0.9" />
  );
}

function Upright({
  x,
  label,
  anchor,
  looks,
  dashes,
  bold,
}: {
  x: number;
  label: string;
  anchor: "start" | "middle" | "end";
  looks: string;
  dashes?: string;
  bold?: boolean;
}) {
  return (
    <g>
      <line
        x1={x}
        x2={x}
        y1={TOP}
        y2={HEIGHT - BOTTOM}
        className={looks}
        strokeWidth={bold ? 2.5 : 1.5}
        strokeDasharray={dashes}
      />
      <text
        x={x}
        y={anchor === "middle" ? 12 : 26}
        textAnchor={anchor}
        fontSize="13"
        fontWeight={bold ? 700 : 500}
        className="fill-ink"
      >
        {label}
      </text>
    </g>
  );
}

function description({ estimate, tries }: Pick<Props, "estimate" | "tries">) {
  const passes = tries.reduce((sum, tried) => sum + tried.clean + tried.rough + tried.broke, 0);
  return say("ceiling.passesAtTemposClean95", {
    passes,
    tries: tries.length,
    comfortable: bpm(estimate.comfortable.middle),
    ceiling: bpm(estimate.ceiling.middle),
    breakdown: bpm(estimate.breakdown.middle),
  });
}
