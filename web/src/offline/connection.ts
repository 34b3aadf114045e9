import { useSyncExternalStore } from "react";
import { KEPT } from "./seen";

/** When the server was last reached, where it cannot be now and what was seen before is shown in its place. */
let lastReached: string | undefined;
const listening = new Set<() => void>();

/** Takes note of whether an answer came from the server, or is one that was seen before. */
export function heard({ headers }: Response) {
  const kept = headers.get(KEPT) ?? undefined;
  // What is shown may be older; when the server was last there is told by the newest.
  const now = kept && lastReached && Date.parse(kept) < Date.parse(lastReached) ? lastReached : kept;
  if (now === lastReached) return;
  lastReached = now;
  listening.forEach((tell) => tell());
}

function subscribe(tell: () => void) {
  listening.add(tell);
  return () => void listening.delete(tell);
}

/** Whether answers come from what was seen before. */
export const isCutOff = () => lastReached !== undefined;

/** When the server was last reached; nothing while it can be. */
export const useLastReached = () => useSyncExternalStore(subscribe, () => lastReached);
