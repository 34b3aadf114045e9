import { beforeEach, describe, expect, it } from "vitest";
import { EventQueue } from "./queue";
import { beginPacked, onlyOpenIs, openRun, runIsOver } from "./runs";
import { answers, packed, runs } from "./shelf";

const wish = { sectionId: 3 } as never;
const kept = (id: string) => ({ id, view: {} as never, score: {} as never, holder: "w", begunAt: null, over: false });
const pack = (id: number) =>
  packed.put({ id: "today", shown: "", wish: JSON.stringify(wish), workout: { id, basis: {} } as never });
const answer = (clientId: string) => ({ clientId, ordinal: 0, kind: "JUDGED" }) as never;

describe("a workout that was taken along", () => {
  beforeEach(() => [answers, packed, runs].forEach((shelf) => shelf.clear()));

  it("is begun where it is the one that is wished for, and gone on with when it is asked for again", () => {
    pack(12);
    expect(beginPacked({ sectionId: 4 } as never)).toBeUndefined();
    expect(beginPacked(wish)).toBe("packed-12");
    const { begunAt } = runs.get("packed-12")!;
    expect(beginPacked(wish)).toBe("packed-12");
    expect(runs.get("packed-12")!.begunAt).toBe(begunAt);
    expect(openRun()).toBe("packed-12");
  });

  it("is played once", () => {
    pack(13);
    beginPacked(wish);
    runIsOver("packed-13");
    expect(openRun()).toBeUndefined();
    expect(beginPacked(wish)).toBeUndefined();
  });
});

describe("runs that are kept here", () => {
  beforeEach(() => [answers, runs].forEach((shelf) => shelf.clear()));

  it("are over where the server knows of none that is open, but for what waits", () => {
    ["7", "8"].forEach((id) => runs.put(kept(id)));
    new EventQueue("8").add(answer("a"));
    onlyOpenIs(null);
    expect(openRun()).toBe("8");
  });
});
