import { beforeEach, describe, expect, it, vi } from "vitest";
import { NoConnection, Problem } from "../../api/client";
import { memory } from "../../memory";

const post = vi.hoisted(() => vi.fn());
vi.mock("../../api/client", async (original) => ({
  ...(await original<typeof import("../../api/client")>()),
  api: { POST: post },
  given: (call: Promise<unknown>) => call,
}));
vi.mock("./windowId", () => ({ windowId: () => "w" }));

const { isSettled, noteSymptom, sendEverything, sendQueued, waitBefore } = await import("./outbox");
const { EventQueue } = await import("./queue");

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

describe("what is on its way", () => {
  beforeEach(() => post.mockReset());

  it.each([
    [new NoConnection(), false],
    [refusal(500), false],
    [refusal(503), false],
    [refusal(429), false],
    [refusal(409, "changed"), false],
    [refusal(409, "too-soon"), false],
    [refusal(409, "out-of-step"), true],
    [refusal(409, "over"), true],
    [refusal(422), true],
  ])("is settled only where the server has decided: %s", (error, settled) => {
    expect(isSettled(error)).toBe(settled);
  });

  it("stays when there is no answer, and goes when there is one", async () => {
    const queue = new EventQueue(7, memory());
    queue.add(answer("a"));
    post.mockRejectedValueOnce(refusal(500));
    await expect(sendQueued(7, queue)).rejects.toThrow();
    expect(queue.all()).toHaveLength(1);
    post.mockResolvedValueOnce({ id: 7 });
    expect((await sendQueued(7, queue)).view).toEqual({ id: 7 });
    expect(queue.all()).toHaveLength(0);
  });

  it("says what was refused for good, and goes on with the rest", async () => {
    const queue = new EventQueue(7, memory());
    queue.add(answer("a"));
    queue.add(answer("b"));
    post.mockRejectedValueOnce(refusal(409, "over")).mockResolvedValueOnce({ id: 7 });
    expect((await sendQueued(7, queue)).refused).toEqual(["No."]);
    expect(post).toHaveBeenCalledTimes(2);
  });

  it("goes of every run, also past one that cannot be reached", async () => {
    const keep = memory();
    new EventQueue(1, keep).add(answer("a"));
    new EventQueue(2, keep).add(answer("b", "STOPPED"));
    noteSymptom(keep);
    post.mockImplementation((_path: string, wish?: { params?: { path: { id: number } } }) =>
      wish?.params?.path.id === 1 ? Promise.reject(refusal(404)) : Promise.resolve({}),
    );
    await sendEverything(keep);
    expect(EventQueue.runs(keep)).toEqual([1]);
    expect(post.mock.calls.map((call) => call[0] as string)).toContain("/api/symptoms");
    expect(keep.getItem("tachylim.symptoms")).toBeNull();
  });

  it("waits longer each time, and as long as it is told", () => {
    expect(waitBefore(1, refusal(500))).toBeGreaterThan(waitBefore(0, refusal(500)));
    expect(waitBefore(30, refusal(500))).toBe(20_000);
    expect(waitBefore(0, new Problem(409, "", { code: "too-soon", seconds: 3 }))).toBe(3_100);
  });
});
