import type { Schemas } from "../../api/client";
import { say } from "../../words/say";

interface Props {
  counts: Schemas["CountDto"][];
  needed: number;
  label: string;
}

const SHOWN = 40;
const TALL = 44;
const STEP = 10;

/** The last counts as a comb, the newest last; what is needed is a line. */
export function Strip({ counts, needed, label }: Props) {
  const last = counts.slice(-SHOWN);
  if (last.length === 0) return null;
  const most = Math.max(needed, ...last.map((count) => count.perMinute)) * 1.05;
  const y = (perMinute: number) => TALL - (perMinute / most) * TALL;
  const wide = SHOWN * STEP;
  return (
    <svg
      viewBox={`0 0 ${wide} ${TALL + 2}`}
      className="mt-1.5 block h-11 w-full max-w-[400px]"
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={say("count.aMinuteNeeded", {
        label,
        last: last.map((count) => Math.round(count.perMinute)).join(", "),
        needed,
      })}
    >
      <line x1="0" x2={wide} y1={y(needed)} y2={y(needed)} className="stroke-brass" strokeWidth="1.2" />
      {last.map((count, i) => (
        <rect
          key={i}
          x={i * STEP + 2}
          width={STEP - 4}
          y={y(count.perMinute)}
          height={TALL - y(count.perMinute)}
          className={count.perMinute >= needed ? "fill-spruce" : "fill-spruce/55"}
        />
      ))}
      <line x1="0" x2={wide} y1={TALL + 0.5} y2={TALL + 0.5} className="stroke-rule-strong" strokeWidth="1" />
    </svg>
  );
}
