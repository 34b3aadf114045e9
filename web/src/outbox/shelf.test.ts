import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";

/** As a window of the same browser sees it: the page's code anew, over what is kept. */
async function aWindow(account: string) {
  vi.resetModules();
  const shelves = await import("./shelf");
  await shelves.layOut(account);
  return shelves;
}

const count = (id: string) => ({ id, changeId: 3, seconds: 60, clean: 41, madeAt: 1 });
const ids = (things: { id: string }[]) => things.map(({ id }) => id);

let account = 0;
let odile: string;
beforeEach(() => {
  odile = `odile-${account++}`;
});

describe("a shelf", () => {
  it("outlives the page, in the order in which things came", async () => {
    const here = await aWindow(odile);
    ["c", "a", "b"].forEach((id) => here.counts.put(count(id)));
    here.counts.put({ ...count("a"), clean: 50 });
    here.counts.remove("c");
    await here.counts.read();
    const later = await aWindow(odile);
    expect(ids(later.counts.all())).toEqual(["a", "b"]);
    expect(later.counts.get("a")).toMatchObject({ clean: 50 });
  });

  it("shows nobody what is somebody else's", async () => {
    const here = await aWindow(odile);
    here.counts.put(count("a"));
    await here.layOut("mireille");
    expect(here.counts.all()).toEqual([]);
    await here.layOut(odile);
    expect(ids(here.counts.all())).toEqual(["a"]);
  });

  it("hears of what another window has written", async () => {
    const here = await aWindow(odile);
    const other = await aWindow(odile);
    other.counts.put(count("a"));
    await vi.waitFor(() => expect(ids(here.counts.all())).toEqual(["a"]));
  });

  it("removes nothing that another window has changed since", async () => {
    const here = await aWindow(odile);
    here.counts.put(count("a"));
    await here.counts.read();
    const other = await aWindow(odile);
    other.counts.put({ ...count("a"), clean: 50 });
    here.counts.change("a", ({ clean }) => clean === 41);
    await here.counts.read();
    await vi.waitFor(() => expect(here.counts.get("a")).toMatchObject({ clean: 50 }));
  });

  it("keeps what waits when somebody signs out, and nothing else", async () => {
    const here = await aWindow(odile);
    const answer = { run: "7", event: {} as never, madeAt: 1, revision: 1 };
    here.answers.put({ ...answer, id: "sent", sent: true });
    here.answers.put({ ...answer, id: "waits", sent: false });
    here.runs.put({ id: "7", view: {} as never, score: {} as never, holder: "w", begunAt: null, over: false });
    await here.runs.read();
    await here.clearAway();
    expect(here.answers.all()).toEqual([]);
    await here.layOut(odile);
    expect(ids(here.answers.all())).toEqual(["waits"]);
    expect(here.runs.all()).toEqual([]);
  });

  it("works as long as the page is open where the browser keeps nothing, and says so", async () => {
    vi.stubGlobal("indexedDB", {
      open: () => {
        throw new DOMException("denied", "SecurityError");
      },
    });
    const here = await aWindow(odile);
    here.counts.put(count("a"));
    expect(ids(here.counts.all())).toEqual(["a"]);
    expect(here.lastsOnlyHere()).toBe(true);
  });
});
