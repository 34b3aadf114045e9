import { useRef } from "react";
import type { Schemas } from "../../api/client";
import type { TimelineData, Scales } from "../../timeline/terrain";
import { within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { arrows, drag, type Held } from "../../ui/drag";
import { say } from "../../words/say";

type Wish = Schemas["PlanWish"];

interface Props {
  timeline: TimelineData;
  wish: Wish;
  scales: Scales;
  width: number;
  onChange: (part: Partial<Wish>) => void;
}

const clamp = (value: number, { minimum, maximum }: { minimum: number; maximum: number }) =>
  Math.min(maximum, Math.max(minimum, value));
const percent = ({ minimum, maximum }: { minimum: number; maximum: number }) => ({
  min: 100 * minimum,
  max: 100 * maximum,
});
const round = (value: number) => Math.round(value * 100) / 100;

/** What can be taken hold of in the timeline: slow passes and the first burst by their tempo, the end by its time. */
export function Handles({ timeline, wish, scales, width, onChange }: Props) {
  const { ceiling } = timeline.estimate;
  const burst = timeline.stretches.find((stretch) => stretch.form === "BURST");
  const core = timeline.blocks.findIndex((block) => block.part === "CORE");
  const slow = burst && timeline.stretches.find((stretch) => stretch.block === core && stretch.form === "CONTROLLED");
  const minutes = (value: number) => onChange({ minutes: clamp(Math.round(value), RANGES.PlanWish.minutes) });
  const firstBurst = (share: number) =>
    onChange({ firstBurstShare: clamp(round(share), RANGES.PlanWish.firstBurstShare) });
  const controlled = (share: number) =>
    onChange({ controlledShare: clamp(round(share), RANGES.PlanWish.controlledShare) });
  const shareAt = (y: number) => scales.y.invert(y) / ceiling.middle;
  return (
    <g>
      {burst && (
        <Handle
          label={say("plan.firstBurstShareOfThe")}
          x={scales.x(burst.start + burst.seconds / 2)}
          y={scales.y(burst.tempo!)}
          value={wish.firstBurstShare * 100}
          {...percent(RANGES.PlanWish.firstBurstShare)}
          text={say("plan.ofTheCeiling", { firstBurstShare: Math.round(wish.firstBurstShare * 100) })}
          onStep={(way) => firstBurst(wish.firstBurstShare + way * 0.01)}
          onTake={() =>
            ({ y }) =>
              firstBurst(shareAt(y))
            }
          hue="fill-burst"
        />
      )}
      {slow && (
        <Handle
          label={say("plan.slowPassesShareOfThe")}
          x={scales.x(slow.start + slow.seconds / 2)}
          y={scales.y(slow.tempo!)}
          value={wish.controlledShare * 100}
          {...percent(RANGES.PlanWish.controlledShare)}
          text={say("plan.slowOfTheCeiling", { controlledShare: Math.round(wish.controlledShare * 100) })}
          onStep={(way) => controlled(wish.controlledShare + way * 0.01)}
          onTake={() =>
            ({ y }) =>
              controlled(shareAt(y))
            }
          hue="fill-spruce"
        />
      )}
      <Handle
        label={say("plan.minutesLabel")}
        x={Math.min(width - 14, scales.x(timeline.seconds))}
        y={scales.base - 34}
        value={wish.minutes}
        {...within(RANGES.PlanWish.minutes)}
        text={say("plan.minutesOfWorkout", { minutes: wish.minutes })}
        onStep={(way) => minutes(wish.minutes + way)}
        onTake={() => {
          const perMinute = (scales.x(timeline.seconds) - scales.x(0)) / wish.minutes;
          return ({ movedX }) => minutes(wish.minutes + movedX / perMinute);
        }}
        hue="fill-ink"
      />
    </g>
  );
}

interface HandleProps {
  label: string;
  x: number;
  y: number;
  value: number;
  min: number;
  max: number;
  text: string;
  hue: string;
  onStep: (way: 1 | -1) => void;
  /** Taken hold of: what it does wherever it is carried, by what stood there when it was taken. */
  onTake: () => (to: Held) => void;
}

export function Handle({ label, x, y, value, min, max, text, hue, onStep, onTake }: HandleProps) {
  const carry = useRef<(to: Held) => void>(undefined);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Math.round(value)}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={text}
      {...arrows(onStep)}
      {...drag({
        onTake: () => {
          carry.current = onTake();
          return true;
        },
        onMove: (to) => carry.current?.(to),
      })}
      className="pointer-events-auto cursor-grab touch-none"
    >
      <circle cx={x} cy={y} r="22" fill="transparent" />
      <circle cx={x} cy={y} r="6.5" className={`${hue} stroke-ground`} strokeWidth="2.5" />
    </g>
  );
}
