import { say } from "../words/say";
import type { Heard, Measured, Take, ToHear } from "./heard";

const PERCENT = 100;

/** Which note it is, of a pass that goes several times round. */
function place(note: number, round: number): string {
  const time = Math.floor(note / round);
  return time === 0 ? String(note + 1) : say("heard.note.again", { note: (note % round) + 1, time: time + 1 });
}

/** The notes of a pass, once through: how many, and where they stand. */
export interface Round {
  round: number;
  /** The bar and the beat of each; takes that were kept by an earlier edition do not know. */
  bars?: number[] | undefined;
  beats?: number[] | undefined;
}

export const roundOf = ({ notes, bars, beats }: ToHear): Round => ({ round: notes, bars, beats });

/** The same with its bar and its beat, where these are known. */
function placed(note: number, { round, bars, beats }: Round): string {
  const name = place(note, round);
  const bar = bars?.[note % round];
  const beat = beats?.[note % round];
  return bar === undefined || beat === undefined ? name : say("heard.note.at", { note: name, bar, beat });
}

/** Why a pass was measured as it was, in a few words. */
export function because({ verdict, why, where, evenness, tempoRatio, transitions }: Measured, of: Round): string {
  const off = transitions.find(({ to }) => to === where)?.off ?? 0;
  return say(`heardWhy.${why}`, {
    note: placed(where ?? 0, of),
    ms: Math.round(Math.abs(off)),
    late: off > 0 ? "yes" : "no",
    evenness: evenness ?? 0,
    percent: Math.abs(tempoRatio - 1) * PERCENT,
    verdict,
  });
}

/** What was heard of a step, in a line. */
export function told({ takes }: Heard, of: Round): string {
  const [first] = takes;
  if (!first) return "";
  if (takes.length > 1) {
    const clean = takes.filter(({ measured }) => measured.verdict === "CLEAN").length;
    return say("heard.set", { clean, of: takes.length });
  }
  const { verdict } = first.measured;
  const name =
    verdict === "CANNOT_TELL" ? say("heard.cannot") : say("heard.verdict", { verdict: say(`verdict.${verdict}`) });
  return say("heard.because", { name, why: because(first.measured, of), sure: sureness(first) });
}

/** How sure that is, where it is neither certain nor nothing. */
const sureness = ({ sure = 0 }: Take): string => (sure > 0 && sure < 1 ? say("heard.sure", { sure }) : "");

/** How a note came, as a screen reader says it. */
export function noted({ measured, onsets }: Take, note: number, round: number): string {
  const number = place(note, round);
  if (measured.missing.includes(note)) return say("heard.note.missing", { note: number });
  const into = measured.transitions.find(({ to }) => to === note);
  if (!into || !onsets.some((onset) => onset.note === note)) return say("heard.note.on", { note: number });
  if (isUnsure(into)) return say("heard.note.unsure", { note: number });
  const ms = Math.round(Math.abs(into.off));
  if (!into.slipped && ms < QUIET_MS) return say("heard.note.on", { note: number });
  return into.off > 0 ? say("heard.note.late", { note: number, ms }) : say("heard.note.early", { note: number, ms });
}

/** Less is not worth a word, in milliseconds. */
const QUIET_MS = 10;

/** Where the measure is off by more than this share of what it shows, it is drawn pale. */
const UNSURE = 0.08;

export const isUnsure = ({ sigma, interval }: Measured["transitions"][number]) =>
  sigma > Math.max(6, UNSURE * interval);

/** How the hands lie against each other; empty where they are not told apart. */
export function ofHands({ hands }: Take): string {
  return [
    hands?.together != null &&
      say("take.together", { ms: Math.abs(hands.together), later: hands.together >= 0 ? "yes" : "no" }),
    hands?.inTurn != null &&
      say("take.inTurn", { ms: Math.abs(hands.inTurn), later: hands.inTurn >= 0 ? "yes" : "no" }),
  ]
    .filter(Boolean)
    .join(" ");
}
