import type { Schemas } from "../../api/client";
import { say } from "../../words/say";

export type Pass = NonNullable<Schemas["StepDto"]["pass"]>;
export type Verdict = "CLEAN" | "ROUGH" | "BROKE";
export type Key = "clean" | "rough" | "broke";

/** What was counted and marked while something was played. */
export interface Told {
  slips: number;
  breaks: number;
  count: number;
  /** The tempo at which it got tense, where that was marked. */
  edge: number | undefined;
}

export const NOTHING_TOLD: Told = { slips: 0, breaks: 0, count: 0, edge: undefined };

/** How far a pass has come. */
export interface Place {
  /** Whether it was played to its end. */
  whole: boolean;
  /** Seconds of playing. */
  seconds: number;
  /** The tempo of the click by now. */
  tempo: number;
}

/** What follows from a key: something is noted, something is said of the pass, or why neither. */
export interface Outcome {
  told?: Told;
  send?: { kind: "JUDGED" | "UNJUDGED"; verdict: Verdict | null; told: number | null };
  hint?: string;
}

type Asked = Pick<Pass, "ask" | "askOf" | "seconds">;

const judged = (verdict: Verdict | null, told: number | null = null): Outcome => ({
  send: { kind: "JUDGED", verdict, told },
});
const UNJUDGED: Outcome = { send: { kind: "UNJUDGED", verdict: null, told: null } };
const VERDICT: Record<Key, Verdict> = { clean: "CLEAN", rough: "ROUGH", broke: "BROKE" };
const NOT_WHOLE = { hint: say("run.aCleanPassGoesTo") };

interface Answering {
  question: string;
  labels: (pass: Asked, told: Told) => Record<Key, string>;
  press: (key: Key, pass: Asked, told: Told, place: Place) => Outcome;
  /** What the key that starts a pass says while it is played: of what lasts as long as the player wants. */
  ending?: Key;
  /** What is said when a pass has ended by itself and needs no word; nothing where it waits for one. */
  end?: (told: Told) => Outcome;
}

const plain: Answering = {
  question: say("run.howWasIt"),
  labels: () => ({ clean: say("verdict.CLEAN"), rough: say("verdict.ROUGH"), broke: say("verdict.BROKE") }),
  press: (key, _pass, _told, { whole }) => (key === "clean" && !whole ? NOT_WHOLE : judged(VERDICT[key])),
};

const of = (count: number, name: string) => (count === 0 ? name : say("run.several", { name, count }));

/** What the three answers mean for each thing that can be asked. */
export const ANSWERING: Record<Pass["ask"], Answering> = {
  VERDICT: plain,
  NOTHING: { ...plain, question: say("run.itGoesOnByItself"), end: () => UNJUDGED },
  SET: {
    question: say("run.howManyWereCleanOne"),
    labels: ({ askOf }, { slips }) => ({
      clean: slips === 0 ? say("run.all", { askOf }) : say("run.cleanOfSet", { askOf: askOf - slips, askOf2: askOf }),
      rough: of(slips, say("run.oneNot")),
      broke: say("common.none"),
    }),
    press: (key, { askOf }, told, { whole }) => {
      if (key === "rough") return { told: { ...told, slips: Math.min(askOf, told.slips + 1) } };
      if (key === "broke") return judged(null, 0);
      return whole ? judged(null, askOf - told.slips) : { hint: say("run.aSetGoesToIts") };
    },
  },
  COUNT: {
    question: say("run.counted"),
    labels: ({ askOf }, { count }) => ({
      clean: say("run.countedOf", { count, askOf }),
      rough: say("run.oneLess"),
      broke: say("run.stopHere"),
    }),
    press: (key, _pass, told) => {
      if (key === "broke") return judged(null, told.count);
      return { told: { ...told, count: Math.max(0, told.count + (key === "clean" ? 1 : -1)) } };
    },
    end: ({ count }) => judged(null, count),
  },
  EDGE: {
    question: say("run.whereDidItGetTense"),
    labels: (_pass, { edge }) => ({
      clean: say("run.doneAnswer"),
      rough: edge === undefined ? say("run.edgeHere") : say("run.edge", { edge: Math.round(edge) }),
      broke: say("verdict.BROKE"),
    }),
    press: (key, _pass, told, { whole, tempo }) => {
      if (key === "rough") return { told: { ...told, edge: tempo } };
      if (key === "broke") return judged("BROKE", told.edge ?? tempo);
      return whole ? judged("CLEAN", told.edge ?? null) : { hint: say("run.theArchGoesToIts") };
    },
  },
  SLIPS: {
    question: say("run.smallSlipsPassBreakdownsBecome"),
    labels: (_pass, { slips, breaks }) => ({
      clean: say("run.doneAnswer"),
      rough: of(slips, say("run.aSlip")),
      broke: of(breaks, say("verdict.BROKE")),
    }),
    press: (key, _pass, told, { whole }) => {
      if (key === "rough") return { told: { ...told, slips: told.slips + 1 } };
      if (key === "broke") return { told: { ...told, breaks: told.breaks + 1 } };
      if (!whole) return { hint: say("run.onceThroughToTheEnd") };
      return judged(told.breaks > 0 ? "BROKE" : told.slips > 0 ? "ROUGH" : "CLEAN", told.slips + told.breaks);
    },
  },
  MATCH: {
    question: say("run.couldItBeToldFrom"),
    labels: () => ({ clean: say("run.no"), rough: say("run.nearly"), broke: say("run.yes") }),
    press: (key, _pass, _told, { whole }) =>
      key === "clean" && !whole ? { hint: say("run.playItToItsEnd") } : judged(VERDICT[key]),
  },
  LOOSE: {
    question: say("run.easyUntilLoose"),
    labels: () => ({ clean: say("run.looseNow"), rough: say("run.notYet"), broke: say("run.notYet") }),
    press: (key, { askOf }, _told, { seconds }) =>
      key === "clean" && seconds >= askOf
        ? judged("CLEAN", seconds)
        : { hint: say("run.easyAtLeast", { seconds: askOf }) },
    ending: "clean",
    end: () => UNJUDGED,
  },
  HELD: {
    ending: "rough",
    question: say("run.howLongWasItClean"),
    labels: () => ({ clean: say("run.toTheEnd"), rough: say("run.messyHere"), broke: say("verdict.BROKE") }),
    press: (key, pass, _told, { whole, seconds }) => {
      if (key !== "clean") return judged(VERDICT[key], seconds);
      return whole ? judged("CLEAN", pass.seconds) : { hint: say("run.sayWhereItGotMessy") };
    },
  },
};
