// @vitest-environment jsdom
import { NOTHING, reason } from "../../test/reasons";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { Strip } from "./Strip";

afterEach(cleanup);
beforeEach(() => {
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {}
      disconnect() {}
    },
  );
});

const day = (iso: string, minutes: number, part: Partial<Schemas["SeasonDayDto"]> = {}): Schemas["SeasonDayDto"] => ({
  day: iso,
  minutes,
  cap: 40,
  rule: "OWN",
  why: reason("cap.own", { minutes: 40 }),
  off: minutes === 0,
  asked: false,
  shares: minutes > 0 ? [{ passageId: 1, minutes }] : [],
  occasions: [],
  ...part,
});

const season: Schemas["SeasonView"] = {
  today: "2026-05-04",
  done: 0,
  past: [{ day: "2026-05-03", effort: 22 }],
  days: [
    day("2026-05-04", 30),
    day("2026-05-05", 0),
    day("2026-05-06", 20, { occasions: [reason("text", { words: "Recital" })] }),
  ],
  goals: [
    {
      passageId: 1,
      title: "Tin Roof Toccata",
      target: 120,
      ceiling: 100,
      neededOn: null,
      matters: "USUAL",
      sitting: 20,
      everyDays: 1,
      chance: null,
      prospect: null,
      likely: null,
      near: null,
      wants: null,
      offer: null,
      sentence: NOTHING,
    },
  ],
  daysOff: [],
  performances: [],
  feedSince: null,
};

function strip() {
  const onChoose = vi.fn();
  const onMove = vi.fn();
  render(
    <Strip
      season={season}
      patterns={new Map([[1, "solid"]])}
      chosen="2026-05-04"
      onChoose={onChoose}
      onMove={onMove}
    />,
  );
  return { onChoose, onMove, days: screen.getAllByRole("option") };
}

describe("the days of a season", () => {
  it("says of each what it holds", () => {
    const { days } = strip();
    expect(days).toHaveLength(3);
    expect(days[0]!.getAttribute("aria-label")).toContain("30 of 40 effort minutes; Tin Roof Toccata 30");
    expect(days[1]!.getAttribute("aria-label")).toContain("day off");
    expect(days[2]!.getAttribute("aria-label")).toContain("Recital");
    expect(days.map((one) => one.getAttribute("tabindex"))).toEqual(["0", "-1", "-1"]);
  });

  it("is walked through by arrow keys, and with shift a day's practice goes along", () => {
    const { days, onChoose, onMove } = strip();
    fireEvent.keyDown(days[0]!, { key: "ArrowRight" });
    expect(onChoose).toHaveBeenLastCalledWith("2026-05-05");
    expect(onMove).not.toHaveBeenCalled();
    fireEvent.keyDown(days[0]!, { key: "ArrowRight", shiftKey: true });
    expect(onMove).toHaveBeenCalledWith("2026-05-04", "2026-05-05");
    fireEvent.keyDown(days[0]!, { key: "ArrowLeft" });
    fireEvent.keyDown(days[0]!, { key: "a" });
    expect(onMove).toHaveBeenCalledOnce();
  });
});
