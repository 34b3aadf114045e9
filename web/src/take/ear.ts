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

interface Answer {
  id: number;
  heard?: string;
  failed?: string;
}

/** Longer than any pass takes to be measured: then something is wrong with the worker, and another is begun. */
const PATIENCE_MS = 30_000;

/** The same of a file of ten minutes on a slow machine. */
const PATIENCE_WITH_FILES_MS = 300_000;

let worker: Worker | undefined;
let asked = 0;
const waiting = new Map<number, (answer: Answer) => void>();

function awake(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("./ear.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<Answer>) => waiting.get(data.id)?.(data);
  worker.onerror = () => sleep();
  return worker;
}

/** Lets the worker go; whoever waits for it hears that it failed. */
export function sleep() {
  worker?.terminate();
  worker = undefined;
  [...waiting].forEach(([id, tell]) => tell({ id, failed: "gone" }));
}

function ask<T>(question: Question, patience: number): Promise<T | undefined> {
  const id = ++asked;
  return new Promise((resolve) => {
    const timer = setTimeout(sleep, patience);
    waiting.set(id, ({ heard }) => {
      clearTimeout(timer);
      waiting.delete(id);
      resolve(heard === undefined ? undefined : (JSON.parse(heard) as T));
    });
    awake().postMessage({ id, question });
  });
}

/** Measures a step, apart from the page; nothing where that fails. */
export const hear = (question: Extract<Question, Step>) => ask<Heard>(question, PATIENCE_MS);

/** Finds and measures the passes of a file; nothing where that fails. */
export const find = (question: Exclude<Question, Step>) =>
  ask<Told>(question, question.of === "sound file" ? PATIENCE_WITH_FILES_MS : PATIENCE_MS);
