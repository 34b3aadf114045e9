import { describe, expect, it } from "vitest";
import { sameClock } from "./Home";

describe("two zones", () => {
  it.each([
    ["UTC", "Etc/UTC", true],
    ["Europe/Lisbon", "Europe/London", true],
    ["Europe/Lisbon", "Africa/Abidjan", false],
    ["Europe/Lisbon", "Asia/Tokyo", false],
  ])("%s and %s show the same time: %s", (one, other, same) => {
    expect(sameClock(one, other, Date.UTC(2026, 0, 10))).toBe(same);
  });

  it("that the browser does not know are compared by name", () => {
    expect(sameClock("Moon/Crater", "Moon/Crater")).toBe(true);
    expect(sameClock("Moon/Crater", "UTC")).toBe(false);
  });
});
