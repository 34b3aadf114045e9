import { describe, expect, it } from "vitest";
import type { Heard, Measured } from "./heard";
import { because, told } from "./reasons";

const measured = (why: Measured["why"], where: number): Measured => ({
  verdict: "BROKE",
  why,
  where,
  transitions: [],
  missing: [],
  evenness: null,
  tempoRatio: 1,
  late: null,
  edition: 1,
});

const round = { round: 3, bars: [1, 1, 2], beats: [1, 2, 1] };

describe("why a pass broke", () => {
  it("is told with its bar and its beat", () => {
    expect(because(measured("STOPPED", 2), round)).toBe("stopped before note 3 (bar 2, beat 1)");
  });

  it("counts the rounds of a pass", () => {
    expect(because(measured("WENT_BACK", 4), round)).toBe("went back to note 2 the 2nd time (bar 1, beat 2)");
  });

  it("does without them in what was kept before", () => {
    expect(because(measured("STOPPED", 2), { round: 3 })).toBe("stopped before note 3");
  });
});

describe("what was heard of a step", () => {
  const heard = (sure?: number) => ({
    takes: [{ measured: measured("STOPPED", 2), onsets: [], wrong: [], ...(sure !== undefined && { sure }) }],
    suggested: null,
  });

  it("says how sure that is", () => {
    expect(told(heard(0.7) as unknown as Heard, round)).toMatch(/stopped before note 3 \(bar 2, beat 1\), 70% sure$/);
  });

  it("says nothing of it where it is certain, or where nobody counted", () => {
    for (const sure of [1, 0, undefined]) {
      expect(told(heard(sure) as unknown as Heard, round)).toMatch(/beat 1\)$/);
    }
  });
});
