import { afterEach, describe, expect, it, vi } from "vitest";
import { SafeKeep } from "../keep";
import { noteCount, sendCounts, waitingCounts } from "./counts";

const post = vi.hoisted(() => vi.fn());
vi.mock("../api/client", async (original) => ({
  ...(await original<typeof import("../api/client")>()),
  api: { POST: post },
  given: (answer: unknown) => answer,
}));

const { Problem, NoConnection } = await import("../api/client");
const problem = (status: number) =>
  Object.assign(Object.create(Problem.prototype) as InstanceType<typeof Problem>, { status, detail: "Not now." });

const memory = () =>
  new SafeKeep(() => {
    throw new Error("no storage");
  });

afterEach(() => post.mockReset());

describe("counts that have not arrived", () => {
  it("wait until they have, and then are forgotten", async () => {
    const keep = memory();
    noteCount(keep, 7, 60, 41);
    post.mockRejectedValueOnce(new NoConnection());
    await expect(sendCounts(keep)).rejects.toBeInstanceOf(NoConnection);
    expect(waitingCounts(keep).all()).toMatchObject([{ changeId: 7, clean: 41 }]);
    post.mockResolvedValue({});
    expect(await sendCounts(keep)).toEqual([]);
    expect(waitingCounts(keep).all()).toEqual([]);
  });

  it("are sent under the same id, in the order they were taken", async () => {
    const keep = memory();
    noteCount(keep, 7, 60, 41);
    noteCount(keep, 8, 30, 20);
    post.mockResolvedValue({});
    await sendCounts(keep);
    const bodies = post.mock.calls.map(
      ([, request]) => (request as { body: { clean: number; clientId: string } }).body,
    );
    expect(bodies.map(({ clean }) => clean)).toEqual([41, 20]);
    expect(new Set(bodies.map(({ clientId }) => clientId)).size).toBe(2);
  });

  it("are said when they are refused, and hold up nothing", async () => {
    const keep = memory();
    noteCount(keep, 7, 60, 41);
    noteCount(keep, 8, 30, 20);
    post.mockRejectedValueOnce(problem(409)).mockResolvedValue({});
    expect(await sendCounts(keep)).toEqual(["Not now."]);
    expect(waitingCounts(keep).all()).toEqual([]);
  });
});
