const MOST_NAMED = 5;

/** The links a version drives, counted from 0, as a few words. */
export function drives(links: number[]) {
  if (links.length === 0) return "drives no link by itself";
  const named = links.slice(0, MOST_NAMED).map((link) => `${link + 1}–${link + 2}`);
  return `drives ${named.join(", ")}${links.length > MOST_NAMED ? ` and ${links.length - MOST_NAMED} more` : ""}`;
}
