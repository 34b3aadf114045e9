import { beforeEach, describe, expect, it } from "vitest";
import type { Core } from "../../core/core";
import { LocalRun } from "./localRun";

type Score = Parameters<typeof LocalRun.of>[1];
type View = Parameters<LocalRun["after"]>[1];

/** What the core was asked, and what it answers next. */
let asked: [string, string][];
let next: object;

const answer = (ask: string) => async (text: string) => {
  asked.push([ask, text]);
  return { moment: JSON.stringify(next), toHear: `to hear after ${asked.length}` };
};
const core: Core = {
  edition: async () => 7,
  begin: answer("begin"),
  after: answer("after"),
  instead: answer("instead"),
  suppose: (events) => void asked.push(["suppose", String(events.length)]),
};
const lastAsked = () => JSON.parse(asked.at(-1)![1]) as Score;

const left = { effort: 9, burstSeconds: 8, playingSeconds: 700 };
const before = { clientId: "a", kind: "RESTED", verdict: null, tension: null, told: null, seconds: 20, left };
const score = {
  edition: 7,
  workout: "{}",
  beliefs: [],
  events: [before],
  left,
  effortBefore: 1,
  sections: [
    { sectionId: 3, passageId: 2, passage: "Kestrel Weather", section: "bars 3-4", firstNote: 0 },
    { sectionId: 5, passageId: 4, passage: "Tin Lantern", section: "", firstNote: 0 },
  ],
} as unknown as Score;
const view = { id: 11, ordinal: 1, focus: "wrist", passage: "Kestrel Weather", held: true } as unknown as View;
const clean = { clientId: "b", kind: "JUDGED", verdict: "CLEAN", tension: 1, told: null, seconds: null } as const;
const moment = (more: object = {}) => ({ theme: 0, answered: null, step: { why: "now", pass: null }, ...more });
const begun = async () => (await LocalRun.of(core, score))!;

beforeEach(() => {
  asked = [];
  next = moment();
});

describe("a run that the page goes on with by itself", () => {
  it("is none where the rules are others", async () => {
    expect(await LocalRun.of(core, { ...score, edition: 8 })).toBeUndefined();
    expect(asked).toEqual([]);
  });

  it("begins with what has happened, and goes on by each event", async () => {
    const run = await begun();
    expect(lastAsked()).toMatchObject({ left, events: [before] });
    next = moment({ theme: 1, answered: { verdict: "CLEAN", tension: 1, tempo: 92 } });
    const shown = await run.after(clean, view);
    expect(shown).toMatchObject({
      id: 11,
      focus: "wrist",
      ordinal: 2,
      passage: "Tin Lantern",
      sectionId: 5,
      passageId: 4,
      last: { clientId: "b", verdict: "CLEAN", tension: 1, tempo: 92 },
    });
    expect(run.toHear).toBe("to hear after 2");
  });

  it("has the usual answers worked out ahead by the texts by which they are asked", async () => {
    next = moment({ step: { why: "now", pass: { ask: "VERDICT" } } });
    const supposed: string[] = [];
    const run = (await LocalRun.of({ ...core, suppose: (events) => void supposed.push(...events) }, score))!;
    await run.after({ ...clean, tension: null }, view);
    expect(supposed).toContain(asked.at(-1)![1]);
  });

  it("keeps the last tension that was said", async () => {
    const run = await begun();
    await run.after(clean, view);
    const shown = await run.after({ ...clean, tension: 4 }, view);
    expect(asked.at(-1)![0]).toBe("instead");
    expect(lastAsked()).toMatchObject({ kind: "JUDGED", verdict: "CLEAN", tension: 4 });
    expect(shown?.ordinal).toBe(2);
  });

  it("begins anew where the tension of what the server knows is put right", async () => {
    const run = await begun();
    await run.after({ ...clean, clientId: "a", tension: 3 }, view);
    expect(asked.at(-1)![0]).toBe("begin");
    expect(lastAsked()).toMatchObject({ left, events: [{ ...before, tension: 3 }] });
  });

  it("begins anew with what was left of the day where it was told", async () => {
    const run = await begun();
    await run.after(clean, view);
    await run.after({ ...clean, clientId: "c" }, view);
    await run.after({ ...clean, tension: 4 }, view);
    expect(asked.at(-1)![0]).toBe("begin");
    expect(lastAsked().left).toBeNull();
    expect(lastAsked().events).toEqual([before, { ...clean, tension: 4, left }, { ...clean, clientId: "c" }]);
  });

  it("stays where it is when an event does not fit", async () => {
    const run = await begun();
    next = { refused: "The run does not stand at a pass" };
    expect(await run.after(clean, view)).toBeUndefined();
    expect(run.ordinal).toBe(1);
  });
});
