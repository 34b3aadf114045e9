import type { Schemas } from "../../api/client";

export type EventWish = Schemas["EventWish"];

/** What a queue is kept in: the browser's local storage, or a map in tests. */
export interface Keep {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
}

/**
 * Events of a run that the server has not confirmed. They outlive reloads, leave in the order they were made,
 * and carry ids of their own, so that sending one twice does no harm.
 */
export class EventQueue {
  private readonly key: string;

  constructor(
    runId: number,
    private readonly keep: Keep,
  ) {
    this.key = `tachylim.run.${runId}.events`;
  }

  all(): EventWish[] {
    try {
      return JSON.parse(this.keep.getItem(this.key) ?? "[]") as EventWish[];
    } catch {
      return [];
    }
  }

  first(): EventWish | undefined {
    return this.all()[0];
  }

  add(event: EventWish) {
    // A corrected tension replaces the one that has not left yet.
    const others = this.all().filter((other) => other.clientId !== event.clientId);
    this.write([...others, event]);
  }

  confirmed(clientId: string) {
    this.write(this.all().filter((event) => event.clientId !== clientId));
  }

  clear() {
    this.keep.removeItem(this.key);
  }

  private write(events: EventWish[]) {
    if (events.length === 0) this.clear();
    else this.keep.setItem(this.key, JSON.stringify(events));
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
