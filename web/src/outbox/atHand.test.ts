import { afterEach, describe, expect, it, vi } from "vitest";

/** Locks as a browser has them, as far as they are asked for here. */
function locks() {
  const held: { name: string; done: Promise<unknown> }[] = [];
  return {
    query: () => Promise.resolve({ held }),
    request: async (name: string, options: { ifAvailable?: boolean }, does: (lock: object | null) => unknown) => {
      if (options.ifAvailable && held.some((other) => other.name === name)) return does(null);
      const done = Promise.resolve(does({}));
      const lock = { name, done };
      held.push(lock);
      const result = await done;
      held.splice(held.indexOf(lock), 1);
      return result;
    },
  };
}

const withLocks = async (some: unknown) => {
  vi.resetModules();
  vi.stubGlobal("navigator", { locks: some });
  vi.stubGlobal("window", { dispatchEvent: () => true });
  return import("./atHand");
};

afterEach(() => vi.unstubAllGlobals());

describe("a workout that is open in a window", () => {
  it("is left to that window, until it is left", async () => {
    const { holdOpen, whereClosed } = await withLocks(locks());
    const close = holdOpen("7");
    expect(await whereClosed("7", () => Promise.resolve("sent"))).toBeUndefined();
    expect(await whereClosed("8", () => Promise.resolve("sent"))).toBe("sent");
    close();
    await vi.waitFor(async () => expect(await whereClosed("7", () => Promise.resolve("sent"))).toBe("sent"));
  });

  it("may be open in another as well", async () => {
    const { holdOpen, isOpenInAnother } = await withLocks(locks());
    holdOpen("7");
    expect(await isOpenInAnother("7")).toBe(false);
    const other = holdOpen("7");
    expect(await isOpenInAnother("7")).toBe(true);
    other();
    await vi.waitFor(async () => expect(await isOpenInAnother("7")).toBe(false));
  });

  it("counts as closed where windows cannot know of each other", async () => {
    const { holdOpen, isOpenInAnother, whereClosed } = await withLocks(undefined);
    holdOpen("7")();
    expect(await isOpenInAnother("7")).toBe(false);
    expect(await whereClosed("7", () => Promise.resolve("sent"))).toBe("sent");
  });
});
