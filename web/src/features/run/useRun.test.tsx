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
/** A core for which every event is followed by the next pass; each event waits where a test says so. */
const page = vi.hoisted(() => ({ thinks: undefined as Promise<void> | undefined, asked: [] as string[] }));
vi.mock("../../core/core", () => {
  const moment = (why: string) => ({
    moment: JSON.stringify({ theme: 0, answered: null, step: { why, ended: null, pass: null } }),
    toHear: "",
  });
  const after = async (event: string) => {
    page.asked.push(event);
    await page.thinks;
    return moment(`after ${event}`);
  };
  return { core: { edition: async () => 7, begin: async () => moment("begun"), after, instead: after } };
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
type Kind = { kind: string };
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

/** A run that the page goes on with. */
async function carried() {
  const { run, ordinal } = opened();
  await answers(RUN, view(0));
  await answers(SCORE, score());
  await waitFor(() => expect(run().alone).toBe(true));
  return { run, ordinal };
}

/** The core thinks until what is given back is called. */
function thinking() {
  let thought = () => {};
  page.thinks = new Promise((resolve) => (thought = resolve));
  return thought;
}

beforeEach(() => {
  server.waiting.clear();
  page.thinks = undefined;
  page.asked.length = 0;
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
    await waitFor(() => expect(ordinal()).toBe(1));
    expect(run()).toMatchObject({ waiting: 1, settling: false });
  });

  it("takes one answer a step, while it is worked out what comes next, and the tension that goes with it", async () => {
    const { run, ordinal } = await carried();
    const thought = thinking();
    let clientId: string | undefined;
    act(() => void (clientId = run().send(clean)));
    act(() => expect(run().send(clean), "a key that was hit twice").toBeUndefined());
    act(() => void run().send({ ...clean, tension: 4 }, clientId));
    expect(ordinal()).toBe(0);
    await act(async () => thought());
    await waitFor(() => expect(run().view?.step.why).toContain('"tension":4'));
    expect(ordinal()).toBe(1);
    expect(waiting.all().map(({ event }) => [event.ordinal, event.tension])).toEqual([[0, 4]]);
    await waitFor(() => expect(run().send(clean), "the next step is answered again").toBeDefined());
  });

  it("ends whenever it is asked to", async () => {
    const { run } = await carried();
    const thought = thinking();
    act(() => void run().send(clean));
    act(() => expect(run().send({ ...clean, kind: "SYMPTOM", verdict: null })).toBeDefined());
    await act(async () => thought());
    await waitFor(() =>
      expect(page.asked.map((event) => (JSON.parse(event) as Kind).kind)).toEqual(["JUDGED", "SYMPTOM"]),
    );
  });

  it("leaves to the server what the page cannot work out", async () => {
    const { run, ordinal } = await carried();
    page.thinks = Promise.reject(new Error("The worker is gone"));
    act(() => void run().send(clean));
    await waitFor(() => expect(run()).toMatchObject({ alone: false, settling: true }));
    expect(ordinal()).toBe(0);
    page.thinks = undefined;
    await answers(EVENTS, view(1));
    await waitFor(() => expect(ordinal()).toBe(1));
  });

  it("waits for its own step where the server was faster", async () => {
    const { run, ordinal } = await carried();
    const thought = thinking();
    act(() => void run().send(clean));
    await answers(EVENTS, view(1));
    expect(ordinal()).toBe(0);
    await act(async () => thought());
    await waitFor(() => expect(ordinal()).toBe(1));
    expect(run().waiting).toBe(0);
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
    await waitFor(() => expect(ordinal(), "it goes on behind the answer").toBe(1));
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
