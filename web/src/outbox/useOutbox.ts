import { useEffect } from "react";
import { useTouch } from "../api/queries";
import * as touches from "../api/touches";
import { keep } from "../keep";
import { useToast } from "../ui/Toasts";
import { waitBefore } from "./answers";
import { sendEverything } from "./outbox";
import { EventQueue } from "./queue";
import { say } from "../words/say";

/** When the application opens, whatever page it opens at, what was left on its way is sent, until it has arrived. */
export function useOutbox() {
  const toast = useToast();
  const touch = useTouch();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const go = async (attempt: number) => {
      const waiting = EventQueue.runs(keep).length > 0;
      try {
        const refused = await sendEverything(keep);
        refused.forEach((detail) => toast(say("outbox.anEarlierAnswer", { detail })));
        if (waiting) void touch(touches.run);
      } catch (error) {
        if (!over) timer = setTimeout(() => void go(attempt + 1), waitBefore(attempt, error));
      }
    };
    void go(0);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [toast, touch]);
}
