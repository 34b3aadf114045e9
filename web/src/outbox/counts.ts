import { api, given, Problem, type Schemas } from "../api/client";
import type { Keep } from "../keep";
import { WaitingList } from "./WaitingList";

type Waiting = Omit<Schemas["CountWish"], "secondsAgo"> & { changeId: number; madeAt: number };

/** What waited for longer than this counts as having waited so long, as far as the server takes it. */
const LONGEST_AGO = 129_600;

/** Counts of changes that were taken and have not arrived. */
export const waitingCounts = (keep: Keep) => new WaitingList<Waiting>(keep, "tachylim.counts");

/** Notes a count before it is sent. */
export function noteCount(keep: Keep, changeId: number, seconds: number, clean: number) {
  waitingCounts(keep).add({ clientId: crypto.randomUUID(), changeId, seconds, clean, madeAt: Date.now() });
}

/** Sends what waits, oldest first; what the server refuses for good is forgotten, and said. */
export async function sendCounts(keep: Keep): Promise<string[]> {
  const refused: string[] = [];
  for (const { changeId, madeAt, ...count } of waitingCounts(keep).all()) {
    try {
      const body = { ...count, secondsAgo: Math.min(LONGEST_AGO, Math.max(0, (Date.now() - madeAt) / 1000)) };
      await given(api.POST("/api/changes/{id}/counts", { params: { path: { id: changeId } }, body }));
    } catch (error) {
      if (!(error instanceof Problem) || ![404, 409, 422].includes(error.status)) throw error;
      refused.push(error.detail);
    }
    waitingCounts(keep).forget(count);
  }
  return refused;
}
