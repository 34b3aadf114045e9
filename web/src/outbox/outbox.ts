import { Problem } from "../api/client";
import type { Keep } from "../keep";
import { sendLeft } from "./answers";
import { whereClosed } from "./atHand";
import { sendCounts } from "./counts";
import { EventQueue } from "./queue";
import { sendSymptoms } from "./symptoms";
import { othersRuns } from "./waiting";

/**
 * Sends everything that waits in the browser, symptoms first, and says what was refused. What cannot be sent now stays, and
 * holds nothing else up.
 */
export async function sendEverything(keep: Keep): Promise<string[]> {
  const refused: string[] = [];
  let failure: unknown;
  const attempt = async (send: () => Promise<string[] | void>) => {
    try {
      refused.push(...((await send()) ?? []));
    } catch (error) {
      failure = error;
    }
  };
  await attempt(() => sendSymptoms(keep));
  for (const id of EventQueue.runs(keep)) {
    await attempt(async () => {
      try {
        const sent = await whereClosed(id, () => sendLeft(id, new EventQueue(id, keep)));
        othersRuns.delete(id);
        return sent?.refused;
      } catch (error) {
        if (error instanceof Problem && error.status === 404) {
          othersRuns.add(id);
          return [];
        }
        throw error;
      }
    });
  }
  await attempt(() => sendCounts(keep));
  if (failure) throw failure;
  return refused;
}
