import type { Keep } from "../keep";

const listening = new Set<() => void>();

/** Tells the page that what waits has changed. */
export const changed = () => listening.forEach((tell) => tell());

/** Hears of it, until the end that it gives. */
export function onChange(tell: () => void): () => void {
  listening.add(tell);
  return () => void listening.delete(tell);
}

/** What waits in the browser until the server has it: a list under one key, which outlives reloads. */
export class WaitingList<T extends { clientId: string }> {
  constructor(
    private readonly keep: Keep,
    private readonly key: string,
  ) {}

  /** All that waits, the oldest first. */
  all(): T[] {
    try {
      const kept: unknown = JSON.parse(this.keep.getItem(this.key) ?? "[]");
      return Array.isArray(kept) ? (kept as T[]) : [];
    } catch {
      return [];
    }
  }

  add(one: T) {
    this.write([...this.all(), one]);
  }

  /** Forgets one: it has arrived, or never will. Its id makes sending it twice harmless. */
  forget({ clientId }: { clientId: string }) {
    this.write(this.all().filter((other) => other.clientId !== clientId));
  }

  private write(list: T[]) {
    if (list.length === 0) this.keep.removeItem(this.key);
    else this.keep.setItem(this.key, JSON.stringify(list));
    changed();
  }
}
