import type { Caught } from "../../take/sources";
import { NOTHING_TOLD, type Told } from "./asks";

/** What lies over the step while it is asked about. */
export type Over = "pause" | "symptom" | "keys" | "microphone";

/** How much of the pass at hand was played: what was cut off is asked about as well, but cannot have been clean. */
export type Played = "no" | "cut" | "whole";

/** What the player has done at the step at hand. */
export interface Stage {
  /** Which step it is, by how many events came before it. */
  ordinal: number;
  played: Played;
  told: Told;
  hint: string;
  /** What was said of tension at this pass; null where nothing was. */
  tension: number | null;
  /** What was said of it at the pass before. */
  before: number | null;
  over: Over | undefined;
  /** What a microphone heard of it; that it is being measured; nothing where none listened. */
  heard: Caught | "measuring" | undefined;
  /** Seconds that had been played of the pass when something was laid over it. */
  paused: number;
}

export type Change =
  | { is: "reached"; ordinal: number }
  /** Of a step of its own, since its end may be heard when another is there. */
  | { is: "played"; ordinal: number; played: Played }
  | { is: "told"; told?: Told | undefined; hint?: string | undefined }
  | { is: "heard"; ordinal: number; heard: Caught | "measuring" | undefined }
  | { is: "felt"; tension: number }
  /** Of the pass before, between two steps. */
  | { is: "felt before"; tension: number }
  | { is: "covered"; over: Over; paused?: number }
  | { is: "uncovered" };

export const stageAt = (ordinal: number, before: number | null): Stage => ({
  ordinal,
  played: "no",
  told: NOTHING_TOLD,
  hint: "",
  tension: null,
  before,
  over: undefined,
  heard: undefined,
  paused: 0,
});

/** Tension is said of one pass: what was said before holds over a rest, and not over another pass. */
const carried = (stage: Stage) => stage.tension ?? (stage.played === "no" ? stage.before : null);

export function stageAfter(stage: Stage, change: Change): Stage {
  switch (change.is) {
    case "reached":
      return change.ordinal === stage.ordinal
        ? stage
        : { ...stageAt(change.ordinal, carried(stage)), over: stage.over, paused: stage.paused };
    case "played":
      if (change.ordinal !== stage.ordinal) return stage;
      return { ...stage, played: change.played, hint: change.played === "whole" ? stage.hint : "" };
    case "told":
      return { ...stage, told: change.told ?? stage.told, hint: change.hint ?? stage.hint };
    case "heard":
      return change.ordinal === stage.ordinal ? { ...stage, heard: change.heard } : stage;
    case "felt":
      return { ...stage, tension: change.tension };
    case "felt before":
      return { ...stage, before: change.tension };
    case "covered":
      return { ...stage, over: change.over, paused: change.paused ?? stage.paused };
    case "uncovered":
      return { ...stage, over: undefined };
  }
}
