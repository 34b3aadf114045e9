import { useState } from "react";
import { RANGES } from "../../api/ranges";
import type { TimelineData, Scales } from "../../timeline/terrain";
import { PART } from "../../timeline/Labels";
import { arrows, drag } from "../../ui/drag";
import { type Block, changed, moved, movedTo } from "./blocks";
import { Handle } from "./Handles";
import { say } from "../../words/say";

interface Props {
  timeline: TimelineData;
  blocks: Block[];
  scales: Scales;
  onChange: (blocks: Block[]) => void;
}

const { minimum: LEAST_SECONDS, maximum: MOST_SECONDS } = RANGES.BlockWish.seconds;
const STEP_SECONDS = 30;
/** Narrower blocks are moved and timed in the list. */
const LEAST_WIDTH = 34;

/** The blocks of a plan by hand: where one ends is dragged to give it more time, its grip to put it elsewhere. */
export function BlockHandles({ timeline, blocks, scales: { x, base }, onChange }: Props) {
  const perSecond = (x(timeline.seconds) - x(0)) / Math.max(1, timeline.seconds);
  return (
    <g>
      {timeline.blocks.map((drawn, i) => {
        const block = blocks[i];
        if (!block || (drawn.end - drawn.start) * perSecond < LEAST_WIDTH) return null;
        const last = (seconds: number) =>
          onChange(changed(blocks, i, { seconds: Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, seconds)) }));
        const name = PART[drawn.part];
        const room = x(drawn.end) - x(drawn.start);
        return (
          <g key={i}>
            {drawn.part !== "WARM_UP" && (
              <Handle
                label={say("plan.minutesOfBlock", { name, i: i + 1 })}
                x={x(drawn.end) - 1}
                y={base}
                value={block.seconds / 60}
                min={0}
                max={MOST_SECONDS / 60}
                text={say("plan.minutes", { seconds: Math.round(block.seconds / 6) / 10 })}
                onStep={(way) => last(block.seconds + way * STEP_SECONDS)}
                onTake={() =>
                  ({ movedX }) =>
                    last(block.seconds + movedX / perSecond)
                  }
                hue="fill-soft"
              />
            )}
            {isFree(room, name) && (
              <Grip
                label={say("plan.placeOfBlock", { name, i: i + 1 })}
                x={x(drawn.end) - 18}
                y={base + 27}
                place={i}
                places={blocks.length}
                onStep={(way) => onChange(moved(blocks, i, way))}
                onDrop={(at) => {
                  const to = timeline.blocks.findIndex((other) => x(other.start) <= at && at < x(other.end));
                  if (to >= 0) onChange(movedTo(blocks, i, to));
                }}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Whether a grip has room beside what is written under its block. */
function isFree(room: number, name: string) {
  const written = name.length * 7 + 10;
  const taken = room > written ? written + (room > 150 ? 48 : 0) : 0;
  return room - taken > 32;
}

interface GripProps {
  label: string;
  x: number;
  y: number;
  place: number;
  places: number;
  onStep: (way: 1 | -1) => void;
  onDrop: (x: number) => void;
}

/** Six dots to take a block by. */
function Grip({ label, x, y, place, places, onStep, onDrop }: GripProps) {
  const [held, setHeld] = useState<number>();
  const at = held ?? x;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={place + 1}
      aria-valuemin={1}
      aria-valuemax={places}
      aria-valuetext={say("plan.placeOf", { place: place + 1, places })}
      {...arrows(onStep, -1)}
      {...drag({
        onTake: ({ x: from }) => {
          setHeld(from);
          return true;
        },
        onMove: ({ x: to }) => setHeld(to),
        onDrop: ({ x: to }) => {
          setHeld(undefined);
          onDrop(to);
        },
        onLose: () => setHeld(undefined),
      })}
      className="pointer-events-auto cursor-grab touch-none"
    >
      <rect x={at - 22} y={y - 22} width="44" height="44" rx="4" className="fill-transparent" />
      {[-6, 0, 6].flatMap((dx) =>
        [-3, 3].map((dy) => <circle key={`${dx} ${dy}`} cx={at + dx} cy={y + dy} r="1.7" className="fill-soft" />),
      )}
    </g>
  );
}
