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

const PHONE_WIDTH = 640;
/** As {@code short} in index.css. */
const SHORT_HEIGHT = 500;
const SHORT_WIDTH = 480;

/** How the page is held: on a phone upright, or on one that lies on its side. */
export function useHand() {
  const { width, height } = useWindow();
  const short = height <= SHORT_HEIGHT && width >= SHORT_WIDTH;
  return { short, phone: width < PHONE_WIDTH && !short, height };
}
