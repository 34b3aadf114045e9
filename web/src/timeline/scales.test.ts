import { describe, expect, it } from "vitest";
import { linear, logarithmic } from "./scales";

describe("a scale", () => {
  it("lays values out in proportion, also beyond its ends and upside down", () => {
    const y = linear([0, 10], [200, 100]);
    expect([0, 5, 10, 12].map(y)).toEqual([200, 150, 100, 80]);
    expect(y.invert(150)).toBe(5);
    expect(linear([3, 3], [7, 9])(3)).toBe(7);
  });

  it("of tempos goes by ratios", () => {
    const y = logarithmic([60, 240], [0, 100]);
    expect(y(60)).toBe(0);
    expect(y(120)).toBeCloseTo(50);
    expect(y(240)).toBeCloseTo(100);
    expect(y.invert(y(97))).toBeCloseTo(97);
    expect(y(160) - y(80)).toBeCloseTo(y(120) - y(60));
  });
});
