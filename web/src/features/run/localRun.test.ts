import { beforeEach, describe, expect, it } from "vitest";
import { type Core, LocalRun } from "./localRun";

type Score = Parameters<typeof LocalRun.of>[1];
type View = Parameters<LocalRun["after"]>[1];

/** What the core was asked, and what it answers next. */
let asked: string[];
let next: object;

const core: Core = {
  edition: () => 7,
  begin: (score) => (asked.push(score), JSON.stringify(next)),
  after: (event) => (asked.push(event), JSON.stringify(next)),
  toHear: () => "{}",
};

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
const moment = (more: object = {}) => ({ theme: 0, answered: null, step: { why: "now" }, ...more });

beforeEach(() => {
  asked = [];
  next = moment();
});

describe("a run that the page goes on with by itself", () => {
  it("is none where the rules are others", () => {
    expect(LocalRun.of(core, { ...score, edition: 8 })).toBeUndefined();
    expect(asked).toEqual([]);
  });

  it("begins with what has happened, and goes on by each event", () => {
    const run = LocalRun.of(core, score)!;
    expect(JSON.parse(asked[0]!)).toMatchObject({ left, events: [before] });
    next = moment({ theme: 1, answered: { verdict: "CLEAN", tension: 1, tempo: 92 } });
    const shown = run.after(clean, view)!;
    expect(shown).toMatchObject({
      id: 11,
      focus: "wrist",
      ordinal: 2,
      passage: "Tin Lantern",
      sectionId: 5,
      passageId: 4,
      last: { clientId: "b", verdict: "CLEAN", tension: 1, tempo: 92 },
    });
  });

  it("keeps the last tension that was said, and what was left of the day where it was told", () => {
    const run = LocalRun.of(core, score)!;
    run.after(clean, view);
    const shown = run.after({ ...clean, tension: 4 }, view)!;
    const again = JSON.parse(asked.at(-1)!) as Score;
    expect(again.left).toBeNull();
    expect(again.events).toEqual([before, { ...clean, tension: 4, left }]);
    expect(shown.ordinal).toBe(2);
  });

  it("stays where it is when an event does not fit", () => {
    const run = LocalRun.of(core, score)!;
    next = { refused: "The run does not stand at a pass" };
    expect(run.after(clean, view)).toBeUndefined();
    expect(run.ordinal).toBe(1);
  });
});
