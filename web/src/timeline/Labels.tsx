import { clock } from "../ui/format";
import type { Looks } from "./looks";
import type { TimelineData, Scales } from "./terrain";
import { say } from "../words/say";

export const PART: Record<TimelineData["blocks"][number]["part"], string> = {
  WARM_UP: say("common.warmUp"),
  OPENER: say("timeline.controlled"),
  PREPARE: say("timeline.prepare"),
  MEASURE: say("timeline.measure"),
  CORE: say("timeline.core"),
  PERFORM: say("timeline.perform"),
  STUDY: say("timeline.study"),
  CLOSER: say("timeline.coolDown"),
};

interface Props {
  timeline: TimelineData;
  scales: Scales;
  looks: Looks;
}

const LABEL_WIDTH = 20;

/** About as wide as a letter of a label, and what is to stay free beside it for a handle. */
const LETTER = 6.6;
const GRIP = 40;

/** Seconds under each rest; where rests stand too close, once for the block. */
export function RestLabels({ timeline, scales: { x, base }, looks }: Props) {
  const rests = timeline.stretches.filter((stretch) => stretch.form === "REST");
  const middle = (rest: (typeof rests)[number]) => x(rest.start + rest.seconds / 2);
  let last = -Infinity;
  return (
    <g fontSize="11" fill={looks.soft} textAnchor="middle" className="font-mono">
      {rests.map((rest) => {
        if (middle(rest) - last < LABEL_WIDTH) return null;
        last = middle(rest);
        return (
          <text key={rest.start} x={last} y={base + 13}>
            {rest.seconds < 60
              ? Math.round(rest.seconds)
              : say("timeline.restOrBreak", {
                  seconds: clock(rest.seconds),
                  restIs: rest.rest === "BREAK" ? "yes" : "no",
                })}
          </text>
        );
      })}
    </g>
  );
}

/** What each block is and how long, where there is room to say it. */
export function BlockLabels({ timeline, scales: { x, base }, looks }: Props) {
  return (
    <g>
      {timeline.blocks
        .filter((block) => block.end > block.start)
        .map((block) => {
          const left = x(block.start);
          const room = x(block.end) - left;
          const name = PART[block.part];
          if (room < 24) return null;
          const minutes = say("timeline.min", {
            value: Math.max(1, Math.round((block.end - block.start) / 60)),
            partIs: block.part === "WARM_UP" ? "yes" : "no",
          });
          return (
            <g key={block.start}>
              <line x1={left} x2={left} y1={base} y2={base + 36} stroke={looks.soft} strokeWidth="1" />
              {room > name.length * 7 + 10 && (
                <text x={left + 5} y={base + 32} fontSize="13" fontWeight="700" fill={looks.ink}>
                  {name}
                  {room > (name.length + minutes.length) * LETTER + GRIP && (
                    <tspan fontWeight="400" fill={looks.soft}>
                      {"  "}
                      {minutes}
                    </tspan>
                  )}
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}

/** Which section is played where, along the ground; a name ends in dots where there is no room for it. */
export function SectionNames({ timeline, scales: { x, base }, looks, names }: Props & { names: string[] }) {
  const stretches: { theme: number; from: number; to: number }[] = [];
  for (const block of timeline.blocks.filter((one) => one.end > one.start)) {
    const last = stretches.at(-1);
    if (last?.theme === block.theme) last.to = block.end;
    else stretches.push({ theme: block.theme, from: block.start, to: block.end });
  }
  return (
    <g fontSize="13" fill={looks.soft}>
      {stretches.map(({ theme, from, to }) => {
        const name = names[theme] ?? "";
        const room = Math.floor((x(to) - x(from) - 10) / 7);
        if (room < 5) return null;
        return (
          <g key={from}>
            <line x1={x(from)} x2={x(from)} y1={base + 36} y2={base + 52} stroke={looks.soft} />
            <text x={x(from) + 5} y={base + 50}>
              {name.length > room ? `${name.slice(0, room - 1).trimEnd()}…` : name}
            </text>
          </g>
        );
      })}
    </g>
  );
}
