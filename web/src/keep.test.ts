import { describe, expect, it } from "vitest";
import { SafeKeep } from "./keep";

function storage(fails: { set?: boolean; all?: boolean }): Storage {
  const map: Record<string, string> = {};
  return new Proxy(map, {
    get(target, name: string) {
      if (fails.all) throw new DOMException("denied", "SecurityError");
      if (name === "getItem") return (key: string) => target[key] ?? null;
      if (name === "removeItem") return (key: string) => delete target[key];
      if (name === "setItem")
        return (key: string, value: string) => {
          if (fails.set) throw new DOMException("full", "QuotaExceededError");
          target[key] = value;
        };
      return target[name];
    },
  }) as unknown as Storage;
}

describe("what is kept in the browser", () => {
  it("goes to its storage while that works", () => {
    const kept = storage({});
    const keep = new SafeKeep(() => kept);
    keep.setItem("a", "1");
    expect(kept.getItem("a")).toBe("1");
    expect(keep.keys()).toEqual(["a"]);
    expect(keep.onlyHere).toBe(false);
  });

  it("stays in memory when the storage is full, and says so", () => {
    const fails = { set: true };
    const keep = new SafeKeep(() => storage(fails));
    keep.setItem("a", "1");
    expect(keep.getItem("a")).toBe("1");
    expect(keep.onlyHere).toBe(true);
    keep.removeItem("a");
    expect(keep.getItem("a")).toBeNull();
  });

  it("stays in memory when the storage is denied altogether", () => {
    const keep = new SafeKeep(() => {
      throw new DOMException("denied", "SecurityError");
    });
    keep.setItem("a", "1");
    expect(keep.getItem("a")).toBe("1");
    expect(keep.keys()).toEqual(["a"]);
  });
});
