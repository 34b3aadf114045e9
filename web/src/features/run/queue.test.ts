import { describe, expect, it } from "vitest";
import { EventQueue, type EventWish, type Keep, restBegan } from "./queue";

function memory(): Keep {
  const map = new Map<string, string>();
  return {
    getItem: (key) => map.get(key) ?? null,
    setItem: (key, value) => void map.set(key, value),
    removeItem: (key) => void map.delete(key),
  };
}

const event = (clientId: string, tension = 1): EventWish => ({
  clientId, holder: "w", ordinal: 0, kind: "JUDGED", verdict: "CLEAN", tension, seconds: null,
});

describe("the queue of answers", () => {
  it("outlives a reload and keeps its order", () => {
    const keep = memory();
    new EventQueue(7, keep).add(event("a"));
    new EventQueue(7, keep).add(event("b"));
    expect(new EventQueue(7, keep).all().map((e) => e.clientId)).toEqual(["a", "b"]);
  });

  it("forgets an answer only when it is confirmed", () => {
    const queue = new EventQueue(7, memory());
    queue.add(event("a"));
    queue.add(event("b"));
    queue.confirmed("a");
    expect(queue.first()?.clientId).toBe("b");
  });

  it("corrects a tension that has not left yet", () => {
    const queue = new EventQueue(7, memory());
    queue.add(event("a", 1));
    queue.add(event("a", 4));
    expect(queue.all()).toHaveLength(1);
    expect(queue.first()?.tension).toBe(4);
  });

  it("keeps runs apart and survives broken storage", () => {
    const keep = memory();
    new EventQueue(7, keep).add(event("a"));
    expect(new EventQueue(8, keep).all()).toEqual([]);
    keep.setItem("tachylim.run.9.events", "{not json");
    expect(new EventQueue(9, keep).all()).toEqual([]);
  });
});

describe("a rest", () => {
  it("goes on over a reload", () => {
    const keep = memory();
    expect(restBegan(7, 3, keep, 1_000)).toBe(1_000);
    expect(restBegan(7, 3, keep, 9_000)).toBe(1_000);
  });

  it("begins anew for another step, or when the clock was set back", () => {
    const keep = memory();
    restBegan(7, 3, keep, 5_000);
    expect(restBegan(7, 4, keep, 9_000)).toBe(9_000);
    expect(restBegan(7, 4, keep, 2_000)).toBe(2_000);
  });
});
