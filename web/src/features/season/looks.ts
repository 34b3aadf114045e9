import type { Schemas } from "../../api/client";

/** How a passage is told from the others in a picture: by its pattern, since its colour is that of controlled playing. */
export const PATTERNS = ["solid", "lines", "slant", "dots", "pale", "grid"] as const;
export type Pattern = (typeof PATTERNS)[number];

/** The pattern of each passage, by its place among them. */
export function patterns(goals: Schemas["GoalDto"][]): Map<number, Pattern> {
  return new Map(goals.map((goal, i) => [goal.passageId, PATTERNS[i % PATTERNS.length]!]));
}
