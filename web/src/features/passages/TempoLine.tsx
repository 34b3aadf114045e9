import { Term } from "../../ui/Term";
import type { ReactNode } from "react";
import { scaleLog } from "d3-scale";
import type { Schemas } from "../../api/client";
import { bpm } from "../../ui/format";
import { useWidth } from "../../ui/useWidth";
import { say } from "../../words/say";

interface Props {
  estimate: Schemas["EstimateDto"];
  target: number;
  range: [number, number];
}

const HEIGHT = 56;

/** About how wide a letter of the ceiling's words is, and what the target's figure takes beside its flag. */
const LETTER = 7.5;
const FIGURE = 36;

/** Comfortable tempo, ceiling and breakdown against the target, on an axis shared with its neighbours. */
export function TempoLine({ estimate, target, range }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(400);
  const x = scaleLog(range, [8, Math.max(40, width - 40)]);
  const { comfortable, ceiling, breakdown } = estimate;
  const within = Math.round((ceiling.high - ceiling.low) / 2);
  const said = estimate.enoughEvidence
    ? `${bpm(ceiling.middle)} ± ${within}`
    : say("passages.aboutNotEnough", { ceiling: bpm(ceiling.middle) });
  const label = estimate.enoughEvidence ? said : say("passages.aboutAGuess", { ceiling: bpm(ceiling.middle) });
  // What is said of the ceiling stands above the line and the target's figure below, so that they never meet.
  const from = Math.max(0, Math.min(x(ceiling.middle) - 2, width - label.length * LETTER));
  const fly = x(target) + FIGURE > width ? -1 : 1;
  return (
    <div ref={frame} className="min-w-0">
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={say("passages.comfortableCeilingBreakdownTarget", {
          comfortable: bpm(comfortable.middle),
          said,
          breakdown: bpm(breakdown.middle),
          bpm: bpm(target),
        })}
        className="block"
      >
        <line
          x1={x(comfortable.middle)}
          x2={x(breakdown.middle)}
          y1={30}
          y2={30}
          className="stroke-ink"
          strokeWidth="1.5"
        />
        <rect
          x={x(ceiling.low)}
          width={Math.max(2, x(ceiling.high) - x(ceiling.low))}
          y={21}
          height={18}
          className="fill-brass"
          opacity="0.35"
        />
        <path d={`M${x(comfortable.middle)} 24v12`} className="stroke-spruce" strokeWidth="4" />
        <path d={`M${x(ceiling.middle)} 18v24`} className="stroke-brass-deep" strokeWidth="3" />
        <path d={`M${x(breakdown.middle) - 4} 26l8 8m0 -8l-8 8`} className="stroke-danger" strokeWidth="2.5" />
        <path d={`M${x(target)} 18v34`} className="stroke-ink" strokeWidth="1.5" />
        <path d={`M${x(target)} 46h${7 * fly}l${-7 * fly} 6z`} className="fill-ink" />
        <text x={x(target) + 10 * fly} y={54} fontSize="12" textAnchor={fly < 0 ? "end" : "start"} className="fill-ink">
          {bpm(target)}
        </text>
        <text x={from} y={13} fontSize="13" fontWeight="700" className="fill-brass-deep">
          {label}
        </text>
      </svg>
    </div>
  );
}

/** A sign of the picture beside its name: it says nothing to whoever hears the page. */
const Sign = (looks: { className: string; children: ReactNode }) => <span aria-hidden="true" {...looks} />;

/** The axis under a list of tempo lines. */
export function TempoAxis({ range }: { range: [number, number] }) {
  return (
    <p className="mt-1.5 flex flex-wrap gap-x-5 text-sm text-soft">
      <Term of="comfortable">
        {say("passages.comfortable", { part: (words) => <Sign className="text-spruce">{words}</Sign> })}
      </Term>
      <Term of="ceiling">
        {say("passages.ceilingClean4TimesIn", { part: (words) => <Sign className="text-brass-deep">{words}</Sign> })}
      </Term>
      <Term of="breakdown">
        {say("passages.breakdown", { part: (words) => <Sign className="text-danger">{words}</Sign> })}
      </Term>
      <span>{say("passages.target")}</span>
      <span className="ml-auto font-mono">
        {say("passages.toBpm", { value: Math.round(range[0]), value2: Math.round(range[1]) })}
      </span>
    </p>
  );
}
