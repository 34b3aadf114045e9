import type { Schemas } from "../api/client";
import type { Keep } from "../keep";
import { changed } from "./WaitingList";

type Told = Schemas["EventWish"];

/** An event as it is kept here: what was measured of it only where something was. */
export type EventWish = Omit<Told, "measured" | "taken"> & Partial<Pick<Told, "measured" | "taken">>;

/** An event on its way: when it was made, and how often it was changed since. */
export interface Queued {
  event: EventWish;
  madeAt: number;
  revision: number;
  /** Whether it was played on from an answer that was refused. */
  baseless?: boolean;
}

const PREFIX = "tachylim.run.";
const SUFFIX = ".queue";

const ends = ({ event }: Queued) => event.kind === "STOPPED" || event.kind === "SYMPTOM";

/**
 * Events of a run that the server has not confirmed. They outlive reloads, carry ids of their own, so that sending one
 * twice does no harm, and leave in the order they were made; but what ends a run never waits behind an answer.
 */
export class EventQueue {
  private readonly key: string;

  constructor(
    runId: number,
    private readonly keep: Keep,
  ) {
    this.key = PREFIX + runId + SUFFIX;
  }

  /** The runs of which anything is on its way. */
  static runs(keep: Keep): number[] {
    return keep
      .keys()
      .filter((key) => key.startsWith(PREFIX) && key.endsWith(SUFFIX))
      .map((key) => Number(key.slice(PREFIX.length, -SUFFIX.length)))
      .filter(Number.isInteger);
  }

  all(): Queued[] {
    try {
      const kept: unknown = JSON.parse(this.keep.getItem(this.key) ?? "[]");
      return Array.isArray(kept) ? (kept as Queued[]) : [];
    } catch {
      return [];
    }
  }

  first(): Queued | undefined {
    const all = this.all();
    return all.find(ends) ?? all[0];
  }

  /** Adds an event; one with the same id takes its place, as a tension put right does before it has arrived. */
  add(event: EventWish, now = Date.now()) {
    const all = this.all();
    const before = all.find((other) => other.event.clientId === event.clientId);
    const queued = { ...before, event, madeAt: before?.madeAt ?? now, revision: (before?.revision ?? 0) + 1 };
    this.write(before ? all.map((other) => (other === before ? queued : other)) : [...all, queued]);
  }

  /** Forgets what has arrived, unless it was put right since it left: then that still has to go. */
  confirmed(sent: Queued) {
    this.write(
      this.all().filter((other) => other.event.clientId !== sent.event.clientId || other.revision !== sent.revision),
    );
  }

  /** Forgets what was refused; what was played on from it can no longer wait for it. */
  refused(sent: Queued) {
    this.confirmed(sent);
    this.write(
      this.all().map((other) => (other.event.ordinal > sent.event.ordinal ? { ...other, baseless: true } : other)),
    );
  }

  private write(events: Queued[]) {
    if (events.length === 0) this.keep.removeItem(this.key);
    else this.keep.setItem(this.key, JSON.stringify(events));
    changed();
  }
}

/** When a rest began, so that a reload in the middle of it takes nothing away. */
export function restBegan(runId: number, ordinal: number, keep: Keep, now: number): number {
  const key = `tachylim.run.${runId}.rest`;
  const [atOrdinal, began] = (keep.getItem(key) ?? "").split(" ").map(Number);
  // A clock that was set back would make the rest seem not to have begun: it begins anew.
  if (atOrdinal === ordinal && began !== undefined && began <= now) return began;
  keep.setItem(key, `${ordinal} ${now}`);
  return now;
}
