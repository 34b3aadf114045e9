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

const HEIGHT = 46;

/** About how wide a letter of the ceiling's figure is. */
const LETTER = 8;

/** Comfortable tempo, ceiling and breakdown against the target, on an axis shared with its neighbours. */
export function TempoLine({ estimate, target, range }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(400);
  const x = scaleLog(range, [8, Math.max(40, width - 40)]);
  const { comfortable, ceiling, breakdown } = estimate;
  const within = Math.round((ceiling.high - ceiling.low) / 2);
  const said = estimate.enoughEvidence
    ? `${bpm(ceiling.middle)} ± ${within}`
    : say("passages.aboutNotEnough", { ceiling: bpm(ceiling.middle) });
  // The two figures stand on either side where they would meet: the flag flies away from the ceiling.
  const reached = x(target) <= x(ceiling.middle);
  const label = estimate.enoughEvidence ? said : say("passages.aboutAGuess", { ceiling: bpm(ceiling.middle) });
  const meets = !reached && x(ceiling.middle) + label.length * LETTER > x(target);
  const fly = reached ? -1 : 1;
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
        <path d={`M${x(target)} 8v34`} className="stroke-ink" strokeWidth="1.5" />
        <path d={`M${x(target)} 8h${7 * fly}l${-7 * fly} 6z`} className="fill-ink" />
        <text x={x(target) + 9 * fly} y={15} fontSize="12" textAnchor={reached ? "end" : "start"} className="fill-ink">
          {bpm(target)}
        </text>
        <text
          x={
            meets
              ? Math.min(x(ceiling.middle) + 4, x(target) - 6)
              : Math.max(x(ceiling.middle) - 2, reached ? x(target) + 5 : 0)
          }
          y={13}
          fontSize="13"
          fontWeight="700"
          textAnchor={meets ? "end" : "start"}
          className="fill-brass-deep"
        >
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
