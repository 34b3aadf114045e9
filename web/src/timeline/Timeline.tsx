import { KeyGround } from "../ui/KeyGround";
import { linear, logarithmic } from "./scales";
import { memo, type KeyboardEvent, type ReactNode, useId, useState } from "react";
import { Heights } from "../ui/Axis";
import { bpm, clock, minutes } from "../ui/format";
import { useWidth } from "../ui/useWidth";
import { BlockLabels, SectionNames, RestLabels } from "./Labels";
import { EffortLane, RecoveryLane } from "./Lanes";
import { DAY, type Looks, NIGHT } from "./looks";
import {
  grounds,
  path,
  peak,
  type TimelineData,
  ridgeLine,
  ridges,
  type Scales,
  type Stretch,
  stretchAt,
  tempoRange,
  tempoTicks,
} from "./terrain";
import { say } from "../words/say";

interface Props {
  timeline: TimelineData;
  dark?: boolean;
  /** Seconds from the start where the run stands. */
  playhead?: number;
  /** The height of the terrain itself, in pixels. */
  height?: number;
  /** Whether recovery and effort are drawn beneath. */
  lanes?: boolean;
  /** Whether blocks are named beneath. */
  labels?: boolean;
  /** What each section is called, where there are several. */
  names?: string[];
  /** A second timeline drawn as an outline behind: what was planned. */
  planned?: TimelineData;
  /** Things to take hold of, drawn over the terrain. */
  handles?: (scales: Scales, width: number) => ReactNode;
}

const FORM: Record<Stretch["form"], string> = {
  WARM_UP: say("timeline.warmUpForm"),
  CONTROLLED: say("timeline.slow"),
  PROBE: say("timeline.measuringPass"),
  BURST: say("common.burst"),
  CLOSING: say("timeline.easy"),
  REST: say("common.rest"),
};

