import { describe, expect, it } from "vitest";
import { spacing, stacked } from "./strips";

const tried = (tempo: number, clean: number, rough = 0, broke = 0) => ({
  tempo,
  kind: "CONTROLLED" as const,
  clean,
  rough,
  broke,
});

describe("passes around the curve", () => {
  it("gives every pass a mark of its own", () => {
    const tries = [tried(100, 3, 1), tried(120, 2, 0, 2)];
    expect(stacked(tries, (tempo) => tempo, ["clean"])).toHaveLength(5);
    expect(stacked(tries, (tempo) => tempo, ["rough", "broke"])).toHaveLength(3);
  });

  it("stacks those at one place and leaves no two on each other", () => {
    const marks = stacked([tried(100, 3), tried(101, 2)], (tempo) => tempo, ["clean"]);
    expect(new Set(marks.map((mark) => `${mark.x} ${mark.rank}`)).size).toBe(5);
  });

  it("draws a high stack closer so that it fits", () => {
    const marks = stacked([tried(100, 20)], (tempo) => tempo, ["clean"]);
    expect(spacing(marks, 40, 6)).toBe(2);
    expect(spacing(marks.slice(0, 2), 40, 6)).toBe(6);
  });
});
