import { say } from "../../words/say";
const MOST_NAMED = 5;

/** The transitions a variation trains, counted from 0, as a few words. */
export function trains(transitions: number[]) {
  if (transitions.length === 0) return say("sheet.trainsNoTransitionByItself");
  const named = transitions.slice(0, MOST_NAMED).map((transition) => `${transition + 1}–${transition + 2}`);
  return say("sheet.trains", {
    named: named.join(", "),
    transitionsIs: transitions.length > MOST_NAMED ? "yes" : "no",
    transitions: transitions.length - MOST_NAMED,
  });
}