/** A workout as a landscape: time to the right, tempo upward on a log scale. */
export const Timeline = memo(function Timeline({
  timeline,
  dark = false,
  playhead,
  height = 250,
  lanes = true,
  labels = true,
  names = [],
  planned,
  handles,
}: Props) {
  const looks = dark ? NIGHT : DAY;
  const [frame, width] = useWidth<HTMLDivElement>();
  const [pointed, setPointed] = useState<number>();
  const hatch = useId();
  const gutter = width < 520 ? 30 : 44;
  const hidden = width < 80;
  const total = Math.max(timeline.seconds, planned?.seconds ?? 0, 1);
  const range = tempoRange(
    planned ? { ...planned, stretches: [...planned.stretches, ...timeline.stretches] } : timeline,
  );
  const base = height - 1;
  const x = linear([0, total], [gutter, Math.max(gutter + 8, width - 8)]);
  const y = logarithmic(range, [base, 14]);
  const scales: Scales = { x, y, base };
  const stands = levels(timeline, scales, gutter, x(total));
  const named = labels && names.length > 1;
  const laneTop = height + (labels ? (named ? 62 : 44) : 14);
  const full = laneTop + (lanes ? 104 : 0);
  const shown = pointed === undefined ? undefined : stretchAt(timeline.stretches, pointed);

  function point(clientX: number, left: number) {
    setPointed(Math.max(0, Math.min(total, x.invert(clientX - left))));
  }

  function step(event: KeyboardEvent) {
    const way = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (way === 0 || timeline.stretches.length === 0) return;
    event.preventDefault();
    const now = timeline.stretches.findIndex((stretch) => stretch === shown);
    const next = timeline.stretches[Math.max(0, Math.min(timeline.stretches.length - 1, now + way))]!;
    setPointed(next.start + next.seconds / 2);
  }

  return (
    <div ref={frame} className="w-full">
      <KeyGround
        className="relative"
        label={summary(timeline)}
        aria-describedby={`${hatch}-read`}
        onKeyDown={step}
        onBlur={() => setPointed(undefined)}
        onPointerMove={(event) => point(event.clientX, event.currentTarget.getBoundingClientRect().left)}
        onPointerLeave={() => setPointed(undefined)}
      >
        <svg width={width} height={full} aria-hidden="true" className={hidden ? "hidden" : "block overflow-visible"}>
          <defs>
            <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="5" height="5" fill={looks.ground} />
              <rect width="3" height="5" fill={looks.burst} />
            </pattern>
            <pattern id={`${hatch}-staff`} width="6" height="6" patternUnits="userSpaceOnUse">
              <rect width="6" height="6" fill={looks.ground} />
              <rect width="6" height="3" fill={looks.brass} />
            </pattern>
            <linearGradient id={`${hatch}-band`} x1="0" x2="0" y1="0" y2="1">
              <stop offset="0" stopColor={looks.band} stopOpacity="0.08" />
              <stop offset="0.5" stopColor={looks.band} stopOpacity="0.42" />
              <stop offset="1" stopColor={looks.band} stopOpacity="0.08" />
            </linearGradient>
          </defs>
          <Heights
            ticks={tempoTicks(range, Math.floor(height / 28))}
            y={y}
            from={gutter}
            to={width - 8}
            looks={looks}
          />
          {stands.map((level) => (
            <CeilingBand key={level.from} level={level} y={y} fill={`url(#${hatch}-band)`} looks={looks} />
          ))}
          {planned && <Outline timeline={planned} scales={scales} looks={looks} />}
          <Ground timeline={timeline} scales={scales} looks={looks} hatch={hatch} />
          <BaseLine timeline={timeline} scales={scales} to={x(total)} looks={looks} />
          {stands.map((level) => (
            <CeilingNames key={level.from} level={level} y={y} looks={looks} />
          ))}
          <RestLabels timeline={timeline} scales={scales} looks={looks} />
          {labels && <BlockLabels timeline={timeline} scales={scales} looks={looks} />}
          {named && <SectionNames timeline={timeline} scales={scales} looks={looks} names={names} />}
          {lanes && (
            <>
              <RecoveryLane timeline={timeline} x={x} top={laneTop} left={gutter} right={x(total)} looks={looks} />
              <EffortLane timeline={timeline} x={x} top={laneTop + 52} left={gutter} right={x(total)} looks={looks} />
            </>
          )}
          {shown && (
            <line x1={x(pointed!)} x2={x(pointed!)} y1={10} y2={full} stroke={looks.ink} strokeDasharray="2 3" />
          )}
          {playhead !== undefined && <Playhead x={x(Math.min(playhead, total))} base={base} looks={looks} />}
        </svg>
        {handles && (
          <svg width={width} height={full} className="pointer-events-none absolute inset-0 overflow-visible">
            {handles(scales, width)}
          </svg>
        )}
      </KeyGround>
      <p
        id={`${hatch}-read`}
        aria-live="polite"
        className={`min-h-6 truncate text-sm ${dark ? "text-night-soft" : "text-soft"}`}
        style={{ paddingLeft: gutter }}
      >
        {shown ? reading(shown) : ""}
      </p>
    </div>
  );
});

function reading(stretch: Stretch) {
  const what =
    stretch.form === "REST"
      ? say("timeline.restSeconds", { seconds: Math.round(stretch.seconds) })
      : say("timeline.at", {
          passesIs: stretch.passes > 1 ? "yes" : "no",
          passes: stretch.passes,
          form: FORM[stretch.form],
          tempo: bpm(stretch.tempo!),
          fastestIs: stretch.fastest === null ? "yes" : "no",
          fastest: stretch.fastest && bpm(stretch.fastest),
        });
  const verdict = stretch.verdict
    ? say("timeline.tension", { verdict: say(`verdict.${stretch.verdict}`), tension: stretch.tension })
    : stretch.played && stretch.tempo !== null
      ? say("timeline.unjudged")
      : "";
  return `${clock(stretch.start)} ${what}${verdict}. ${say(stretch.why)}`;
}

