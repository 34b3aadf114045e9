import { describe, expect, it } from "vitest";
import { trains } from "./trains";

describe("the transitions a variation trains, in words", () => {
  it("names the notes on both sides as players count them", () => {
    expect(trains([0, 3])).toBe("trains 1–2, 4–5");
  });

  it("names a few and counts the rest", () => {
    expect(trains([0, 1, 2, 3, 4, 5, 6])).toBe("trains 1–2, 2–3, 3–4, 4–5, 5–6 and 2 more");
  });

  it("says so when there is none", () => {
    expect(trains([])).toBe("trains no transition by itself");
  });
});
