import { describe, expect, it } from "vitest";
import { lineOf } from "./useLine";

const note = (beat: number) => ({ beat, beats: 0.5, pitches: [60] });

describe("a line to try", () => {
  it("is the beginning of what is to be heard, once through and from its first note on", () => {
    const notes = Array.from({ length: 12 }, (_, i) => note(2 + i));
    const line = lineOf({ ask: "SET", of: 3, tempo: 80, notes: 12, bars: [], beats: [], passes: [notes, notes] });
    expect(line).toMatchObject({ ask: "VERDICT", of: 1, tempo: 80, notes: 8 });
    expect(line.passes).toHaveLength(1);
    expect(line.passes[0]!.map(({ beat }) => beat)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
  });

  it("has no more notes than can be looked at, and no second round", () => {
    const quick = Array.from({ length: 40 }, (_, i) => note(i / 8));
    expect(lineOf({ ask: "VERDICT", of: 1, tempo: 80, notes: 40, bars: [], beats: [], passes: [quick] }).notes).toBe(
      16,
    );
    expect(lineOf({ ask: "VERDICT", of: 1, tempo: 80, notes: 3, bars: [], beats: [], passes: [quick] }).notes).toBe(3);
    expect(lineOf({ ask: "VERDICT", of: 1, tempo: 80, notes: 3, bars: [], beats: [], passes: [] }).notes).toBe(0);
  });
});
