import { describe, expect, it } from "vitest";
import {
  reserveLine,
  ridgeLine,
  ridges,
  spire,
  stretchAt,
  tempoRange,
  tempoTicks,
  type ReliefData,
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
    rest: null,
    played: false,
    verdict: null,
    tension: null,
    reserveBefore: 1,
    reserveAfter: 1,
    effortAfter: 1,
    why: "",
    ...part,
  };
}

const scales = { x: (s: number) => s * 10, y: (tempo: number) => 200 - tempo, base: 200 };

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
    const relief = {
      target: 160,
      stretches: [stretch({})],
      estimate: { ease: band(100), ceiling: band(124), breakdown: band(140), enoughEvidence: true },
    } as ReliefData;
    const [low, high] = tempoRange(relief);
    expect(low).toBeLessThan(80);
    expect(high).toBeGreaterThan(160);
  });

  it("follows the reserve from step to step", () => {
    expect(reserveLine([stretch({ reserveAfter: 0.4 })])).toEqual([
      { seconds: 0, level: 1 },
      { seconds: 10, level: 0.4 },
    ]);
  });
});
