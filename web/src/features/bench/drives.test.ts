import { describe, expect, it } from "vitest";
import { drives } from "./drives";

describe("the transitions a variation drives, in words", () => {
  it("names the notes on both sides as players count them", () => {
    expect(drives([0, 3])).toBe("drives 1–2, 4–5");
  });

  it("names a few and counts the rest", () => {
    expect(drives([0, 1, 2, 3, 4, 5, 6])).toBe("drives 1–2, 2–3, 3–4, 4–5, 5–6 and 2 more");
  });

  it("says so when there is none", () => {
    expect(drives([])).toBe("drives no transition by itself");
  });
});
