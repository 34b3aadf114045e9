import "fake-indexeddb/auto";
import { IDBFactory } from "fake-indexeddb";
import { beforeEach, describe, expect, it, vi } from "vitest";

type Shelf = typeof import("../outbox/shelf");

/** A page, or the worker: the code anew, over what is kept. */
async function anew() {
  vi.resetModules();
  return import("../outbox/shelf");
}

/** Somebody answers in a window that is closed then. */
async function answered(account: string, run: string, ids: string[], more: object = {}) {
  const shelves: Shelf = await anew();
  const { EventQueue } = await import("../outbox/queue");
  await shelves.layOut(account);
  const queue = new EventQueue(run);
  ids.forEach((clientId, ordinal) =>
    queue.add({
      clientId,
      kind: "JUDGED",
      verdict: "CLEAN",
      tension: null,
      told: null,
      seconds: null,
      holder: "closed",
      ordinal,
      secondsAgo: null,
      ...more,
    }),
  );
  await shelves.answers.read();
}

async function waiting(account: string) {
  const shelves = await anew();
  await shelves.layOut(account);
  return shelves.answers
    .all()
    .filter(({ sent }) => !sent)
    .map(({ id }) => id);
}

let sent: [string, Record<string, unknown>, string][];
let answer: (path: string, n: number) => Response;

async function unseen() {
  await anew();
  await (await import("./background")).sendUnseen();
}

const good = () => Response.json({ id: 12 });

const odile = "odile";
beforeEach(() => {
  vi.stubGlobal("indexedDB", new IDBFactory());
  sent = [];
  answer = good;
  vi.stubGlobal("self", { cookieStore: { get: async () => ({ value: "a%2Fb" }) } });
  vi.stubGlobal("fetch", async (path: string, { headers, body }: { headers: Record<string, string>; body: string }) => {
    sent.push([path, JSON.parse(body) as Record<string, unknown>, headers["X-XSRF-TOKEN"]!]);
    return answer(path, sent.length);
  });
});

describe("what was answered while no page is open", () => {
  it("is sent in order, in the name of the window it was given in", async () => {
    await answered(odile, "4", ["a", "b"]);
    await unseen();
    expect(
      sent.map(([path, { clientId, holder, measured }, token]) => [path, clientId, holder, measured, token]),
    ).toEqual(["a", "b"].map((id) => ["/api/runs/4/events", id, "closed", [], "a/b"]));
    expect(await waiting(odile)).toEqual([]);
  });

  it("of a packed workout begins that first, under the number that the server gives it", async () => {
    await answered(odile, "packed-7", ["a"]);
    await unseen();
    expect(sent.map(([path, { holder }]) => [path, holder])).toEqual([
      ["/api/packed/7/run", "closed"],
      ["/api/runs/12/events", "closed"],
    ]);
    expect(await waiting(odile)).toEqual([]);
  });

  it("waits for a page where it is refused, and keeps nothing else", async () => {
    await answered(odile, "4", ["a", "b"]);
    await answered(odile, "5", ["c"]);
    answer = (path) => (path.includes("/4/") ? Response.json({}, { status: 409 }) : good());
    await unseen();
    expect(await waiting(odile)).toEqual(["a", "b"]);
  });

  it("is tried later where the server is away", async () => {
    await answered(odile, "4", ["a", "b"]);
    answer = (_, n) => (n === 1 ? good() : new Response("", { status: 503 }));
    await expect(unseen()).rejects.toThrow();
    expect(await waiting(odile)).toEqual(["b"]);
    answer = good;
    await unseen();
    expect(await waiting(odile)).toEqual([]);
  });

  it("is left to the window that has it open", async () => {
    await answered(odile, "4", ["a"]);
    vi.stubGlobal("navigator", {
      locks: { request: (_: string, __: object, then: (lock: null) => void) => then(null) },
    });
    await unseen();
    expect(sent).toEqual([]);
    expect(await waiting(odile)).toEqual(["a"]);
  });
});
