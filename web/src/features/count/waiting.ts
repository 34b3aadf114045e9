import { api, given, Problem, type Schemas } from "../../api/client";
import type { Keep } from "../../keep";

/** A count that was taken and has not arrived: it outlives reloads, and its id makes sending it twice harmless. */
export interface Waiting {
  changeId: number;
  count: Schemas["CountWish"];
}

const KEY = "tachylim.counts";

export function waiting(keep: Keep): Waiting[] {
  try {
    const kept: unknown = JSON.parse(keep.getItem(KEY) ?? "[]");
    return Array.isArray(kept) ? (kept as Waiting[]) : [];
  } catch {
    return [];
  }
}

function write(keep: Keep, counts: Waiting[]) {
  if (counts.length === 0) keep.removeItem(KEY);
  else keep.setItem(KEY, JSON.stringify(counts));
}

/** Notes a count before it is sent. */
export function note(keep: Keep, changeId: number, seconds: number, clean: number) {
  const count = { clientId: crypto.randomUUID(), seconds, clean };
  write(keep, [...waiting(keep), { changeId, count }]);
}

/** Sends what waits, oldest first; what the server refuses for good is forgotten, and said. */
export async function sendCounts(keep: Keep): Promise<string[]> {
  const refused: string[] = [];
  for (const { changeId, count } of waiting(keep)) {
    try {
      await given(api.POST("/api/changes/{id}/counts", { params: { path: { id: changeId } }, body: count }));
    } catch (error) {
      if (!(error instanceof Problem) || ![404, 409, 422].includes(error.status)) throw error;
      refused.push(error.detail);
    }
    write(
      keep,
      waiting(keep).filter((other) => other.count.clientId !== count.clientId),
    );
  }
  return refused;
}
