import type { Scale } from "./scales";
import type { Schemas } from "../api/client";

export type TimelineData = Schemas["Timeline"];
export type Stretch = Schemas["StretchDto"];

/** Passes follow each other with this much time to answer, during which the ground dips. */
const ANSWER_SECONDS = 4;

/** How far the ground dips between two passes, as a share of the lower one's height. */
const SADDLE = 0.62;

export interface Point {
  x: number;
  y: number;
}

export interface Scales {
  x: Scale;
  y: Scale;
  base: number;
}

/** The tempos the timeline has to show: everything played, the band and the target, with some air. */
export function tempoRange(timeline: TimelineData): [number, number] {
  const tempos = timeline.stretches.flatMap(({ tempo, fastest }) => [tempo, fastest]).filter((tempo) => tempo !== null);
  const about = timeline.blocks.filter((block) => block.end > block.start);
  const low = Math.min(...tempos, timeline.estimate.comfortable.middle);
  const high = Math.max(
    ...tempos,
    timeline.target,
    timeline.estimate.ceiling.high,
    ...about.flatMap(({ target, estimate }) => [target, estimate.ceiling.high]),
  );
  return [low * 0.8, high * 1.07];
}

/** Round tempos to label, about as many as fit. */
export function tempoTicks([low, high]: [number, number], most: number): number[] {
  for (const step of [10, 20, 40, 80]) {
    const ticks = [];
    for (let tempo = Math.ceil(low / step) * step; tempo <= high; tempo += step) ticks.push(tempo);
    if (ticks.length <= most) return ticks;
  }
  return [];
}

const isGround = (stretch: Stretch) => stretch.form !== "REST" && stretch.form !== "BURST";

/** Passes that follow each other without a rest or a burst between: one ridge. */
export function ridges(stretches: Stretch[]): Stretch[][] {
  const found: Stretch[][] = [];
  let ridge: Stretch[] = [];
  for (const stretch of stretches) {
    const before = ridge.at(-1);
    const joins =
      before &&
      isGround(stretch) &&
      before.form === stretch.form &&
      before.block === stretch.block &&
      before.played === stretch.played;
    if (before && !joins) {
      found.push(ridge);
      ridge = [];
    }
    if (isGround(stretch)) ridge.push(stretch);
  }
  if (ridge.length > 0) found.push(ridge);
  return found;
}

/** The outline of a ridge: up while counting in, level while playing, a dip between passes. */
export function ridgeLine(ridge: Stretch[], { x, y, base }: Scales): Point[] {
  const line: Point[] = [];
  ridge.forEach((stretch, i) => {
    const top = y(stretch.tempo!);
    const from = stretch.start;
    const to = stretch.start + stretch.seconds;
    if (i === 0) line.push({ x: x(from), y: base });
    line.push(...topLine(stretch, x(from + stretch.countIn), x(Math.max(from, to - ANSWER_SECONDS)), y));
    const next = ridge[i + 1];
    const dip = next ? base - SADDLE * (base - Math.max(top, y(next.tempo!))) : base;
    line.push({ x: x(to), y: dip });
  });
  return line;
}

/** So many points make a glide look smooth. */
const GLIDE_POINTS = 16;

/** How deep the teeth of a comb and the notches of a set are, in pixels. */
const TOOTH = 7;
const NOTCH = 4;

