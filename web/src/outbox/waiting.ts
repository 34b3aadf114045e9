import { useEffect, useState, useSyncExternalStore } from "react";
import { keep, type Keep } from "../keep";
import { waitingCounts } from "./counts";
import { EventQueue } from "./queue";
import { waitingSymptoms } from "./symptoms";
import { onChange } from "./WaitingList";

/** The workouts of somebody else who plays in this browser: their answers wait for them, and are no matter of this player. */
export const othersRuns = new Set<number>();

/** How much waits in this browser to be sent. */
export const waiting = (from: Keep): number =>
  EventQueue.runs(from)
    .filter((id) => !othersRuns.has(id))
    .reduce((sum, id) => sum + new EventQueue(id, from).all().length, 0) +
  waitingSymptoms(from).all().length +
  waitingCounts(from).all().length;

function subscribe(tell: () => void) {
  const over = onChange(tell);
  // What other windows have sent or added.
  window.addEventListener("storage", tell);
  return () => {
    over();
    window.removeEventListener("storage", tell);
  };
}

/** What is on its way for less than this is not worth a word. */
const SOON_MS = 1_000;

/** How much waits to be sent, where it has waited for a moment; nothing otherwise. */
export function useWaiting(): number {
  const now = useSyncExternalStore(subscribe, () => waiting(keep));
  const some = now > 0;
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(some), some ? SOON_MS : 0);
    return () => clearTimeout(timer);
  }, [some]);
  return some && long ? now : 0;
}
