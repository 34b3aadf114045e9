import { useSyncExternalStore } from "react";
import { bell } from "../bell";
import { KEPT } from "./seen";

/** When the server was last reached, where it cannot be now and what was seen before is shown in its place. */
let lastReached: string | undefined;
const { ring, hear } = bell();

/** Takes note of whether an answer came from the server, or is one that was seen before. */
export function heard({ headers }: Response) {
  const kept = headers.get(KEPT) ?? undefined;
  // What is shown may be older; when the server was last there is told by the newest.
  const now = kept && lastReached && Date.parse(kept) < Date.parse(lastReached) ? lastReached : kept;
  if (now === lastReached) return;
  lastReached = now;
  ring();
}

/** Whether answers come from what was seen before. */
export const isCutOff = () => lastReached !== undefined;

/** When the server was last reached; nothing while it can be. */
export const useLastReached = () => useSyncExternalStore(hear, () => lastReached);
