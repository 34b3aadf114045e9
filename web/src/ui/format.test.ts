import { describe, expect, it } from "vitest";
import { bpm, clock, day, families, family, minutes, oneDecimal } from "./format";

describe("figures", () => {
  it("shows tempos as a metronome does", () => {
    expect(bpm(123.6)).toBe("124");
  });

  it("shows seconds as minutes and seconds", () => {
    expect(clock(65)).toBe("1:05");
    expect(clock(0)).toBe("0:00");
    expect(clock(-3)).toBe("0:00");
    expect(clock(59.7)).toBe("1:00");
  });

  it("rounds totals to minutes, but not to none", () => {
    expect(minutes(0)).toBe("0 min");
    expect(minutes(20)).toBe("under 1 min");
    expect(minutes(600)).toBe("10 min");
  });

  it("keeps one decimal where there is one", () => {
    expect(oneDecimal(40)).toBe("40");
    expect(oneDecimal(12.34)).toMatch(/^12[.,]3$/);
  });

  it("does not move a day by the time zone", () => {
    expect(day("2026-03-02", { day: "numeric" })).toContain("2");
    expect(day("2026-12-31", { day: "numeric" })).toContain("31");
  });

  it("names every family of instruments", () => {
    families.forEach((key) => expect(family(key)).not.toBe(key));
    expect(family("SOMETHING_NEW")).toBe("SOMETHING_NEW");
  });
});