function summary(timeline: TimelineData) {
  const { totals } = timeline;
  return say("timeline.workoutOfPassesBurstsOf", {
    seconds: minutes(totals.seconds),
    passes: totals.passes,
    bursts: totals.bursts,
    restSeconds: minutes(totals.restSeconds),
    ceiling: bpm(timeline.estimate.ceiling.middle),
    target: bpm(timeline.target),
  });
}

interface Layer {
  timeline: TimelineData;
  scales: Scales;
  looks: Looks;
}

/** Where one ceiling and one target hold, from left to right. */
interface Level {
  estimate: TimelineData["estimate"];
  target: number;
  from: number;
  to: number;
}

/** Those of the whole, or of each section and variation at its own blocks. */
function levels(timeline: TimelineData, { x }: Scales, from: number, to: number): Level[] {
  const found = grounds(timeline);
  if (found.length <= 1) return [{ estimate: timeline.estimate, target: timeline.target, from, to }];
  return found.map(({ start, end, block }) => ({
    estimate: block.estimate,
    target: block.target,
    from: x(start),
    to: x(end),
  }));
}

/** The ceiling and the target, behind all. */
function CeilingBand({ level, y, fill, looks }: { level: Level; y: Scales["y"]; fill: string; looks: Looks }) {
  const { estimate, target, from, to } = level;
  const { low, middle, high } = estimate.ceiling;
  return (
    <g>
      <rect x={from} width={to - from} y={y(high)} height={y(low) - y(high)} fill={fill} />
      <line
        x1={from}
        x2={to}
        y1={y(middle)}
        y2={y(middle)}
        stroke={looks.band}
        strokeWidth="1.5"
        strokeDasharray="7 4"
      />
      <line x1={from} x2={to} y1={y(target)} y2={y(target)} stroke={looks.ink} strokeWidth="1.25" />
    </g>
  );
}

/** Below this width nothing is written into a band. */
const ROOM_TO_WRITE = 150;

/** Their names, before all: bars that stand where they are written do not cover them. */
function CeilingNames({ level, y, looks }: { level: Level; y: Scales["y"]; looks: Looks }) {
  const { estimate, target, from, to } = level;
  const { low, middle, high } = estimate.ceiling;
  if (to - from <= ROOM_TO_WRITE) return null;
  const above = y(target) < y(high);
  const clashes = Math.abs(y(target) - (y(middle) - 9)) < 9;
  const halo = { fontSize: 13, stroke: looks.ground, strokeWidth: 4, paintOrder: "stroke" };
  return (
    <>
      <text {...halo} x={from + 6} y={y(middle) + (clashes ? 15 : -5)} fontWeight="700" fill={looks.brass}>
        {estimate.enoughEvidence
          ? say("timeline.ceilingGiveOrTake", { middle: bpm(middle), give: Math.round((high - low) / 2) })
          : say("timeline.ceilingAboutAGuessYet", { bpm: bpm(middle) })}
      </text>
      <text {...halo} x={to} y={y(target) + (above ? -5 : 14)} textAnchor="end" fill={looks.ink}>
        {say("timeline.target", { bpm: bpm(target) })}
      </text>
    </>
  );
}

function Outline({ timeline, scales, looks }: Layer) {
  return (
    <g fill="none" stroke={looks.soft} strokeWidth="1" strokeDasharray="3 3">
      {ridges(timeline.stretches).map((ridge) => (
        <path key={ridge[0]!.start} d={path(ridgeLine(ridge, scales))} />
      ))}
      {timeline.stretches
        .filter((stretch) => stretch.form === "BURST")
        .map((burst) => (
          <path key={burst.start} d={path(peak(burst, scales))} />
        ))}
    </g>
  );
}

