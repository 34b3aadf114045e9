import { useCallback, useEffect, useRef, useState } from "react";
import { schedule, times } from "../click/clicks";
import type { ClickWishes } from "../click/wishes";
import type { ToHear } from "./heard";
import type { Caught, Listened } from "./sources";
import type { useEars } from "./useEars";

/** A line lasts no longer than so many beats, and so many notes. */
const BEATS = 8;
const NOTES = 16;
const COUNTED = 4;

/** A little time for the audio to be ready. */
const LEAD_SECONDS = 0.3;

/** The beginning of what is to be heard, once through. */
export function lineOf(toHear: ToHear): ToHear {
  const asked = toHear.passes[0] ?? [];
  const first = asked[0]?.beat ?? 0;
  const notes = asked
    .slice(0, toHear.notes)
    .filter(({ beat }, i) => i < NOTES && beat < first + BEATS)
    .map((note) => ({ ...note, beat: note.beat - first }));
  return { ...toHear, ask: "VERDICT", of: 1, notes: notes.length, passes: [notes] };
}

type About = Pick<Listened, "family" | "confirmed" | "of">;

/** Lets a line be played before a workout goes on, to see what is heard of it: nothing of it is kept. */
export function useLine(ears: ReturnType<typeof useEars>, context: () => AudioContext, wishes: ClickWishes) {
  const [state, setState] = useState<"idle" | "playing" | "unheard" | Caught>("idle");
  const hush = useRef<() => void>(undefined);
  const { begin, end, drop } = ears;
  const stop = useCallback(() => {
    hush.current?.();
    if (hush.current) drop();
    hush.current = undefined;
    setState("idle");
  }, [drop]);
  useEffect(() => () => hush.current?.(), []);

  const play = useCallback(
    (toHear: string, about: About) => {
      const line = lineOf(JSON.parse(toHear) as ToHear);
      const last = line.passes[0]!.at(-1);
      if (!last) return;
      hush.current?.();
      const beat = 60 / line.tempo;
      const audio = context();
      const from = audio.currentTime + LEAD_SECONDS;
      const over = COUNTED + Math.ceil(last.beat + last.beats);
      const clicks = Array.from({ length: over }, (_, i) => ({
        seconds: i * beat,
        kind: i < COUNTED ? ("COUNT_IN" as const) : ("BEAT" as const),
      }));
      const silence = schedule(audio, clicks, from, 1, wishes);
      begin({ ...about, toHear: JSON.stringify(line), start: from + COUNTED * beat, clicks: times(clicks, from) });
      setState("playing");
      const timer = setTimeout(
        () => void end().then((caught) => setState((now) => (now === "playing" ? (caught ?? "unheard") : now))),
        (LEAD_SECONDS + over * beat) * 1000,
      );
      hush.current = () => {
        silence();
        clearTimeout(timer);
      };
    },
    [begin, end, context, wishes],
  );
  return { state, play, stop };
}
