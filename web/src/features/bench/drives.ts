const MOST_NAMED = 5;

/** The transitions a variation drives, counted from 0, as a few words. */
export function drives(transitions: number[]) {
  if (transitions.length === 0) return "drives no transition by itself";
  const named = transitions.slice(0, MOST_NAMED).map((transition) => `${transition + 1}–${transition + 2}`);
  return `drives ${named.join(", ")}${transitions.length > MOST_NAMED ? ` and ${transitions.length - MOST_NAMED} more` : ""}`;
}
