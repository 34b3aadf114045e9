import { useLayoutEffect, useRef } from "react";

/**
 * Listens to keys on the whole page. What is done with a key changes together with what is on the screen:
 * a key pressed the moment a step appears already belongs to that step.
 */
export function useKeys(onKey: (event: KeyboardEvent) => void) {
  const latest = useRef(onKey);
  useLayoutEffect(() => {
    latest.current = onKey;
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => latest.current(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
