import { api, given, Problem, type Schemas } from "../api/client";
import type { Keep } from "../keep";
import { WaitingList } from "./WaitingList";

type Waiting = Schemas["CountWish"] & { changeId: number };

/** Counts of changes that were taken and have not arrived. */
export const waitingCounts = (keep: Keep) => new WaitingList<Waiting>(keep, "tachylim.counts");

/** Notes a count before it is sent. */
export function noteCount(keep: Keep, changeId: number, seconds: number, clean: number) {
  waitingCounts(keep).add({ clientId: crypto.randomUUID(), changeId, seconds, clean });
}

/** Sends what waits, oldest first; what the server refuses for good is forgotten, and said. */
export async function sendCounts(keep: Keep): Promise<string[]> {
  const refused: string[] = [];
  for (const { changeId, ...count } of waitingCounts(keep).all()) {
    try {
      await given(api.POST("/api/changes/{id}/counts", { params: { path: { id: changeId } }, body: count }));
    } catch (error) {
      if (!(error instanceof Problem) || ![404, 409, 422].includes(error.status)) throw error;
      refused.push(error.detail);
    }
    waitingCounts(keep).forget(count);
  }
  return refused;
}
