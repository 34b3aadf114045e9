import { useEffect } from "react";
import { useTouch } from "../api/queries";
import * as touches from "../api/touches";
import { useToast } from "../ui/Toasts";
import { waitBefore } from "./patience";
import { LEFT } from "./atHand";
import { waiting } from "./waiting";
import { say } from "../words/say";

/**
 * What was left on its way is sent, whatever page is open: when the application opens, when a workout is left, when the network
 * is back and when the window is looked at again, until it has arrived.
 */
export function useOutbox() {
  const toast = useToast();
  const touch = useTouch();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let busy = false;
    let over = false;
    const go = async (attempt: number) => {
      if (busy) return;
      busy = true;
      clearTimeout(timer);
      const before = waiting();
      const again = (next: number, error?: unknown) => {
        if (!over && waiting() > 0) timer = setTimeout(() => void go(next), waitBefore(next, error));
      };
      try {
        // Most pages have nothing to send.
        const refused = before > 0 ? await (await import("./outbox")).sendEverything() : [];
        refused.forEach((detail) => toast(say("outbox.anEarlierAnswer", { detail })));
        if (waiting() < before) void touch(touches.run);
        // What is open in a window is sent from there, and looked for again should that be closed.
        again(attempt + 1);
      } catch (error) {
        again(attempt + 1, error);
      }
      busy = false;
    };
    const now = () => void go(0);
    const seen = () => document.visibilityState === "visible" && now();
    now();
    window.addEventListener("online", now);
    window.addEventListener(LEFT, now);
    document.addEventListener("visibilitychange", seen);
    return () => {
      over = true;
      clearTimeout(timer);
      window.removeEventListener("online", now);
      window.removeEventListener(LEFT, now);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [toast, touch]);
}
