import { api, given } from "../api/client";
import { symptoms } from "./shelf";

/** What waited for longer than two weeks counts as having waited so long. */
const LONGEST_AGO = 1_209_600;

/** Notes a symptom, to be sent as soon as it can be. */
export function noteSymptom() {
  symptoms.put({ id: crypto.randomUUID(), madeAt: Date.now() });
}

export async function sendSymptoms() {
  for (const { id, madeAt } of symptoms.all()) {
    const secondsAgo = Math.min(LONGEST_AGO, Math.max(0, (Date.now() - madeAt) / 1000));
    await given(api.POST("/api/symptoms", { body: { clientId: id, secondsAgo } }));
    symptoms.remove(id);
  }
}
