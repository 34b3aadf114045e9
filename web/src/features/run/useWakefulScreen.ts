import { useEffect } from "react";

/** Keeps the screen on while somebody plays. */
export function useWakefulScreen() {
  useEffect(() => {
    // A screen that goes dark in mid-pass would be in the way; where it cannot be kept on, nothing is lost.
    let lock: WakeLockSentinel | undefined;
    let over = false;
    // A page that was hidden has lost it, and asks again when it is back.
    const ask = () => {
      if (document.visibilityState !== "visible") return;
      navigator.wakeLock?.request("screen").then(
        (granted) => {
          if (over) void granted.release();
          else lock = granted;
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}
