import { describe, expect, it } from "vitest";
import { ANSWERING, type Key, NOTHING_TOLD, type Pass, type Place, type Told } from "./asks";
import { say } from "../../words/say";

const WHOLE: Place = { whole: true, seconds: 12, tempo: 96 };
const CUT: Place = { ...WHOLE, whole: false, seconds: 5 };

function press(ask: Pass["ask"], keys: Key[], place: Place = WHOLE, askOf = 3) {
  let told: Told = NOTHING_TOLD;
  for (const key of keys) {
    const outcome = ANSWERING[ask].press(key, { ask, askOf, seconds: 12 }, told, place);
    if (outcome.send) return outcome.send;
    if (outcome.hint) return outcome.hint;
    told = outcome.told ?? told;
  }
  return ANSWERING[ask].end?.(told).send ?? told;
}

const labels = (ask: Pass["ask"], told: Partial<Told> = {}) =>
  ANSWERING[ask].labels({ ask, askOf: 3, seconds: 12 }, { ...NOTHING_TOLD, ...told });

describe("what the three answers mean", () => {
  it("a pass is clean, rough or broke, and clean only as a whole", () => {
    expect(press("VERDICT", ["clean"])).toEqual({ kind: "JUDGED", verdict: "CLEAN", told: null });
    expect(press("VERDICT", ["rough"], CUT)).toEqual({ kind: "JUDGED", verdict: "ROUGH", told: null });
    expect(press("VERDICT", ["clean"], CUT)).toBe(say("run.aCleanPassGoesTo"));
  });

  it("of a set each that was not clean is one press", () => {
    expect(press("SET", ["clean"])).toEqual({ kind: "JUDGED", verdict: null, told: 3 });
    expect(press("SET", ["rough", "clean"])).toEqual({ kind: "JUDGED", verdict: null, told: 2 });
    expect(press("SET", ["rough", "rough", "rough", "rough", "clean"])).toMatchObject({ told: 0 });
    expect(press("SET", ["broke"], CUT)).toMatchObject({ told: 0 });
    expect(press("SET", ["clean"], CUT)).toBe(say("run.aSetGoesToIts"));
    expect(labels("SET").clean).toBe(say("run.all", { askOf: 3 }));
    expect(labels("SET", { slips: 1 })).toMatchObject({
      clean: say("run.cleanOfSet", { askOf: 2, askOf2: 3 }),
      rough: say("run.several", { name: say("run.oneNot"), count: 1 }),
    });
  });

  it("silence is unjudged where nothing need be said", () => {
    expect(press("NOTHING", [])).toEqual({ kind: "UNJUDGED", verdict: null, told: null });
    expect(press("NOTHING", ["broke"], CUT)).toMatchObject({ kind: "JUDGED", verdict: "BROKE" });
    expect(ANSWERING.VERDICT.end).toBeUndefined();
  });

  it("a count goes up and down and is told at its end", () => {
    expect(press("COUNT", ["clean", "clean", "rough", "clean"])).toMatchObject({ kind: "JUDGED", told: 2 });
    expect(press("COUNT", ["rough"])).toMatchObject({ told: 0 });
    expect(press("COUNT", ["clean", "broke"], CUT)).toMatchObject({ told: 1 });
    expect(labels("COUNT", { count: 7 }).clean).toBe(say("run.countedOf", { count: 7, askOf: 3 }));
  });

  it("the edge is the tempo at which it was marked", () => {
    expect(press("EDGE", ["rough", "clean"])).toEqual({ kind: "JUDGED", verdict: "CLEAN", told: 96 });
    expect(press("EDGE", ["clean"])).toMatchObject({ told: null });
    expect(press("EDGE", ["broke"], CUT)).toMatchObject({ verdict: "BROKE", told: 96 });
    expect(press("EDGE", ["clean"], CUT)).toBe(say("run.theArchGoesToIts"));
  });

  it("slips pass and breakdowns do not", () => {
    expect(press("SLIPS", ["rough", "rough", "clean"])).toMatchObject({ verdict: "ROUGH", told: 2 });
    expect(press("SLIPS", ["rough", "broke", "clean"])).toMatchObject({ verdict: "BROKE", told: 2 });
    expect(press("SLIPS", ["clean"])).toMatchObject({ verdict: "CLEAN", told: 0 });
    expect(press("SLIPS", ["clean"], CUT)).toBe(say("run.onceThroughToTheEnd"));
  });

  it("two ways are compared, and a burst is held for so long", () => {
    expect(press("MATCH", ["clean"])).toMatchObject({ verdict: "CLEAN" });
    expect(press("MATCH", ["broke"], CUT)).toMatchObject({ verdict: "BROKE" });
    expect(press("HELD", ["rough"], CUT)).toMatchObject({ verdict: "ROUGH", told: 5 });
    expect(press("HELD", ["clean"])).toMatchObject({ verdict: "CLEAN", told: 12 });
    expect(press("HELD", ["clean"], CUT)).toBe(say("run.sayWhereItGotMessy"));
  });

  it("easy playing goes on until it is loose, as long as the burst at the least", () => {
    expect(press("LOOSE", ["clean"], CUT)).toMatchObject({ verdict: "CLEAN", told: 5 });
    expect(press("LOOSE", ["rough"], CUT)).toBe(say("run.easyAtLeast", { seconds: 3 }));
    expect(press("LOOSE", ["clean"], { ...CUT, seconds: 2 })).toBe(say("run.easyAtLeast", { seconds: 3 }));
    expect([ANSWERING.LOOSE.ending, ANSWERING.HELD.ending]).toEqual(["clean", "rough"]);
    expect(ANSWERING.LOOSE.end?.(NOTHING_TOLD).send?.kind).toBe("UNJUDGED");
  });
});
