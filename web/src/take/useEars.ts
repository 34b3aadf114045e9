import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { keep } from "../keep";
import { sleep } from "./ear";
import { type Deaf, NoInput } from "./inputs";
import { EVEN } from "./madeUp";
import { type Caught, type Listened, type Listening, type Source, source, type Ways } from "./sources";

const KEPT = "tachylim.microphone";
const OFF = "off";

/** Whether it listens, and if not why. */
export interface EarsState {
  is: "off" | "asking" | "on";
  /** Why it is off though it was wanted. */
  why?: Deaf | undefined;
  coarse?: boolean;
}

/** Nothing is told apart, and whoever is made up plays evenly. */
export const PLAIN: Ways = { player: EVEN, apart: { by: null, split: 60 } };

/** The input that was used last in this browser; nothing where none was wanted. */
export const lastInput = () => {
  const kept = keep.getItem(KEPT);
  return kept === null || kept === OFF ? undefined : kept;
};

/**
 * The ears of a page: off until they are wanted, and again when the page is left. Nothing of what is heard leaves this page.
 */
export function useEars(context: () => AudioContext) {
  const [state, setState] = useState<EarsState>({ is: "off" });
  const open = useRef<Source>(undefined);
  const pass = useRef<Listening>(undefined);
  const wish = useRef(0);

  const close = useCallback(() => {
    wish.current++;
    pass.current?.drop();
    open.current?.close();
    pass.current = open.current = undefined;
    sleep();
  }, []);
  useEffect(() => close, [close]);

  const on = useCallback(
    async (input: string, ways: Ways = PLAIN) => {
      close();
      const mine = ++wish.current;
      setState({ is: "asking" });
      const lost = (why: Deaf) => {
        close();
        setState({ is: "off", why });
      };
      try {
        const audio = context();
        void audio.resume();
        const opened = await source(audio, input, ways, lost);
        if (mine !== wish.current) return opened.close();
        open.current = opened;
        keep.setItem(KEPT, input);
        setState({ is: "on", coarse: opened.coarse });
      } catch (error) {
        if (mine === wish.current) lost(error instanceof NoInput ? error.why : "failed");
      }
    },
    [close, context],
  );

  const off = useCallback(() => {
    close();
    keep.setItem(KEPT, OFF);
    setState({ is: "off" });
  }, [close]);

  /** Listens to a pass that begins. */
  const begin = useCallback((listened: Listened) => {
    pass.current?.drop();
    pass.current = open.current?.begin(listened);
  }, []);

  /** Whether a pass is being listened to. */
  const listening = useCallback(() => pass.current !== undefined, []);

  /** What was heard of the pass that is over; nothing where it was not listened to, or cannot be measured. */
  const end = useCallback(async (): Promise<Caught | undefined> => {
    const one = pass.current;
    pass.current = undefined;
    return one?.end();
  }, []);

  /** Forgets what is being listened to. */
  const drop = useCallback(() => {
    pass.current?.drop();
    pass.current = undefined;
  }, []);

  const level = useCallback(() => open.current?.level() ?? 0, []);
  return useMemo(
    () => ({ ...state, on, off, begin, end, drop, listening, level }),
    [state, on, off, begin, end, drop, listening, level],
  );
}
