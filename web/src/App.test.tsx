// @vitest-environment jsdom
import { act, cleanup, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { App } from "./App";
import "./features/welcome/Welcome";
import { queryClient } from "./api/queries";
import { pretendServer } from "./test/server";
import { say } from "./words/say";

let away: boolean;

beforeEach(() => {
  vi.useFakeTimers();
  away = true;
  queryClient.clear();
  pretendServer({
    "GET /api/greeting": () => (away ? { status: 503, body: {} } : { body: { demo: false, speed: 1, restHours: 24 } }),
  });
});

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

test("a page that was opened while Tachylim was away is there as soon as Tachylim is", async () => {
  render(<App />);
  await later(10_000);
  expect(screen.getByRole("alert").textContent).toContain(say("common.noConnectionToTachylim"));
  away = false;
  await later(10_000);
  expect(screen.getByLabelText(say("welcome.name"))).toBeTruthy();
});

test("a page that is there stays when asking again fails", async () => {
  away = false;
  render(<App />);
  await later(1_000);
  away = true;
  void queryClient.invalidateQueries({ queryKey: ["greeting"] });
  await later(10_000);
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByLabelText(say("welcome.name"))).toBeTruthy();
});
