import type { Schemas } from "../api/client";

export type Measured = Schemas["MeasuredDto"];

/** Where a note began, in seconds of the recording. */
export interface Onset {
  note: number;
  seconds: number;
  /** How far off that may be, one standard deviation. */
  sigma: number;
  /** Decibels over what is usual in the take. */
  loudness: number;
  again: boolean;
  stopped: boolean;
}

/** A note as it was asked, in beats of the tempo from the end of the count-in. */
export interface AskedNote {
  beat: number;
  beats: number;
  pitches: number[];
}

/** What a microphone is to hear of a step, as the core tells it. */
export interface ToHear {
  ask: string;
  of: number;
  tempo: number;
  /** How many notes it has once through. */
  notes: number;
  /** The bar in which each of these stands, from 1; 0 for a pickup. */
  bars: number[];
  /** The beat of the bar on which each stands, from 1. */
  beats: number[];
  passes: AskedNote[][];
}

/** A pass as it was heard. */
export interface Take {
  measured: Measured;
  /** How often such a verdict is right, 0 to 1; takes that were kept by an earlier edition do not know. */
  sure?: number;
  onsets: Onset[];
  wrong: number[];
  /** How much later the higher hand strikes, in milliseconds; nothing where hands are not told apart. */
  hands?: { together: number | null; inTurn: number | null } | null;
}

/** A key that was struck, in seconds of some clock. */
export interface Struck {
  seconds: number;
  pitch: number;
  velocity: number;
  channel: number;
}

/** How the hands are told apart: not at all, by their channels, or by the lowest key of the higher one. */
export interface Apart {
  by: "CHANNEL" | "SPLIT" | null;
  split: number;
}

/** A pass that was found in a file, and when it begins. */
export interface Found {
  seconds: number;
  take: Take;
}

export interface Suggested {
  verdict: "CLEAN" | "ROUGH" | "BROKE";
  told: number | null;
}

/** What was heard of a step: its passes, what would be answered, and what is answered where the player says nothing. */
export interface Heard {
  takes: Take[];
  suggested: Suggested | null;
  alone: Suggested | null;
  /** What it is as evidence. */
  heard: Schemas["Hearing"];
}

/** Sound as it was recorded, on the clock of the audio context. */
export interface Recording {
  /** 16 bits each. */
  samples: Int16Array<ArrayBuffer>;
  rate: number;
  /** When its first sample was heard. */
  from: number;
}
