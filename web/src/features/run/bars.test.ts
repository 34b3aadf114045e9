import { describe, expect, it } from "vitest";
import { barAt, noteAt } from "./bars";

describe("where music is", () => {
  const bars = [0, 4, 8];

  it("is told by the beat", () => {
    expect(barAt(-3, bars, 12)).toBe(0);
    expect(barAt(0, bars, 12)).toBe(0);
    expect(barAt(3.99, bars, 12)).toBe(0);
    expect(barAt(4, bars, 12)).toBe(1);
    expect(barAt(11, bars, 12)).toBe(2);
  });

  it("begins again with each time round, after the rest of the last bar", () => {
    expect(barAt(12, bars, 12)).toBe(0);
    expect(barAt(29, bars, 12)).toBe(1);
  });

  it("knows a bar that a pickup leads to", () => {
    expect(barAt(0.5, [0, 1, 5], 8)).toBe(0);
    expect(barAt(1, [0, 1, 5], 8)).toBe(1);
  });
});

describe("a note by its beat", () => {
  // Two notes, then a rest of a beat, then three.
  const beatOf = [0, 0, 2, 2, 2];

  it("is found by its place in it", () => {
    expect(noteAt(beatOf, 1, 1)).toBe(0);
    expect(noteAt(beatOf, 1, 2)).toBe(1);
    expect(noteAt(beatOf, 3, 3)).toBe(4);
  });

  it("is none where there is none", () => {
    expect(noteAt(beatOf, 2, 1)).toBeUndefined();
    expect(noteAt(beatOf, 1, 3)).toBeUndefined();
    expect(noteAt(beatOf, 3, 4)).toBeUndefined();
    expect(noteAt(beatOf, 9, 1)).toBeUndefined();
    expect(noteAt(beatOf, 1, 0)).toBeUndefined();
  });
});
