import { beforeEach, describe, expect, it, vi } from "vitest";
import { NoConnection, Problem } from "../api/client";

const post = vi.hoisted(() => vi.fn());
const get = vi.hoisted(() => vi.fn());
vi.mock("../api/client", async (original) => ({
  ...(await original<typeof import("../api/client")>()),
  api: { POST: post, GET: get },
  given: (call: Promise<unknown>) => call,
}));
vi.mock("./windowId", () => ({ windowId: () => "w" }));

const { fate, sendLeft, sendQueued } = await import("./answers");
const { waitBefore } = await import("./patience");
const { waiting } = await import("./waiting");
const { answers, counts, runs, symptoms } = await import("./shelf");
const { sendEverything } = await import("./outbox");
const { noteCount, sendCounts } = await import("./counts");
const { noteSymptom } = await import("./symptoms");
const { EventQueue } = await import("./queue");
const { numberOf } = await import("./runs");

const answer = (clientId: string, kind: "JUDGED" | "STOPPED" = "JUDGED") =>
  ({
    clientId,
    holder: "w",
    ordinal: 0,
    kind,
    verdict: "CLEAN",
    tension: 1,
    told: null,
    seconds: null,
    secondsAgo: null,
  }) as const;

const refusal = (status: number, code?: string) => new Problem(status, "No.", { code });

const kept = (ids: string[], over = false, tension = 1) => ({
  over,
  answers: ids.map((clientId) => ({ clientId, tension })),
});

const sent = (tension = 1) => ({ id: "a", run: "7", event: { ...answer("a"), tension }, madeAt: 0, revision: 1 });

beforeEach(() => [answers, counts, runs, symptoms].forEach((shelf) => shelf.clear()));

describe("what a no comes to", () => {
  it.each([
    ["nothing stands there yet", sent(), "out-of-step", kept([]), "open"],
    ["something else stands there", sent(), "out-of-step", kept(["b"]), "refused"],
    ["it stands there itself", sent(), "out-of-step", kept(["a", "b"]), "kept"],
    ["the run is over without it", sent(), "over", kept([], true), "refused"],
    ["the run is over and it is in it", sent(), "over", kept(["a"], true), "kept"],
    ["its tension was to be put right and something has followed", sent(4), "too-late", kept(["a", "b"]), "refused"],
    ["its tension was to be put right and nothing has followed", sent(4), "too-late", kept(["a"]), "open"],
  ] as const)("%s", (_case, queued, code, heard, what) => {
    expect(fate(queued, refusal(409, code), heard)).toBe(what);
  });

  it("is final for what can never be taken", () => {
    expect(fate(sent(), refusal(422), kept([]))).toBe("refused");
  });
});

