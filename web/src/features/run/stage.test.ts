import { describe, expect, it } from "vitest";
import { NOTHING_TOLD } from "./asks";
import { type Change, stageAfter, stageAt } from "./stage";

const after = (...changes: Change[]) => changes.reduce(stageAfter, stageAt(3, null));

const counted: Change = { is: "told", told: { ...NOTHING_TOLD, slips: 2 }, hint: "Once more." };

describe("the stage", () => {
  it("knows how much of its step was played, and of no other", () => {
    expect(after({ is: "played", ordinal: 3, played: "whole" }).played).toBe("whole");
    expect(after({ is: "played", ordinal: 2, played: "whole" }).played).toBe("no");
  });

  it("forgets what was played, told and hinted with the step, and holds what was said of tension for one pass", () => {
    const next = after(
      counted,
      { is: "played", ordinal: 3, played: "whole" },
      { is: "felt", tension: 4 },
      { is: "reached", ordinal: 4 },
    );
    expect(next).toEqual(stageAt(4, 4));
    expect(next.tension).toBeNull();
    const rested = stageAfter(next, { is: "reached", ordinal: 5 });
    expect(rested.before).toBe(4);
    const played = [
      { is: "played", ordinal: 5, played: "whole" } as const,
      { is: "reached", ordinal: 6 } as const,
    ].reduce(stageAfter, rested);
    expect(played).toEqual(stageAt(6, null));
  });

  it("takes what is said between two steps as said of the pass before", () => {
    expect(after({ is: "felt before", tension: 2 })).toEqual(stageAt(3, 2));
  });

  it("keeps everything when the step stays", () => {
    const told = after(counted, { is: "played", ordinal: 3, played: "whole" });
    expect(stageAfter(told, { is: "reached", ordinal: 3 })).toBe(told);
    expect(told).toMatchObject({ told: { slips: 2 }, hint: "Once more." });
  });

  it("takes a hint back when the pass is begun again or cut off", () => {
    expect(after(counted, { is: "played", ordinal: 3, played: "no" }).hint).toBe("");
    expect(after(counted, { is: "played", ordinal: 3, played: "cut" }).hint).toBe("");
  });

  it("keeps what lies over it until that is taken away, and how far the pass had come", () => {
    const paused = after({ is: "covered", over: "pause", paused: 5.5 }, { is: "reached", ordinal: 4 });
    expect(paused).toMatchObject({ over: "pause", paused: 5.5 });
    expect(stageAfter(paused, { is: "covered", over: "symptom" })).toMatchObject({ over: "symptom", paused: 5.5 });
    expect(stageAfter(paused, { is: "uncovered" }).over).toBeUndefined();
  });
});