function Ground({ timeline, scales, looks, hatch }: Layer & { hatch: string }) {
  const anyPlayed = timeline.stretches.some((stretch) => stretch.played);
  const faint = (stretch: Stretch) => anyPlayed && !stretch.played;
  return (
    <g strokeLinejoin="round">
      {ridges(timeline.stretches).map((ridge) => {
        const first = ridge[0]!;
        const warmUp = first.form === "WARM_UP";
        if (first.form === "PROBE") {
          return (
            <path
              key={first.start}
              d={path(ridgeLine(ridge, scales))}
              fill={faint(first) ? "none" : `url(#${hatch}-staff)`}
              stroke={looks.brass}
              strokeWidth="1.5"
            />
          );
        }
        return (
          <path
            key={first.start}
            d={path(ridgeLine(ridge, scales))}
            fill={looks.spruce}
            fillOpacity={warmUp || first.pulse === "FREE" ? (first.played ? 0.35 : 0.06) : faint(first) ? 0.22 : 0.92}
            stroke={looks.spruce}
            strokeWidth={warmUp ? 1.75 : 1.25}
            strokeDasharray={warmUp || first.pulse === "FREE" ? "1.5 4" : undefined}
            strokeLinecap={warmUp ? "round" : undefined}
          />
        );
      })}
      {timeline.stretches
        .filter((stretch) => stretch.form === "BURST")
        .map((burst) => (
          <path
            key={burst.start}
            d={`${path(peak(burst, scales))}Z`}
            fill={faint(burst) || burst.pulse === "FREE" ? "none" : `url(#${hatch})`}
            stroke={looks.burst}
            strokeWidth="1.25"
            strokeDasharray={burst.pulse === "FREE" ? "2 3" : undefined}
          />
        ))}
      {timeline.stretches
        .filter((stretch) => stretch.played && stretch.verdict === null && stretch.tempo !== null)
        .map((stretch) => (
          <Silence key={stretch.start} stretch={stretch} scales={scales} looks={looks} />
        ))}
      {timeline.stretches
        .filter((stretch) => stretch.verdict !== null)
        .map((stretch) => (
          <Verdict key={stretch.start} stretch={stretch} scales={scales} looks={looks} />
        ))}
    </g>
  );
}

function Verdict({ stretch, scales: { x, y }, looks }: { stretch: Stretch; scales: Scales; looks: Looks }) {
  const at = {
    x: x(stretch.start + stretch.countIn + (stretch.seconds - stretch.countIn) / 2),
    y: y(stretch.fastest ?? stretch.tempo!) - 7,
  };
  if (stretch.verdict === "BROKE") {
    return <path d={`M${at.x - 3} ${at.y - 3}l6 6m0 -6l-6 6`} stroke={looks.ink} strokeWidth="1.75" />;
  }
  const rough = stretch.verdict === "ROUGH";
  return (
    <circle
      cx={at.x}
      cy={at.y}
      r={rough ? 3 : 1.6}
      fill={rough ? "none" : looks.soft}
      stroke={rough ? looks.ink : "none"}
      strokeWidth="1.4"
    />
  );
}

/** A pass of which nothing was said: a dash where a verdict would be. */
function Silence({ stretch, scales: { x, y }, looks }: { stretch: Stretch; scales: Scales; looks: Looks }) {
  const middle = x(stretch.start + stretch.countIn + (stretch.seconds - stretch.countIn) / 2);
  return <path d={`M${middle - 3} ${y(stretch.tempo!) - 7}h6`} stroke={looks.soft} strokeWidth="1.25" />;
}

/** The ground line, broken where there is a rest. */
function BaseLine({ timeline, scales: { x, base }, to, looks }: Layer & { to: number }) {
  const lines: [number, number][] = [];
  let from = x(0);
  for (const rest of timeline.stretches.filter((stretch) => stretch.form === "REST")) {
    lines.push([from, x(rest.start)]);
    from = x(rest.start + rest.seconds);
  }
  lines.push([from, to]);
  return (
    <g stroke={looks.ink} strokeWidth="1.5">
      {lines.map(([left, right]) => (
        <line key={left} x1={left} x2={right} y1={base} y2={base} />
      ))}
    </g>
  );
}

function Playhead({ x, base, looks }: { x: number; base: number; looks: Looks }) {
  return (
    <g data-testid="playhead">
      <line x1={x} x2={x} y1={6} y2={base + 6} stroke={looks.ink} strokeWidth="2" />
      <path d={`M${x - 6} 0h12l-6 8z`} fill={looks.ink} />
    </g>
  );
}
