import type { QueryKey } from "@tanstack/react-query";

/** What a change touches: the questions whose answers it may alter, so that nothing else is asked for anew. */
export type Touches = QueryKey[];

/** What is planned rests on the load, on readiness and on the sections there are. */
const PLANS: Touches = [["today"], ["plan"], ["preview"], ["season"]];

/** All there is: somebody else is here now. */
export const everything: Touches = [[]];
export const nothing: Touches = [];
export const browsers: Touches = [["sessions"]];
export const habits: Touches = [["greeting"], ["load"], ...PLANS];
export const home: Touches = [["greeting"], ["load"], ["log"], ["practiceSheet"], ["passages"], ...PLANS];
export const symptoms: Touches = [["load"], ["practiceSheet"], ...PLANS];
export const note = (runId: number): Touches => [["workout", runId], ["log"]];

/** The notes of a passage, and all that is laid over them. */
export const music = (passageId: number): Touches => [
  ...["passage", "practiceSheet", "sheet", "variation", "transition"].map((name) => [name, passageId]),
  ["passages"],
  ["ceiling"],
  ["storage"],
  ...PLANS,
];
export const sections = (passageId: number): Touches => [
  ["passage", passageId],
  ["practiceSheet", passageId],
  ["passages"],
  ["ceiling"],
  ...PLANS,
];
export const drills: Touches = [["passage"], ["practiceSheet"], ["passages"], ["ceiling"], ...PLANS];
export const passages: Touches = [["passages"], ["storage"], ...PLANS];
export const practiceSheet = (passageId: number): Touches => [["practiceSheet", passageId]];
export const articulations: Touches = [["practiceSheet"]];
export const marks = (passageId: number): Touches =>
  ["passage", "practiceSheet", "sheet", "variation", "transition"].map((name) => [name, passageId]);
export const breaks = (passageId: number): Touches => [
  ["practiceSheet", passageId],
  ["transition", passageId],
];
export const readiness = (passageId: number): Touches => [["practiceSheet", passageId], ...PLANS];
export const practice = (passageId: number): Touches => [["practiceSheet", passageId], ["load"], ...PLANS];

/** What counts for a day, and what a day may have. */
export const load: Touches = [["load"], ["practiceSheet"], ["counts"], ...PLANS];

/** Why a ceiling did not fit: it is held to be what it was, or what was heard. */
export const doubt: Touches = [["ceiling"], ["after"], ["passages"], ["passage"], ["practiceSheet"], ...PLANS];

/** What was said of a pass, put right: the ceiling is learned anew. */
export const correction = (runId: number): Touches => [["workout", runId], ...run];

/** Practice away from the screen, put down, put right or taken back. */
export const away: Touches = [["load"], ["log"], ["practiceSheet"], ...PLANS];

/** What is wanted of days, and what is performed on them. */
export const season: Touches = [["load"], ["practiceSheet"], ...PLANS];

/** What is wanted of a passage: its target, its date, and how much it matters. */
export const aim: Touches = [["passages"], ["passage"], ["ceiling"], ...PLANS];

/** What was learned is forgotten: ceilings owe something to it, and plans and chances. */
export const learned: Touches = [["learned"], ["ceiling"], ["passages"], ["passage"], ...PLANS];

export const templates: Touches = [["templates"]];
export const drafts: Touches = [["drafts"]];

/** What is counted is practice of its day. */
export const counts: Touches = [["counts"], ["load"], ...PLANS];

/** A run that was begun, went on or is over: what was played counts for the load, the log and the ceilings. */
export const run: Touches = [
  ["learned"],
  ["drafts"],
  ["load"],
  ["log"],
  ["workout"],
  ["practiceSheet"],
  ["ceiling"],
  ["passages"],
  ["passage"],
  ...PLANS,
];
