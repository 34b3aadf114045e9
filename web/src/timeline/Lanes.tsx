import { linear } from "./scales";
import { oneDecimal } from "../ui/format";
import type { Looks } from "./looks";
import { path, type Point, type TimelineData, recoveryLine } from "./terrain";
import { say } from "../words/say";

interface Props {
  timeline: TimelineData;
  x: (seconds: number) => number;
  top: number;
  left: number;
  right: number;
  looks: Looks;
}

const HEIGHT = 40;

/** What the longest name takes beside its lane. */
const NAME_WIDTH = 44;

/** The name of a lane stands beside it, or inside at its beginning where there is no room beside it. */
function Frame({ name, left, top, looks }: { name: string; left: number; top: number; looks: Looks }) {
  const beside = left >= NAME_WIDTH;
  return (
    <text
      x={beside ? left - 8 : left + 4}
      y={beside ? top + HEIGHT / 2 + 4 : top + HEIGHT - 4}
      textAnchor={beside ? "end" : "start"}
      fontSize="11"
      fill={beside ? looks.soft : looks.ink}
    >
      {name}
    </text>
  );
}

function area(points: Point[], bottom: number) {
  if (points.length === 0) return "";
  return `${path([{ x: points[0]!.x, y: bottom }, ...points, { x: points.at(-1)!.x, y: bottom }])}Z`;
}

/** What bursts draw on and rests fill: a rule of thumb. */
export function RecoveryLane({ timeline, x, top, left, right, looks }: Props) {
  const y = linear([0, 1], [top + HEIGHT, top + 2]);
  const points = recoveryLine(timeline.stretches).map(({ seconds, level }) => ({ x: x(seconds), y: y(level) }));
  return (
    <g>
      <Frame name={say("timeline.recovery")} left={left} top={top} looks={looks} />
      <path d={area(points, top + HEIGHT)} fill={looks.soft} fillOpacity="0.16" />
      <path d={path(points)} fill="none" stroke={looks.ink} strokeWidth="1.5" />
      <line
        x1={left}
        x2={right}
        y1={y(timeline.burstFloor)}
        y2={y(timeline.burstFloor)}
        stroke={looks.burst}
        strokeDasharray="2 4"
        strokeWidth="1.5"
      />
      <text x={right} y={y(timeline.burstFloor) + 13} textAnchor="end" fontSize="11" fill={looks.soft}>
        {say("timeline.aBurstNeeds", { burstFloor: Math.round(timeline.burstFloor * 100) })}
      </text>
    </g>
  );
}

/** Today's effort climbing toward its cap. */
export function EffortLane({ timeline, x, top, left, right, looks }: Props) {
  const y = linear([0, Math.max(timeline.effortCap, timeline.effortBefore, 1)], [top + HEIGHT, top + 6]);
  let before = timeline.effortBefore;
  const points: Point[] = [{ x: left, y: y(before) }];
  for (const stretch of timeline.stretches) {
    points.push({ x: x(stretch.start), y: y(before) });
    points.push({ x: x(stretch.start + stretch.seconds), y: y(stretch.effortAfter) });
    before = stretch.effortAfter;
  }
  const end = points.at(-1)!;
  return (
    <g>
      <Frame name={say("timeline.effort")} left={left} top={top} looks={looks} />
      <path d={area(points, top + HEIGHT)} fill={looks.spruce} fillOpacity="0.22" />
      <path d={path(points)} fill="none" stroke={looks.spruce} strokeWidth="2" />
      <line
        x1={left}
        x2={right}
        y1={y(timeline.effortCap)}
        y2={y(timeline.effortCap)}
        stroke={looks.ink}
        strokeWidth="1.5"
      />
      <text x={left + 6} y={y(timeline.effortCap) + 14} fontSize="11" fill={looks.soft}>
        {say("timeline.capEffortMinutes", { effortCap: oneDecimal(timeline.effortCap) })}
      </text>
      {timeline.stretches.length > 0 && (
        <text
          x={end.x - 4}
          y={end.y < top + 24 ? end.y + 15 : end.y - 5}
          textAnchor="end"
          fontSize="12"
          fontWeight="700"
          fill={looks.ink}
        >
          {oneDecimal(before)}
        </text>
      )}
    </g>
  );
}