/** The line along the top of a stretch: level, a smooth ridge, a comb, or as many levels as passes were played at once. */
function topLine(stretch: Stretch, left: number, right: number, y: Scales["y"]): Point[] {
  const top = y(stretch.tempo!);
  const width = right - left;
  if (stretch.pulse === "GLIDING") {
    const ratio = (stretch.fastest ?? stretch.tempo!) / stretch.tempo!;
    return Array.from({ length: GLIDE_POINTS + 1 }, (_, i) => {
      const there = Math.min(1, (2.2 * Math.min(i, GLIDE_POINTS - i)) / GLIDE_POINTS);
      return { x: left + (i / GLIDE_POINTS) * width, y: y(stretch.tempo! * Math.pow(ratio, there)) };
    });
  }
  if (stretch.counted) {
    const teeth = Math.max(2, Math.floor(width / TOOTH));
    return Array.from({ length: 2 * teeth }, (_, i) => ({
      x: left + (i / (2 * teeth - 1)) * width,
      y: top + (i % 2) * TOOTH,
    }));
  }
  if (stretch.passes > 1 && width / stretch.passes > NOTCH) {
    return Array.from({ length: stretch.passes }, (_, i) => {
      const from = left + (i / stretch.passes) * width;
      const to = left + ((i + 1) / stretch.passes) * width;
      const notch = i < stretch.passes - 1 ? [{ x: to, y: top + NOTCH }] : [];
      return [{ x: from, y: top }, { x: to, y: top }, ...notch];
    }).flat();
  }
  return [
    { x: left, y: top },
    { x: right, y: top },
  ];
}

/** Slow notes and quick ones on one click: a plateau with battlements. */
export function battlements(stretch: Stretch, { x, y, base }: Scales): Point[] {
  const left = x(stretch.start + stretch.countIn);
  const right = Math.max(left + TOOTH * 2, x(stretch.start + stretch.seconds - ANSWER_SECONDS));
  const top = y(stretch.tempo!);
  const teeth = Math.max(2, Math.floor((right - left) / (2 * TOOTH)));
  const steps = 2 * teeth - 1;
  const line = Array.from({ length: steps }, (_, i) => {
    const level = top + (i % 2) * TOOTH;
    return [
      { x: left + (i / steps) * (right - left), y: level },
      { x: left + ((i + 1) / steps) * (right - left), y: level },
    ];
  }).flat();
  return [{ x: left, y: base }, ...line, { x: right, y: base }];
}

/** What a stretch above the ceiling looks like. */
export const peak = (stretch: Stretch, scales: Scales) =>
  stretch.pulse === "SWITCHING" ? battlements(stretch, scales) : spire(stretch, scales);

/** Blocks next to each other about the same music: they have one ceiling and one target. */
export function grounds(timeline: TimelineData) {
  const found: { start: number; end: number; block: TimelineData["blocks"][number] }[] = [];
  for (const block of timeline.blocks.filter((one) => one.end > one.start)) {
    const last = found.at(-1);
    if (
      last &&
      last.block.target === block.target &&
      last.block.estimate.ceiling.middle === block.estimate.ceiling.middle
    )
      last.end = block.end;
    else found.push({ start: block.start, end: block.end, block });
  }
  return found;
}

/** A burst: a narrow spire with a notched top, wide enough to be seen however short it is. */
export function spire(stretch: Stretch, { x, y, base }: Scales, least = 6): Point[] {
  const left = x(stretch.start + stretch.countIn);
  const right = x(stretch.start + stretch.seconds - ANSWER_SECONDS);
  const middle = (left + right) / 2;
  const half = Math.max(least, right - left) / 2;
  const top = y(stretch.tempo!);
  return [
    { x: middle - half * 1.35, y: base },
    { x: middle - half, y: top },
    { x: middle, y: top + half * 1.5 },
    { x: middle + half, y: top },
    { x: middle + half * 1.35, y: base },
  ];
}

export const path = (points: Point[]) =>
  points.map((point, i) => `${i === 0 ? "M" : "L"}${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join("");

/** The recovery over time: one value at each end of each step. */
export function recoveryLine(stretches: Stretch[]): { seconds: number; level: number }[] {
  return stretches.flatMap((stretch) => [
    { seconds: stretch.start, level: stretch.recoveryBefore },
    { seconds: stretch.start + stretch.seconds, level: stretch.recoveryAfter },
  ]);
}

/** The stretch that a moment lies in. */
export function stretchAt(stretches: Stretch[], seconds: number): Stretch | undefined {
  return stretches.find((stretch) => seconds >= stretch.start && seconds < stretch.start + stretch.seconds);
}
