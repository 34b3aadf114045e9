import type { Schemas } from "../api/client";
import type { Keep } from "../keep";
import { answers, type Shelf } from "./shelf";

type Told = Schemas["EventWish"];

/** An event as it is kept here: what was measured of it only where something was. */
export type EventWish = Omit<Told, "measured" | "taken"> & Partial<Pick<Told, "measured" | "taken">>;

/** An event of a run: when it was made, and how often it was changed since. */
export interface Queued {
  /** Its client's id. */
  id: string;
  run: string;
  event: EventWish;
  /** What was heard of it, for the core to go on by. */
  heard?: Schemas["Hearing"] | undefined;
  madeAt: number;
  revision: number;
  /** Whether it was played on from an answer that was refused. */
  baseless?: boolean;
  /** Whether it has arrived: it is kept to play on from until the run is taken up anew. */
  sent?: boolean;
}

const ends = ({ event }: Queued) => event.kind === "STOPPED" || event.kind === "SYMPTOM";

/**
 * Events of a run that the server has not confirmed. They outlive reloads, carry ids of their own, so that sending one
 * twice does no harm, and leave in the order they were made; but what ends a run never waits behind an answer.
 */
export class EventQueue {
  constructor(
    readonly run: string,
    private readonly shelf: Shelf<"answers"> = answers,
  ) {}

  /** The runs of which anything is on its way. */
  static runs(shelf: Shelf<"answers"> = answers): string[] {
    const waiting = shelf.all().filter(({ sent }) => !sent);
    return [...new Set(waiting.map(({ run }) => run))];
  }

  /** What is on its way. */
  all(): Queued[] {
    return this.played().filter(({ sent }) => !sent);
  }

  /** What was played since the run was taken up, whether it has arrived or not. */
  played(): Queued[] {
    return this.shelf.all().filter(({ run }) => run === this.run);
  }

  first(): Queued | undefined {
    const all = this.all();
    return all.find(ends) ?? all[0];
  }

  /** Adds an event; one with the same id takes its place, as a tension put right does before it has arrived. */
  add(event: EventWish, heard?: Schemas["Hearing"], now = Date.now()) {
    const before = this.shelf.get(event.clientId);
    this.shelf.put({
      ...before,
      id: event.clientId,
      run: this.run,
      event,
      heard: heard ?? before?.heard,
      madeAt: before?.madeAt ?? now,
      revision: (before?.revision ?? 0) + 1,
      sent: false,
    });
  }

  /** Takes note that something has arrived, unless it was put right since it left: then that still has to go. */
  confirmed({ id, revision }: Queued) {
    this.shelf.change(
      id,
      (now) => now.revision === revision,
      (now) => ({ ...now, sent: true }),
    );
  }

  /** Forgets what was refused; what was played on from it can no longer wait for it. */
  refused(sent: Queued) {
    this.shelf.change(sent.id, ({ revision }) => revision === sent.revision);
    this.all()
      .filter(({ event }) => event.ordinal > sent.event.ordinal)
      .forEach((later) => this.shelf.put({ ...later, baseless: true }));
  }

  /** Forgets what has arrived of the first events of a run. */
  playedBefore(ordinal: number) {
    this.played()
      .filter(({ event, sent }) => sent && event.ordinal < ordinal)
      .forEach(({ id }) => this.shelf.change(id, ({ sent }) => sent === true));
  }
}

/** When a rest began, so that a reload in the middle of it takes nothing away. */
export function restBegan(run: string, ordinal: number, keep: Keep, now: number): number {
  const key = `tachylim.run.${run}.rest`;
  const [atOrdinal, began] = (keep.getItem(key) ?? "").split(" ").map(Number);
  // A clock that was set back would make the rest seem not to have begun: it begins anew.
  if (atOrdinal === ordinal && began !== undefined && began <= now) return began;
  keep.setItem(key, `${ordinal} ${now}`);
  return now;
}
