import { Problem } from "../api/client";
import { say } from "../words/say";
import { sendLeft } from "./answers";
import { whereClosed } from "./atHand";
import { sendCounts } from "./counts";
import { EventQueue } from "./queue";
import { forgetRun } from "./runs";
import { answers } from "./shelf";
import { sendSymptoms } from "./symptoms";

/** So often a run may be looked for in vain before it is taken to be gone: a server that is behind does not know it yet. */
const GONE_AFTER = 5;
const inVain = new Map<string, number>();

/** Lets the answers of a run go that is no longer kept by the server, once it has been looked for often enough. */
function lost(run: string): string[] {
  const times = (inVain.get(run) ?? 0) + 1;
  inVain.set(run, times);
  if (times < GONE_AFTER) throw new Problem(404, say("run.thisWorkoutIsNotHere"));
  const queue = new EventQueue(run);
  const gone = queue.all();
  gone.forEach((answer) => queue.refused(answer));
  forgetRun(run);
  return [say("outbox.itsWorkoutIsGone", { answers: gone.length })];
}

/** Sends what is left of one run, where no window has it open. */
async function sendRun(run: string): Promise<string[]> {
  const sent = await whereClosed(run, async () => {
    // The window that had it may have written until the last moment.
    await answers.read();
    return sendLeft(run, new EventQueue(run));
  });
  inVain.delete(run);
  if (sent?.view?.step.ended) forgetRun(run);
  return sent?.refused ?? [];
}

/**
 * Sends everything that waits in the browser, symptoms first, and says what was refused. What cannot be sent now stays, and
 * holds nothing else up.
 */
export async function sendEverything(): Promise<string[]> {
  const refused: string[] = [];
  let failure: unknown;
  const attempt = async (send: () => Promise<string[] | void>) => {
    try {
      refused.push(...((await send()) ?? []));
    } catch (error) {
      failure = error;
    }
  };
  await attempt(sendSymptoms);
  for (const run of EventQueue.runs()) {
    await attempt(async () => {
      try {
        return await sendRun(run);
      } catch (error) {
        if (error instanceof Problem && error.status === 404) return lost(run);
        throw error;
      }
    });
  }
  await attempt(sendCounts);
  if (failure) throw failure;
  return refused;
}
