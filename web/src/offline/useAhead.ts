import { useEffect } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { isCutOff } from "./connection";

/** What is there now is worth more than what may be wanted later: so long it is waited, in milliseconds. */
const LATER_MS = 3_000;
const AGAIN_MS = 10 * 60 * 1000;

/** Fetches ahead what may be read without a network, in browsers that keep it: when the application opens, and when it is looked at again. */
export function useAhead() {
  const client = useQueryClient();
  useEffect(() => {
    const worker = (navigator as Partial<Navigator>).serviceWorker;
    if (!worker) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = 0;
    const go = () => {
      if (!worker.controller || isCutOff() || Date.now() - last < AGAIN_MS) return;
      last = Date.now();
      timer = setTimeout(() => {
        // What is missing is asked for where it is looked at.
        void import("./ahead").then(({ fetchAhead }) => fetchAhead()).catch(() => undefined);
      }, LATER_MS);
    };
    // The first page was there before anything could be kept: it is asked for once more.
    const taken = () => {
      void client.invalidateQueries();
      go();
    };
    const seen = () => document.visibilityState === "visible" && go();
    go();
    worker.addEventListener("controllerchange", taken);
    document.addEventListener("visibilitychange", seen);
    return () => {
      clearTimeout(timer);
      worker.removeEventListener("controllerchange", taken);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [client]);
}
