const MOST_NAMED = 5;

/** The transitions a variation trains, counted from 0, as a few words. */
export function trains(transitions: number[]) {
  if (transitions.length === 0) return "trains no transition by itself";
  const named = transitions.slice(0, MOST_NAMED).map((transition) => `${transition + 1}–${transition + 2}`);
  return `trains ${named.join(", ")}${transitions.length > MOST_NAMED ? ` and ${transitions.length - MOST_NAMED} more` : ""}`;
}