describe("what is on its way", () => {
  beforeEach(() => {
    post.mockReset();
    get.mockReset();
  });

  it.each([
    new NoConnection(),
    refusal(500),
    refusal(503),
    refusal(429),
    refusal(409, "changed"),
    refusal(409, "too-soon"),
  ])("stays where nothing was decided: %s", async (error) => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    post.mockRejectedValueOnce(error);
    await expect(sendQueued("7", queue)).rejects.toBe(error);
    expect(queue.all()).toHaveLength(1);
    expect(get).not.toHaveBeenCalled();
  });

  it("stays when there is no answer, and goes when there is one", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    post.mockRejectedValueOnce(refusal(500));
    await expect(sendQueued("7", queue)).rejects.toThrow();
    expect(queue.all()).toHaveLength(1);
    post.mockResolvedValueOnce({ id: 7 });
    expect((await sendQueued("7", queue)).view).toEqual({ id: 7 });
    expect(queue.all()).toHaveLength(0);
  });

  it("stays where a no comes from a server that is behind", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    post.mockRejectedValueOnce(refusal(409, "out-of-step"));
    get.mockResolvedValueOnce(kept([]));
    await expect(sendQueued("7", queue)).rejects.toThrow("No.");
    expect(queue.all()).toHaveLength(1);
  });

  it("stays where it cannot be asked what a no was said of", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    post.mockRejectedValueOnce(refusal(409, "over"));
    get.mockRejectedValueOnce(new NoConnection());
    await expect(sendQueued("7", queue)).rejects.toThrow();
    expect(queue.all()).toHaveLength(1);
  });

  it("goes without a word where it was taken all the same", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    post.mockRejectedValueOnce(refusal(409, "over"));
    get.mockResolvedValueOnce(kept(["a"], true));
    expect((await sendQueued("7", queue)).refused).toEqual([]);
    expect(queue.all()).toHaveLength(0);
  });

  it("does not wait for ever behind an answer that was refused, also when the connection went in between", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    queue.add({ ...answer("b"), ordinal: 1 });
    post.mockRejectedValueOnce(refusal(422)).mockRejectedValueOnce(new NoConnection());
    get.mockResolvedValue(kept([]));
    await expect(sendQueued("7", queue)).rejects.toThrow();
    expect(queue.all()).toHaveLength(1);
    post.mockRejectedValueOnce(refusal(409, "out-of-step"));
    expect((await sendQueued("7", queue)).refused).toEqual(["No."]);
    expect(queue.all()).toHaveLength(0);
  });

  it("says what was refused for good, and goes on with the rest", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    queue.add(answer("b"));
    get.mockResolvedValueOnce(kept(["other"]));
    post.mockRejectedValueOnce(refusal(409, "over")).mockResolvedValueOnce({ id: 7 });
    expect((await sendQueued("7", queue)).refused).toEqual(["No."]);
    expect(post).toHaveBeenCalledTimes(2);
  });

  it("goes of every run, also past one that cannot be reached", async () => {
    new EventQueue("1").add(answer("a"));
    new EventQueue("2").add(answer("b", "STOPPED"));
    noteSymptom();
    post.mockImplementation((_path: string, wish?: { params?: { path: { id: number } } }) =>
      wish?.params?.path.id === 1 ? Promise.reject(refusal(404)) : Promise.resolve({}),
    );
    await expect(sendEverything()).rejects.toThrow();
    expect(EventQueue.runs()).toEqual(["1"]);
    expect(post.mock.calls.map((call) => call[0] as string)).toContain("/api/symptoms");
    expect(symptoms.all()).toEqual([]);
  });

  it("waits longer each time, and as long as it is told", () => {
    expect(waitBefore(1, refusal(500))).toBeGreaterThan(waitBefore(0, refusal(500)));
    expect(waitBefore(30, refusal(500))).toBe(20_000);
    expect(waitBefore(0, new Problem(409, "", { code: "too-soon", seconds: 3 }))).toBe(3_100);
  });
});

