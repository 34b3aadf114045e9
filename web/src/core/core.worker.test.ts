import { expect, it, vi } from "vitest";

const asked: string[] = [];
vi.mock("tachylim-core", () => ({
  begin: (score: string) => (asked.push(score), "begun"),
  after: (event: string) => (asked.push(event), `after ${event}`),
  suppose: (event: string) => void asked.push(`suppose ${event}`),
  toHear: () => "notes",
}));
const told: unknown[] = [];

it("works out what may come only while nothing is asked", async () => {
  vi.useFakeTimers();
  vi.stubGlobal("postMessage", (reply: unknown) => told.push(reply));
  await import("./core.worker");
  const ask = (id: number, question: object) =>
    (onmessage as unknown as (event: object) => Promise<void>)({ data: { id, question } });
  await ask(1, { ask: "begin", score: "score" });
  await ask(2, { ask: "suppose", events: ["a", "b", "c"] });
  expect(asked).toEqual(["score"]);
  vi.advanceTimersToNextTimer();
  expect(asked).toEqual(["score", "suppose a"]);
  await ask(3, { ask: "after", event: "b" });
  vi.runAllTimers();
  expect(asked, "what was supposed of another step is let go").toEqual(["score", "suppose a", "b"]);
  expect(told).toEqual([
    { id: 1, told: { moment: "begun", toHear: "notes" } },
    { id: 2, told: "" },
    { id: 3, told: { moment: "after b", toHear: "notes" } },
  ]);
});
