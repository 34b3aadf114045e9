import { api, given, Problem } from "../api/client";
import { counts } from "./shelf";

/** What waited for longer than this counts as having waited so long, as far as the server takes it. */
const LONGEST_AGO = 129_600;

/** Notes a count before it is sent. */
export function noteCount(changeId: number, seconds: number, clean: number) {
  counts.put({ id: crypto.randomUUID(), changeId, seconds, clean, madeAt: Date.now() });
}

/** Sends what waits, oldest first; what the server refuses for good is forgotten, and said. */
export async function sendCounts(): Promise<string[]> {
  const refused: string[] = [];
  for (const { id, changeId, madeAt, seconds, clean } of counts.all()) {
    try {
      const secondsAgo = Math.min(LONGEST_AGO, Math.max(0, (Date.now() - madeAt) / 1000));
      const body = { clientId: id, seconds, clean, secondsAgo };
      await given(api.POST("/api/changes/{id}/counts", { params: { path: { id: changeId } }, body }));
    } catch (error) {
      if (!(error instanceof Problem) || ![404, 409, 422].includes(error.status)) throw error;
      refused.push(error.detail);
    }
    counts.remove(id);
  }
  return refused;
}
