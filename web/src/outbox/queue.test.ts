import { describe, expect, it } from "vitest";
import { memory } from "../memory";
import { EventQueue, type EventWish, restBegan } from "./queue";
import { Shelf } from "./shelf";

const event = (clientId: string, tension = 1, kind: EventWish["kind"] = "JUDGED"): EventWish => ({
  clientId,
  holder: "w",
  ordinal: 0,
  kind,
  verdict: "CLEAN",
  tension,
  told: null,
  seconds: null,
  secondsAgo: null,
});

const ids = (queue: EventQueue) => queue.all().map((queued) => queued.event.clientId);

describe("the queue of answers", () => {
  it("keeps its order, and knows its runs", () => {
    const shelf = new Shelf("answers");
    new EventQueue("7", shelf).add(event("a"));
    new EventQueue("7", shelf).add(event("b"));
    expect(ids(new EventQueue("7", shelf))).toEqual(["a", "b"]);
    expect(EventQueue.runs(shelf)).toEqual(["7"]);
  });

  it("forgets an answer only when it is confirmed", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a"));
    queue.add(event("b"));
    queue.confirmed(queue.first()!);
    expect(ids(queue)).toEqual(["b"]);
  });

  it("corrects a tension that has not left yet", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a", 1));
    queue.add(event("a", 4));
    expect(queue.all()).toHaveLength(1);
    expect(queue.first()?.event.tension).toBe(4);
  });

  it("keeps a tension that was put right while the answer was on its way", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a", 1), undefined, 1_000);
    const onItsWay = queue.first()!;
    queue.add(event("a", 4), undefined, 5_000);
    queue.confirmed(onItsWay);
    expect(queue.first()).toMatchObject({ event: { tension: 4 }, madeAt: 1_000 });
  });

  it("lets nothing wait in front of what ends a run", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a"));
    queue.add(event("b", 1, "SYMPTOM"));
    expect(queue.first()?.event.clientId).toBe("b");
  });

  it("keeps runs apart", () => {
    const shelf = new Shelf("answers");
    new EventQueue("7", shelf).add(event("a"));
    expect(new EventQueue("8", shelf).all()).toEqual([]);
  });

  it("keeps what has arrived to play on from, until the run is taken up behind it", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a"));
    queue.add({ ...event("b"), ordinal: 1 });
    queue.confirmed(queue.first()!);
    expect(queue.played().map(({ id }) => id)).toEqual(["a", "b"]);
    queue.playedBefore(2);
    expect(queue.played().map(({ id }) => id)).toEqual(["b"]);
  });

  it("sends an answer that has arrived again when its tension is put right", () => {
    const queue = new EventQueue("7", new Shelf("answers"));
    queue.add(event("a", 1));
    queue.confirmed(queue.first()!);
    queue.add(event("a", 4));
    expect(queue.first()?.event.tension).toBe(4);
  });
});

describe("a rest", () => {
  it("goes on over a reload", () => {
    const keep = memory();
    expect(restBegan("7", 3, keep, 1_000)).toBe(1_000);
    expect(restBegan("7", 3, keep, 9_000)).toBe(1_000);
  });

  it("begins anew for another step, or when the clock was set back", () => {
    const keep = memory();
    restBegan("7", 3, keep, 5_000);
    expect(restBegan("7", 4, keep, 9_000)).toBe(9_000);
    expect(restBegan("7", 4, keep, 2_000)).toBe(2_000);
  });
});
