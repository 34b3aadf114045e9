import { Beside } from "../core/beside";
import type { Apart, Found, Heard, Recording, Struck } from "./heard";

/** A step that was played to the click; times are those of the audio context. */
interface Step {
  /** What to hear, as the core tells it. */
  toHear: string;
  /** When the first beat after the count-in was sent. */
  start: number;
  family: string;
  /** What was confirmed of this player before, nine counts. */
  confirmed: number[];
}

/** What is asked of the worker that measures. */
export type Question =
  | ({
      of: "sound";
      recording: Recording;
      clicks: number[];
      /** How much later than it was sent a click is usually heard, in seconds. */
      usually: number | undefined;
    } & Step)
  | ({ of: "keys"; struck: Struck[]; apart: Apart } & Step)
  | { of: "sound file"; samples: Int16Array<ArrayBuffer>; rate: number; toHear: string; family: string }
  | { of: "key file"; file: ArrayBuffer; toHear: string; family: string; apart: Apart };

/** What was found in a file; of one of keys, all that was struck. */
interface Told {
  found: Found[];
  struck?: Struck[];
}

/** Longer than any pass takes to be measured: then something is wrong with the worker, and another is begun. */
const PATIENCE_MS = 30_000;

/** The same of a file of ten minutes on a slow machine. */
const PATIENCE_WITH_FILES_MS = 300_000;

const ear = new Beside<Question, string>(
  () => new Worker(new URL("./ear.worker.ts", import.meta.url), { type: "module" }),
);

/** Lets what listens go; whoever waits for it hears nothing. */
export const sleep = () => ear.sleep();

const ask = async <T>(question: Question, patience: number): Promise<T | undefined> => {
  try {
    return JSON.parse(await ear.ask(question, patience)) as T;
  } catch {
    return undefined;
  }
};

/** Measures a step, apart from the page; nothing where that fails. */
export const hear = (question: Extract<Question, Step>) => ask<Heard>(question, PATIENCE_MS);

/** Finds and measures the passes of a file; nothing where that fails. */
export const find = (question: Exclude<Question, Step>) =>
  ask<Told>(question, question.of === "sound file" ? PATIENCE_WITH_FILES_MS : PATIENCE_MS);
