import { describe, expect, it, vi } from "vitest";
import { placeAt, samples, schedule, tempoAt, times } from "./clicks";
import type { Click } from "./wishes";

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

  const steady = {
    tempo: 120,
    countIn: 4,
    seconds: 6,
    clicks: Array.from({ length: 12 }, (_, i) => ({ seconds: i / 2, kind: i < 4 ? "COUNT_IN" : "BEAT" }) as Click),
  };

  it("knows where the beat is, from the count-in to the end", () => {
    expect(placeAt(0, steady).beat).toBe(-4);
    expect(placeAt(2, steady)).toMatchObject({ beat: 0, share: 0 });
    expect(placeAt(3.25, steady).beat).toBeCloseTo(2.5);
    expect(placeAt(6, steady)).toEqual({ beat: 8, share: 1, over: true });
    expect(placeAt(60, steady).beat).toBe(8);
  });

  it("follows a click that gets faster, and says how fast it is", () => {
    const gliding = {
      ...steady,
      clicks: [
        ...steady.clicks.slice(0, 4),
        ...[2, 3, 3.5, 3.75].map((seconds) => ({ seconds, kind: "BEAT" }) as Click),
      ],
    };
    expect(placeAt(2.5, gliding).beat).toBeCloseTo(0.5);
    expect(placeAt(3.25, gliding).beat).toBeCloseTo(1.5);
    expect(tempoAt(2.5, gliding)).toBeCloseTo(60);
    expect(tempoAt(3.6, gliding)).toBeCloseTo(240);
    expect(tempoAt(9, gliding)).toBeCloseTo(240);
  });

  it("has only a clock where there is no click", () => {
    const free = { tempo: 60, countIn: 0, seconds: 30, clicks: [{ seconds: 30, kind: "CUE" } as Click] };
    expect(placeAt(15, free)).toMatchObject({ share: 0.5, over: false });
    expect(tempoAt(15, free)).toBe(60);
  });
});
