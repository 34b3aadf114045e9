import { Beside } from "./beside";

/** What is asked of the core. */
export type Question =
  | { ask: "edition" }
  | { ask: "begin"; score: string }
  | { ask: "after" | "instead"; event: string }
  | { ask: "suppose"; events: string[] };

/** Where a run stands, and what a microphone is to hear of its step; texts of JSON. */
export interface Moment {
  moment: string;
  toHear: string;
}

/** Longer than anything takes that is asked of it, also on a slow phone that has just opened the page. */
const PATIENCE_MS = 15_000;

const beside = new Beside<Question, unknown>(
  () => new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" }),
);

const ask = <Answer>(question: Question) => beside.ask(question, PATIENCE_MS) as Promise<Answer>;

/** The core that the pages carry. It decides beside the page; it plays one run at a time. */
export const core = {
  edition: () => ask<number>({ ask: "edition" }),
  begin: (score: string) => ask<Moment>({ ask: "begin", score }),
  after: (event: string) => ask<Moment>({ ask: "after", event }),
  instead: (event: string) => ask<Moment>({ ask: "instead", event }),
  /** Works out what would come after each of these events, while nothing else is asked. */
  suppose: (events: string[]) => void ask<string>({ ask: "suppose", events }).catch(() => undefined),
};

export type Core = typeof core;
