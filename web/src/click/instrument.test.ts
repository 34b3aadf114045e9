import { describe, expect, it } from "vitest";
import { frequency, sounding } from "./instrument";

describe("the struck bar", () => {
  it("is tuned to 440 hertz", () => {
    expect(frequency(69)).toBe(440);
    expect(frequency(81)).toBe(880);
    expect(frequency(60)).toBeCloseTo(261.63, 2);
  });

  it("lights the notes that sound, and none before or after", () => {
    const notes = [
      { seconds: 2, lasts: 0.5, keys: [60], accent: false },
      { seconds: 2.5, lasts: 0.5, keys: [62], accent: false },
      { seconds: 3, lasts: 0.01, keys: [64], accent: true },
    ];
    expect(sounding(notes, 1.99)).toEqual([]);
    expect(sounding(notes, 2.2)).toEqual([0]);
    expect(sounding(notes, 2.5)).toEqual([1]);
    expect(sounding(notes, 3.05)).toEqual([2]);
    expect(sounding(notes, 4)).toEqual([]);
  });
});
