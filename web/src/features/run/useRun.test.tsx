// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

/** Answers of the server that a test gives when it wants to, by what they are asked for. */
const server = vi.hoisted(() => ({ waiting: new Map<string, (answer: object) => void>() }));
vi.mock("../../api/client", async (importOriginal) => {
  const asked = (method: string) => (path: string) =>
    new Promise((resolve) => server.waiting.set(`${method} ${path}`, (data) => resolve({ data })));
  return {
    ...(await importOriginal<object>()),
    api: { GET: asked("GET"), POST: asked("POST") },
    given: async (answer: Promise<{ data: unknown }>) => (await answer).data,
  };
});
/** A core for which every event is followed by the next pass. */
vi.mock("tachylim-core", () => {
  const moment = (why: string) => JSON.stringify({ theme: 0, answered: null, step: { why, ended: null } });
  return { edition: () => 7, begin: () => moment("begun"), after: (event: string) => moment(`after ${event}`) };
});

const { useRun } = await import("./useRun");
const { answers: waiting, runs } = await import("../../outbox/shelf");

const RUN = "GET /api/runs/{id}";
const SCORE = "GET /api/runs/{id}/score";
const EVENTS = "POST /api/runs/{id}/events";

const view = (ordinal: number) => ({
  id: 4,
  ordinal,
  held: true,
  theme: 0,
  step: { why: `step ${ordinal}`, ended: null },
});
const score = (events: object[] = []) => ({
  edition: 7,
  events,
  left: null,
  sections: [{ sectionId: 3, passageId: 2 }],
});
const clean = { kind: "JUDGED", verdict: "CLEAN", tension: 1, told: null, seconds: null } as const;

async function answers(to: string, what: object) {
  await waitFor(() => expect(server.waiting.has(to)).toBe(true));
  const answer = server.waiting.get(to)!;
  server.waiting.delete(to);
  await act(async () => answer(what));
}

function opened() {
  const { result } = renderHook(() => useRun("4"));
  const ordinal = () => result.current.view?.ordinal;
  return { run: () => result.current, ordinal };
}

beforeEach(() => {
  server.waiting.clear();
  waiting.clear();
  runs.clear();
});
afterEach(cleanup);

describe("a run on the page", () => {
  it("goes on by itself once it has the core", async () => {
    const { run, ordinal } = opened();
    await answers(RUN, view(0));
    await answers(SCORE, score());
    await waitFor(() => expect(run().alone).toBe(true));
    act(() => void run().send(clean));
    expect(ordinal()).toBe(1);
    expect(run()).toMatchObject({ waiting: 1, settling: false });
  });

  it("waits for the server before it has the core", async () => {
    const { run, ordinal } = opened();
    await answers(RUN, view(0));
    act(() => void run().send(clean));
    expect(ordinal()).toBe(0);
    expect(run().settling).toBe(true);
    await answers(EVENTS, view(1));
    expect(ordinal()).toBe(1);
    expect(run().settling).toBe(false);
  });

  it("asks nothing again that was answered while the core was on its way", async () => {
    const { run, ordinal } = opened();
    await answers(RUN, view(0));
    act(() => void run().send(clean));
    await answers(SCORE, score());
    await waitFor(() => expect(run().alone).toBe(true));
    expect(ordinal(), "it goes on behind the answer").toBe(1);
    expect(run()).toMatchObject({ waiting: 1, settling: false });
    await answers(EVENTS, { ...view(1), step: run().view!.step });
    expect(ordinal()).toBe(1);
    expect(run()).toMatchObject({ waiting: 0, alone: true });
  });

  it("goes on in place of a window that was closed with answers waiting", async () => {
    const { EventQueue } = await import("../../outbox/queue");
    new EventQueue("4").add({ ...clean, clientId: "a", holder: "closed", ordinal: 0, secondsAgo: null });
    const { run, ordinal } = opened();
    await answers(EVENTS, { ...view(1), held: true });
    await answers(RUN, { ...view(1), held: false });
    await answers("POST /api/runs/{id}/holder", view(1));
    await waitFor(() => expect(run().link).toBe("ok"));
    expect(ordinal()).toBe(1);
  });

  it("goes on in place of a window that was closed here with nothing waiting", async () => {
    runs.put({ id: "4", view: {} as never, score: {} as never, holder: "closed", begunAt: null, over: false });
    const { run } = opened();
    await answers(RUN, { ...view(1), held: false });
    await answers(RUN, { ...view(1), held: true });
    await answers("POST /api/runs/{id}/holder", view(1));
    await waitFor(() => expect(run().link).toBe("ok"));
  });

  it("asks before it goes on in place of one that is open", async () => {
    const { run } = opened();
    await answers(RUN, { ...view(1), held: false });
    await waitFor(() => expect(run().link).toBe("elsewhere"));
    expect(server.waiting.has("POST /api/runs/{id}/holder")).toBe(false);
  });
});
