import { useEffect, useRef, useState } from "react";
import { schedule } from "../../click/clicks";
import { type Click, wishes } from "../../click/wishes";

const LEAD_SECONDS = 3;

export type CountState =
  { at: "ready" } | { at: "lead"; left: number } | { at: "counting"; left: number } | { at: "over" };

/**
 * A count by the clock: three clicks to get ready, one at the end, and between them as many clean ones as there are.
 * `speed` is 1, but in tests.
 */
export function useCounting(seconds: number, speed: number, instrument: string) {
  const [state, setState] = useState<CountState>({ at: "ready" });
  const [clean, setClean] = useState(0);
  const began = useRef<number>(undefined);
  const frame = useRef<number>(undefined);
  const audio = useRef<AudioContext>(undefined);
  const silence = useRef<() => void>(undefined);

  const still = () => {
    if (frame.current !== undefined) cancelAnimationFrame(frame.current);
    frame.current = undefined;
    silence.current?.();
    silence.current = undefined;
  };
  useEffect(
    () => () => {
      still();
      void audio.current?.close();
    },
    [],
  );

  const tick = () => {
    const gone = ((performance.now() - began.current!) / 1000) * speed - LEAD_SECONDS;
    if (gone < 0) setState({ at: "lead", left: Math.ceil(-gone) });
    else if (gone < seconds) setState({ at: "counting", left: seconds - gone });
    else {
      setState({ at: "over" });
      return;
    }
    frame.current = requestAnimationFrame(tick);
  };

  const start = () => {
    still();
    audio.current ??= new AudioContext({ latencyHint: "interactive" });
    void audio.current.resume();
    const clicks: Click[] = [
      ...[0, 1, 2].map((second): Click => ({ seconds: second, kind: "COUNT_IN" })),
      { seconds: LEAD_SECONDS, kind: "ACCENT" },
      { seconds: LEAD_SECONDS + seconds, kind: "CUE" },
    ];
    silence.current = schedule(audio.current, clicks, audio.current.currentTime, speed, {
      ...wishes(instrument),
      seen: false,
    });
    began.current = performance.now();
    setClean(0);
    setState({ at: "lead", left: LEAD_SECONDS });
    frame.current = requestAnimationFrame(tick);
  };
  const stop = () => {
    still();
    setState({ at: "ready" });
  };
  /** Ready for the next, when this one is kept. */
  const again = () => {
    setClean(0);
    setState({ at: "ready" });
  };
  return {
    state,
    clean,
    start,
    stop,
    again,
    one: () => setClean((now) => Math.min(600, now + 1)),
    oneLess: () => setClean((now) => Math.max(0, now - 1)),
  };
}
