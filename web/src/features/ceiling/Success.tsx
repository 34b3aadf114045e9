import { scaleLinear, scaleLog, scaleSqrt } from "d3-scale";
import { line } from "d3-shape";
import type { Schemas } from "../../api/client";
import { tempoTicks } from "../../relief/terrain";
import { bpm } from "../../ui/format";
import { useWidth } from "../../ui/useWidth";

const HEIGHT = 322;
const TOP = 40;
const BOTTOM = 36;

/** Marks keep this far from the labels of the axes: the largest of them lies half outside its place. */
const MARGIN = 13;

/** Success against tempo: the fitted curve, and every tempo played as a mark as large as its passes. */
export function Success({ view }: { view: Schemas["CeilingView"] }) {
  const [frame, width] = useWidth<HTMLDivElement>(560);
  const { estimate, curve, tries } = view;
  const tempos = [
    ...curve.map((point) => point.tempo),
    ...tries.map((tried) => tried.tempo),
    estimate.breakdown.middle * 1.03,
  ];
  const range: [number, number] = [Math.min(...tempos), Math.max(...tempos, view.targetBpm * 1.02)];
  const x = scaleLog(range, [46 + MARGIN, width - 12]);
  const y = scaleLinear([0, 1], [HEIGHT - BOTTOM - MARGIN, TOP + MARGIN]);
  const count = (tried: Schemas["TryDto"]) => tried.clean + tried.rough + tried.broke;
  const size = scaleSqrt([0, Math.max(4, ...tries.map(count))], [1, 11]);
  const draw = line<Schemas["CurvePoint"]>(
    (point) => x(point.tempo),
    (point) => y(point.clean),
  );
  return (
    <div ref={frame} className="overflow-hidden">
      <svg width={width} height={HEIGHT} role="img" aria-label={description(view)} className="block">
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <g key={share}>
            <line x1="46" x2={width - 12} y1={y(share)} y2={y(share)} className="stroke-rule" />
            <text x="40" y={y(share) + 4} textAnchor="end" fontSize="12" className="fill-soft font-mono">
              {share * 100}%
            </text>
          </g>
        ))}
        {tempoTicks(range, Math.floor(width / 60)).map((tempo) => (
          <text
            key={tempo}
            x={x(tempo)}
            y={HEIGHT - BOTTOM + 18}
            textAnchor="middle"
            fontSize="12"
            className="fill-soft font-mono"
          >
            {tempo}
          </text>
        ))}
        <rect
          x={x(estimate.ceiling.low)}
          width={x(estimate.ceiling.high) - x(estimate.ceiling.low)}
          y={TOP}
          height={HEIGHT - TOP - BOTTOM}
          className="fill-brass"
          opacity="0.24"
        />
        <Upright x={x(estimate.ease.middle)} label="ease" anchor="end" looks="stroke-spruce" dashes="2 3" />
        <Upright x={x(estimate.ceiling.middle)} label="ceiling" anchor="middle" looks="stroke-brass-deep" bold />
        <Upright
          x={x(estimate.breakdown.middle)}
          label="breakdown"
          anchor={x(estimate.breakdown.middle) > width - 90 ? "end" : "start"}
          looks="stroke-plum"
          dashes="6 3"
        />
        <path d={draw(curve) ?? ""} fill="none" className="stroke-ink" strokeWidth="2" />
        {tries.map((tried) => (
          <Mark
            key={`${tried.kind}${tried.tempo}`}
            x={x(tried.tempo)}
            y={y(tried.clean / count(tried))}
            size={size(count(tried))}
            burst={tried.kind === "BURST"}
          />
        ))}
      </svg>
      <p className="text-right text-sm text-soft">
        beats a minute · discs are passes, diamonds bursts, of the last {view.triesDays} days
      </p>
      {tries.length === 0 && (
        <p className="text-sm text-soft">No passes yet: the curve is what the first guess says.</p>
      )}
    </div>
  );
}

function Mark({ x, y, size, burst }: { x: number; y: number; size: number; burst: boolean }) {
  return burst ? (
    <path
      d={`M${x} ${y - size}l${size} ${size}l${-size} ${size}l${-size} ${-size}z`}
      className="fill-plum stroke-ground"
      opacity="0.8"
    />
  ) : (
    <circle cx={x} cy={y} r={size} className="fill-spruce stroke-ground" opacity="0.7" />
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
        y1={TOP - 8}
        y2={HEIGHT - BOTTOM}
        className={looks}
        strokeWidth={bold ? 2.5 : 1.5}
        strokeDasharray={dashes}
      />
      <text
        x={x}
        y={anchor === "middle" ? 11 : 27}
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

function description({ estimate, tries }: Schemas["CeilingView"]) {
  const passes = tries.reduce((sum, tried) => sum + tried.clean + tried.rough + tried.broke, 0);
  return `${passes} passes at ${tries.length} tempos. Clean 95% up to ${bpm(estimate.ease.middle)}, 80% up to ${bpm(estimate.ceiling.middle)}; broken half the time at ${bpm(estimate.breakdown.middle)}.`;
}
