import { useSyncExternalStore } from "react";

const resized = (changed: () => void) => {
  window.addEventListener("resize", changed);
  return () => window.removeEventListener("resize", changed);
};

/** The window's size, also when a tablet is turned. */
export function useWindow() {
  const width = useSyncExternalStore(resized, () => window.innerWidth);
  const height = useSyncExternalStore(resized, () => window.innerHeight);
  return { width, height };
}
