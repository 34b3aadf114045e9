import { api, given } from "../api/client";
import type { Keep } from "../keep";
import { WaitingList } from "./WaitingList";

/** Symptoms that were reported outside of a workout and have not arrived. */
export const waitingSymptoms = (keep: Keep) =>
  new WaitingList<{ clientId: string; madeAt: number }>(keep, "tachylim.symptoms");

/** Notes a symptom, to be sent as soon as it can be. */
export function noteSymptom(keep: Keep) {
  waitingSymptoms(keep).add({ clientId: crypto.randomUUID(), madeAt: Date.now() });
}

export async function sendSymptoms(keep: Keep) {
  for (const one of waitingSymptoms(keep).all()) {
    const secondsAgo = Math.max(0, (Date.now() - one.madeAt) / 1000);
    await given(api.POST("/api/symptoms", { body: { clientId: one.clientId, secondsAgo } }));
    waitingSymptoms(keep).forget(one);
  }
}