describe("what was answered in a window that is closed", () => {
  beforeEach(() => {
    post.mockReset();
    get.mockReset();
  });

  const holders = () =>
    post.mock.calls.map(([path, wish]) => [path, (wish as { body: { holder: string } }).body.holder]);

  const left = () => {
    const queue = new EventQueue("7");
    queue.add({ ...answer("a"), holder: "closed" });
    return queue;
  };

  it("is sent in its name, as long as that holds the run", async () => {
    const queue = left();
    post.mockRejectedValueOnce(refusal(409, "taken-over")).mockResolvedValueOnce({ id: 7 });
    await sendQueued("7", queue);
    expect(holders()).toEqual([
      ["/api/runs/{id}/events", "w"],
      ["/api/runs/{id}/events", "closed"],
    ]);
    expect(queue.all()).toEqual([]);
  });

  it("is sent in the name of the window before where this one went on without a network", async () => {
    const queue = new EventQueue("7");
    queue.add(answer("a"));
    runs.put({ id: "7", view: {} as never, score: {} as never, holder: "closed", begunAt: null, over: false });
    post.mockRejectedValueOnce(refusal(409, "taken-over")).mockResolvedValueOnce({ id: 7 });
    await sendQueued("7", queue);
    expect(holders()).toEqual([
      ["/api/runs/{id}/events", "w"],
      ["/api/runs/{id}/events", "closed"],
    ]);
  });

  it("is taken over where another window has and did not go on", async () => {
    const queue = left();
    post
      .mockRejectedValueOnce(refusal(409, "taken-over"))
      .mockRejectedValueOnce(refusal(409, "taken-over"))
      .mockResolvedValueOnce({ id: 7 })
      .mockResolvedValueOnce({ id: 7 });
    expect((await sendLeft("7", queue)).refused).toEqual([]);
    expect(holders().slice(2)).toEqual([
      ["/api/runs/{id}/holder", "w"],
      ["/api/runs/{id}/events", "w"],
    ]);
    expect(queue.all()).toEqual([]);
  });

  it("takes nothing over where the workout went on elsewhere, and says what was refused", async () => {
    const queue = left();
    post.mockRejectedValueOnce(refusal(409, "out-of-step"));
    get.mockResolvedValueOnce(kept(["other"]));
    expect((await sendLeft("7", queue)).refused).toEqual(["No."]);
    expect(holders()).toEqual([["/api/runs/{id}/events", "w"]]);
  });

  it("is let go, and said, once its workout is surely gone", async () => {
    left();
    post.mockRejectedValue(refusal(404));
    for (let i = 0; i < 4; i++) await expect(sendEverything()).rejects.toThrow();
    expect(waiting()).toBe(1);
    expect(await sendEverything()).toEqual([expect.stringContaining("One answer")]);
    expect(waiting()).toBe(0);
  });

  it("is counted with symptoms and changes that wait", () => {
    left();
    noteSymptom();
    noteCount(7, 60, 41);
    expect(waiting()).toBe(3);
  });
});

describe("a workout that was begun without a network", () => {
  beforeEach(() => {
    post.mockReset();
  });

  const secondsAgo = () => (post.mock.calls[0] as [string, { body: { secondsAgo: number } }])[1].body.secondsAgo;

  it("is begun on the server when it was, and asked for once", async () => {
    const begunAt = Date.now() - 60_000;
    runs.put({ id: "packed-14", view: {} as never, score: {} as never, holder: "w", begunAt, over: false });
    post.mockResolvedValue({ id: 7 });
    expect([await numberOf("packed-14"), await numberOf("packed-14")]).toEqual([7, 7]);
    expect(post).toHaveBeenCalledTimes(1);
    expect(secondsAgo()).toBeCloseTo(60, 0);
  });

  it("was begun no later than it was answered, where that is all that is known", async () => {
    new EventQueue("packed-15").add(answer("a"), undefined, Date.now() - 120_000);
    post.mockResolvedValue({ id: 8 });
    await numberOf("packed-15");
    expect(secondsAgo()).toBeCloseTo(120, 0);
  });
});

describe("counts that have not arrived", () => {
  beforeEach(() => {
    post.mockReset();
  });

  it("wait until they have, and then are forgotten", async () => {
    noteCount(7, 60, 41);
    post.mockRejectedValueOnce(new NoConnection());
    await expect(sendCounts()).rejects.toBeInstanceOf(NoConnection);
    expect(counts.all()).toMatchObject([{ changeId: 7, clean: 41 }]);
    post.mockResolvedValue({});
    expect(await sendCounts()).toEqual([]);
    expect(counts.all()).toEqual([]);
  });

  it("are sent under the same id, in the order they were taken", async () => {
    noteCount(7, 60, 41);
    noteCount(8, 30, 20);
    post.mockResolvedValue({});
    await sendCounts();
    const bodies = post.mock.calls.map(
      ([, request]) => (request as { body: { clean: number; clientId: string } }).body,
    );
    expect(bodies.map(({ clean }) => clean)).toEqual([41, 20]);
    expect(new Set(bodies.map(({ clientId }) => clientId)).size).toBe(2);
  });

  it("are said when they are refused, and hold up nothing", async () => {
    noteCount(7, 60, 41);
    noteCount(8, 30, 20);
    post.mockRejectedValueOnce(refusal(409)).mockResolvedValue({});
    expect(await sendCounts()).toEqual(["No."]);
    expect(counts.all()).toEqual([]);
  });
});
