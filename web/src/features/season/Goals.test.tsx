// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { NOTHING } from "../../test/reasons";
import { Goals } from "./Goals";

afterEach(cleanup);

const goal: Schemas["GoalDto"] = {
  passageId: 7,
  title: "Tin Roof Toccata",
  target: 138,
  ceiling: 104,
  neededOn: "2027-01-20",
  matters: "USUAL",
  sitting: 6,
  everyDays: 2,
  chance: 0.02,
  prospect: "UNLIKELY",
  likely: 108,
  near: null,
  wants: null,
  offer: { tempo: 109, date: "2027-05-02" },
  sentence: NOTHING,
};

function shown(part: Partial<Schemas["GoalDto"]> = {}) {
  const onAim = vi.fn();
  render(
    <MemoryRouter>
      <Goals
        season={{
          today: "2026-12-01",
          done: 0,
          past: [],
          days: [],
          goals: [{ ...goal, ...part }],
          daysOff: [],
          performances: [],
          feedSince: null,
        }}
        patterns={new Map()}
        pending={false}
        onAim={onAim}
      />
    </MemoryRouter>,
  );
  return onAim;
}

it("offers a tempo within reach and a later date, each by one press", () => {
  const onAim = shown();
  fireEvent.click(screen.getByRole("button", { name: /109 BPM/ }));
  expect(onAim).toHaveBeenLastCalledWith(7, { matters: null, targetBpm: 109, neededOn: null });
  fireEvent.click(screen.getByRole("button", { name: /138 BPM/ }));
  expect(onAim).toHaveBeenLastCalledWith(7, { matters: null, targetBpm: null, neededOn: "2027-05-02" });
});

it("offers nothing where the target may be reached, or nothing else is likely either", () => {
  shown({ offer: null });
  expect(screen.queryByRole("button")).toBeNull();
  cleanup();
  shown({ offer: { tempo: null, date: null } });
  expect(screen.queryByRole("button")).toBeNull();
});

it("is told how much a passage matters", () => {
  const onAim = shown();
  fireEvent.change(screen.getByRole("combobox", { name: "How much Tin Roof Toccata matters" }), {
    target: { value: "MOST" },
  });
  expect(onAim).toHaveBeenLastCalledWith(7, { matters: "MOST", targetBpm: null, neededOn: null });
});
