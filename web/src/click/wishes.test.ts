// @vitest-environment jsdom
import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../keep";
import { placeAt, tempoAt } from "./clicks";
import { audible, type Click, latencyBy, USUAL, wanted, wish, wishes } from "./wishes";

afterEach(() => ["cello", "flute"].forEach((name) => keep.removeItem(`tachylim.click.${name}`)));

/** A bar of four to count in, and four bars of four at 120, each beat divided in two. */
const pass = {
  tempo: 120,
  countIn: 4,
  seconds: 10,
  clicks: [
    ...[0, 1, 2, 3].map((beat) => ({ seconds: beat / 2, kind: "COUNT_IN" }) as Click),
    ...Array.from({ length: 16 }, (_, beat) => [
      { seconds: 2 + beat / 2, kind: beat % 4 === 0 ? "ACCENT" : "BEAT" } as Click,
      { seconds: 2.25 + beat / 2, kind: "SUBDIVISION" } as Click,
    ]).flat(),
  ],
};
const kinds = (clicks: Click[], kind: Click["kind"]) => clicks.filter((click) => click.kind === kind).length;

describe("the click as it is wanted", () => {
  it("is as it comes when nothing is wished", () => {
    expect(wanted(pass, USUAL)).toEqual(pass);
  });

  it("counts in for two bars, and everything comes a bar later", () => {
    const two = wanted(pass, { ...USUAL, bars: 2 });
    expect(two.countIn).toBe(8);
    expect(two.seconds).toBe(12);
    expect(kinds(two.clicks, "COUNT_IN")).toBe(8);
    expect(two.clicks.map((click) => click.seconds)).toEqual(
      [...two.clicks.map((c) => c.seconds)].sort((a, b) => a - b),
    );
    expect(two.clicks.find((click) => click.kind === "ACCENT")!.seconds).toBe(4);
  });

  it("leaves bars out, accents and subdivisions too", () => {
    const every = audible(pass.clicks, { ...USUAL, silence: "1-1" });
    expect(kinds(every, "ACCENT")).toBe(2);
    expect(kinds(every, "BEAT")).toBe(6);
    const plain = audible(pass.clicks, { ...USUAL, accents: false, subdivisions: false });
    expect(kinds(plain, "ACCENT") + kinds(plain, "SUBDIVISION")).toBe(0);
    expect(kinds(plain, "BEAT")).toBe(16);
    expect(audible(pass.clicks, USUAL)).toEqual(pass.clicks);
  });

  it("goes on to be seen, and keeps its tempo, where it is silent", () => {
    const here = wanted(pass, USUAL);
    expect(placeAt(5.25, here).beat).toBeCloseTo(6.5, 6);
    expect(tempoAt(5.25, here)).toBeCloseTo(120, 6);
  });

  it("is kept for each instrument, and nonsense is as usual", () => {
    wish("cello", { ...USUAL, sound: "bell", level: 0.3 });
    expect(wishes("cello")).toMatchObject({ sound: "bell", level: 0.3 });
    expect(wishes("flute")).toEqual(USUAL);
    keep.setItem("tachylim.click.flute", '{"sound":"gong","level":7,"bars":9,"latency":-3,"silence":"9"}');
    expect(wishes("flute")).toEqual({ ...USUAL, level: 1 });
    keep.setItem("tachylim.click.flute", "nonsense");
    expect(wishes("flute")).toEqual(USUAL);
  });
});

describe("the latency by tapping", () => {
  const clicks = [0, 1, 2, 3, 4, 5, 6, 7].map((beat) => beat * 0.6);
  it("is what most taps are late by", () => {
    const taps = clicks.map((click, i) => click + 0.09 + (i % 3) * 0.01);
    expect(latencyBy(taps, clicks)).toBeCloseTo(0.1, 2);
  });
  it("is not said when taps are few, or do not agree", () => {
    expect(latencyBy([0.1, 0.7], clicks)).toBeUndefined();
    expect(
      latencyBy(
        clicks.map((click, i) => click + (i % 2) * 0.28),
        clicks,
      ),
    ).toBeUndefined();
  });
  it("is none for taps that come early", () => {
    expect(
      latencyBy(
        clicks.map((click) => click - 0.03),
        clicks,
      ),
    ).toBe(0);
  });
});
