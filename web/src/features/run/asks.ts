import type { Schemas } from "../../api/client";

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
const NOT_WHOLE = { hint: "A clean pass goes to its end. Play it again, or say rough or broke." };

interface Answering {
  question: string;
  labels: (pass: Asked, told: Told) => Record<Key, string>;
  press: (key: Key, pass: Asked, told: Told, place: Place) => Outcome;
  /** What is said when a pass has ended by itself and needs no word; nothing where it waits for one. */
  end?: (told: Told) => Outcome;
}

const plain: Answering = {
  question: "How was it?",
  labels: () => ({ clean: "clean", rough: "rough", broke: "broke" }),
  press: (key, _pass, _told, { whole }) => (key === "clean" && !whole ? NOT_WHOLE : judged(VERDICT[key])),
};

const of = (count: number, name: string) => (count === 0 ? name : `${name}: ${count}`);

/** What the three answers mean for each thing that can be asked. */
export const ANSWERING: Record<Pass["ask"], Answering> = {
  VERDICT: plain,
  NOTHING: { ...plain, question: "It goes on by itself; say something only if it went wrong.", end: () => UNJUDGED },
  SET: {
    question: "How many were clean? One press for each that was not.",
    labels: ({ askOf }, { slips }) => ({
      clean: slips === 0 ? `all ${askOf}` : `${askOf - slips} of ${askOf}`,
      rough: of(slips, "one not"),
      broke: "none",
    }),
    press: (key, { askOf }, told, { whole }) => {
      if (key === "rough") return { told: { ...told, slips: Math.min(askOf, told.slips + 1) } };
      if (key === "broke") return judged(null, 0);
      return whole
        ? judged(null, askOf - told.slips)
        : { hint: "A set goes to its end. Play it again, or say that none was." };
    },
  },
  COUNT: {
    question: "Counted.",
    labels: ({ askOf }, { count }) => ({ clean: `${count} of ${askOf}`, rough: "one less", broke: "stop here" }),
    press: (key, _pass, told) => {
      if (key === "broke") return judged(null, told.count);
      return { told: { ...told, count: Math.max(0, told.count + (key === "clean" ? 1 : -1)) } };
    },
    end: ({ count }) => judged(null, count),
  },
  EDGE: {
    question: "Where did it get tense?",
    labels: (_pass, { edge }) => ({
      clean: "done",
      rough: edge === undefined ? "edge here" : `edge: ${Math.round(edge)}`,
      broke: "broke",
    }),
    press: (key, _pass, told, { whole, tempo }) => {
      if (key === "rough") return { told: { ...told, edge: tempo } };
      if (key === "broke") return judged("BROKE", told.edge ?? tempo);
      return whole
        ? judged("CLEAN", told.edge ?? null)
        : { hint: "The arch goes to its end. Mark the edge on the way, or say broke." };
    },
  },
  SLIPS: {
    question: "Small slips pass; breakdowns become work.",
    labels: (_pass, { slips, breaks }) => ({
      clean: "done",
      rough: of(slips, "a slip"),
      broke: of(breaks, "broke"),
    }),
    press: (key, _pass, told, { whole }) => {
      if (key === "rough") return { told: { ...told, slips: told.slips + 1 } };
      if (key === "broke") return { told: { ...told, breaks: told.breaks + 1 } };
      if (!whole) return { hint: "Once through to the end, whatever happens." };
      return judged(told.breaks > 0 ? "BROKE" : told.slips > 0 ? "ROUGH" : "CLEAN", told.slips + told.breaks);
    },
  },
  MATCH: {
    question: "Could it be told from the first?",
    labels: () => ({ clean: "no", rough: "nearly", broke: "yes" }),
    press: (key, _pass, _told, { whole }) =>
      key === "clean" && !whole ? { hint: "Play it to its end first." } : judged(VERDICT[key]),
  },
  HELD: {
    question: "How long was it clean?",
    labels: () => ({ clean: "to the end", rough: "messy here", broke: "broke" }),
    press: (key, pass, _told, { whole, seconds }) => {
      if (key !== "clean") return judged(VERDICT[key], seconds);
      return whole ? judged("CLEAN", pass.seconds) : { hint: "Say where it got messy, or play to the end." };
    },
  },
};
