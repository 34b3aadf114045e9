import { describe, expect, it, vi } from "vitest";
import { beatAt, type Click, samples, schedule, times } from "./clicks";

const programme: Click[] = [0, 1, 2, 3, 4].map((beat) => ({
  seconds: (beat * 60) / 132,
  kind: beat < 4 ? "COUNT_IN" : "ACCENT",
}));

function audio() {
  const starts: number[] = [];
  const stop = vi.fn();
  const node = { connect: (next: unknown) => next, gain: { value: 1 } };
  return {
    starts,
    stop,
    context: {
      sampleRate: 48_000,
      destination: {},
      createBuffer: () => ({ copyToChannel: () => undefined }),
      createGain: () => node,
      createBufferSource: () => ({
        connect: () => node,
        start: (time: number) => starts.push(time),
        stop,
        buffer: null,
      }),
    } as unknown as BaseAudioContext,
  };
}

describe("the click", () => {
  it("is scheduled at the programme's times, counted from the start", () => {
    const { context, starts } = audio();
    schedule(context, programme, 12.5);
    expect(starts).toHaveLength(5);
    starts.forEach((time, beat) => expect(time).toBeCloseTo(12.5 + (beat * 60) / 132, 9));
  });

  it("runs faster only by the server's test setting", () => {
    expect(times(programme, 0, 20)[4]).toBeCloseTo((4 * 60) / 132 / 20, 9);
  });

  it("can be silenced", () => {
    const { context, stop } = audio();
    schedule(context, programme, 0)();
    expect(stop).toHaveBeenCalledTimes(5);
  });

  it("is loudest at its first sample and dies away", () => {
    const data = samples(880, 48_000);
    expect(data[0]).toBe(1);
    expect(Math.max(...data.slice(1).map(Math.abs))).toBeLessThanOrEqual(1);
    expect(Math.abs(data.at(-1)!)).toBeLessThan(0.01);
  });

  it("knows where the beat is, from the count-in to the end", () => {
    expect(beatAt(0, 120, 4, 8).beat).toBe(-4);
    expect(beatAt(2, 120, 4, 8).beat).toBe(0);
    expect(beatAt(3.25, 120, 4, 8).beat).toBeCloseTo(2.5);
    expect(beatAt(6, 120, 4, 8).over).toBe(true);
    expect(beatAt(60, 120, 4, 8).beat).toBe(8);
  });
});
