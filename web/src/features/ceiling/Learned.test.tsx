// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { reason } from "../../test/reasons";
import Learned from "./Learned";

const item = (what: Schemas["LearnedDto"]["what"], learned: boolean): Schemas["LearnedDto"] => ({
  what,
  percent: 0.2134,
  low: 0.08,
  high: 0.33,
  learned,
  from: reason(`learned.${what}.${learned ? "from" : "usual"}`, { from: 12 }),
});

const asked = vi.fn<(request: Request) => void>();

beforeEach(() => {
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
  vi.stubGlobal("fetch", (request: Request) => {
    asked(request);
    return Promise.resolve(Response.json([item("GAIN", request.method === "GET"), item("TIRING", false)]));
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  asked.mockClear();
});

it("says what was learned with its interval, and forgets it once that is confirmed", async () => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Learned />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await screen.findByText("What ten minutes gain");
  expect(screen.getAllByText("0.21%")).toHaveLength(2);
  expect(screen.getAllByText("0.08% to 0.33%")).toHaveLength(2);
  // What is only usual has nothing to forget.
  expect(screen.getAllByRole("button", { name: /Forget/ })).toHaveLength(1);
  fireEvent.click(screen.getByRole("button", { name: "Forget: What ten minutes gain" }));
  fireEvent.click(screen.getByRole("button", { name: "Keep it" }));
  expect(asked.mock.calls.every(([request]) => request.method === "GET")).toBe(true);
  fireEvent.click(screen.getByRole("button", { name: "Forget: What ten minutes gain" }));
  fireEvent.click(screen.getByRole("button", { name: "Forget" }));
  await waitFor(() => {
    const sent = asked.mock.calls.map(([request]) => request).find((request) => request.method === "DELETE");
    expect(sent?.url).toMatch(/\/api\/learned\/GAIN$/);
  });
});
