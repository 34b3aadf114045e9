import { linear } from "./scales";
import { NOTHING } from "../test/reasons";
import { describe, expect, it } from "vitest";
import {
  battlements,
  grounds,
  recoveryLine,
  ridgeLine,
  ridges,
  spire,
  stretchAt,
  tempoRange,
  tempoTicks,
  type TimelineData,
  type Stretch,
} from "./terrain";

function stretch(part: Partial<Stretch>): Stretch {
  return {
    form: "CONTROLLED",
    block: 0,
    start: 0,
    seconds: 10,
    countIn: 3,
    tempo: 80,
    fastest: null,
    pulse: "STEADY",
    counted: false,
    passes: 1,
    rest: null,
    played: false,
    verdict: null,
    tension: null,
    recoveryBefore: 1,
    recoveryAfter: 1,
    effortAfter: 1,
    why: NOTHING,
    ...part,
  };
}

const scales = { x: linear([0, 1], [0, 10]), y: linear([0, 200], [200, 0]), base: 200 };

describe("the terrain of a workout", () => {
  it("makes one ridge of passes that follow each other", () => {
    const rest = stretch({ form: "REST", tempo: null, start: 20 });
    const found = ridges([stretch({}), stretch({ start: 10 }), rest, stretch({ start: 40 })]);
    expect(found.map((ridge) => ridge.length)).toEqual([2, 1]);
  });

  it("keeps what was played apart from what is planned", () => {
    expect(ridges([stretch({ played: true }), stretch({ start: 10 })])).toHaveLength(2);
  });

  it("rises while counting in and stays level while playing", () => {
    const line = ridgeLine([stretch({})], scales);
    expect(line[0]).toEqual({ x: 0, y: 200 });
    expect(line[1]).toEqual({ x: 30, y: 120 });
    expect(line[2]).toEqual({ x: 60, y: 120 });
    expect(line.at(-1)).toEqual({ x: 100, y: 200 });
  });

  it("dips between passes without reaching the ground", () => {
    const dip = ridgeLine([stretch({}), stretch({ start: 10 })], scales)[3]!;
    expect(dip.y).toBeGreaterThan(120);
    expect(dip.y).toBeLessThan(200);
  });

  it("draws the shortest burst wide enough to be seen, with a notch", () => {
    const points = spire(stretch({ form: "BURST", seconds: 7.1, countIn: 3, tempo: 130 }), scales, 6);
    expect(points[3]!.x - points[1]!.x).toBeCloseTo(6);
    expect(points[2]!.y).toBeGreaterThan(points[1]!.y);
  });

  it("finds the step at a moment", () => {
    const steps = [stretch({}), stretch({ start: 10, tempo: 90 })];
    expect(stretchAt(steps, 12)?.tempo).toBe(90);
    expect(stretchAt(steps, 25)).toBeUndefined();
  });

  it("labels round tempos, fewer where there is less room", () => {
    expect(tempoTicks([58, 141], 9)).toEqual([60, 70, 80, 90, 100, 110, 120, 130, 140]);
    expect(tempoTicks([58, 141], 5)).toEqual([60, 80, 100, 120, 140]);
  });

  it("has room for the target and the band", () => {
    const band = (middle: number) => ({ low: middle - 5, middle, high: middle + 5 });
    const timeline = {
      target: 160,
      blocks: [],
      stretches: [stretch({})],
      estimate: { comfortable: band(100), ceiling: band(124), breakdown: band(140), enoughEvidence: true },
    } as unknown as TimelineData;
    const [low, high] = tempoRange(timeline);
    expect(low).toBeLessThan(80);
    expect(high).toBeGreaterThan(160);
  });

  it("follows the recovery from step to step", () => {
    expect(recoveryLine([stretch({ recoveryAfter: 0.4 })])).toEqual([
      { seconds: 0, level: 1 },
      { seconds: 10, level: 0.4 },
    ]);
  });

  it("draws a glide as a smooth ridge up to its top", () => {
    const line = ridgeLine([stretch({ pulse: "GLIDING", fastest: 120 })], scales);
    expect(Math.min(...line.map((point) => point.y))).toBeCloseTo(80);
    expect(line.length).toBeGreaterThan(12);
    expect(line.map((point) => point.x)).toEqual([...line.map((point) => point.x)].sort((a, b) => a - b));
  });

  it("draws a set as so many levels, a count as a comb, and switching as battlements", () => {
    const tops = (points: { y: number }[]) => points.filter((point) => point.y === 120).length;
    expect(tops(ridgeLine([stretch({ passes: 3, seconds: 30 })], scales))).toBe(6);
    expect(tops(ridgeLine([stretch({ counted: true, seconds: 60 })], scales))).toBeGreaterThan(20);
    expect(
      new Set(battlements(stretch({ pulse: "SWITCHING", seconds: 20 }), scales).map((point) => point.y)).size,
    ).toBe(3);
  });

  it("gives each section its own ceiling, and neighbours about the same one", () => {
    const block = (start: number, end: number, middle: number) => ({
      start,
      end,
      target: 138,
      estimate: { ceiling: { middle } },
    });
    const timeline = { blocks: [block(0, 10, 124), block(10, 30, 124), block(30, 30, 90), block(30, 50, 90)] };
    expect(grounds(timeline as unknown as TimelineData).map(({ start, end }) => [start, end])).toEqual([
      [0, 30],
      [30, 50],
    ]);
  });
});
