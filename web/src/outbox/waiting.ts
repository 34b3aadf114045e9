import { useEffect, useState, useSyncExternalStore } from "react";
import { answers, counts, onChange, symptoms } from "./shelf";

/** How much waits in this browser to be sent, of whoever is signed in. */
export const waiting = (): number =>
  answers.all().filter(({ sent }) => !sent).length + symptoms.all().length + counts.all().length;

/** What is on its way for less than this is not worth a word. */
const SOON_MS = 1_000;

/** How much waits to be sent, where it has waited for a moment; nothing otherwise. */
export function useWaiting(): number {
  const now = useSyncExternalStore(onChange, waiting);
  const some = now > 0;
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(some), some ? SOON_MS : 0);
    return () => clearTimeout(timer);
  }, [some]);
  return some && long ? now : 0;
}
