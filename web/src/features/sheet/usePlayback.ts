import { useCallback, useEffect, useRef, useState } from "react";
import { api, given } from "../../api/client";
import { useChange } from "../../api/queries";
import { schedule } from "../../click/clicks";
import { play, sounding } from "../../click/instrument";
import * as touches from "../../api/touches";

const LEAD_SECONDS = 0.1;

/** Less than this is no playing. */
const LEAST_SECONDS = 1;

export interface Heard {
  variation?: string | undefined;
  first?: number | undefined;
  last?: number | undefined;
  bpm: number;
  click: boolean;
  /** Whether the player plays along, so that it counts for today. */
  along: boolean;
}

/** Plays a stretch of a passage, plain or in a variation, and says which of its notes sound. */
export function usePlayback(passageId: number) {
  const audio = useRef<AudioContext>(null);
  const silence = useRef<() => void>(undefined);
  const [playing, setPlaying] = useState<string>();
  const [lit, setLit] = useState<ReadonlySet<number>>(new Set());
  const [error, setError] = useState<unknown>();

  const { mutate: practised, error: uncounted } = useChange(
    ({ bpm, seconds, varied }: { bpm: number; seconds: number; varied: boolean }) =>
      given(
        api.POST("/api/passages/{id}/practice", {
          params: { path: { id: passageId } },
          body: { clientId: crypto.randomUUID(), bpm, seconds, varied },
        }),
      ),
    touches.practice(passageId),
  );

  const stop = useCallback(() => {
    silence.current?.();
    silence.current = undefined;
    setPlaying(undefined);
    setLit(new Set());
  }, []);

  useEffect(() => stop, [stop]);

  const start = useCallback(
    async (key: string, { variation, first, last, bpm, click, along }: Heard) => {
      stop();
      // The context has to come into being in the click itself, before anything is waited for.
      audio.current ??= new AudioContext({ latencyHint: "interactive" });
      const context = audio.current;
      void context.resume();
      setPlaying(key);
      let cancelled = false;
      silence.current = () => {
        cancelled = true;
      };
      try {
        const heard = await given(
          api.GET("/api/passages/{id}/playback", {
            params: { path: { id: passageId }, query: { variation, first, last, bpm } },
          }),
        );
        if (cancelled) return;
        setError(undefined);
        const from = context.currentTime + LEAD_SECONDS;
        const quiet = [play(context, heard.notes, from), ...(click ? [schedule(context, heard.clicks, from)] : [])];
        let shown = "";
        const timer = setInterval(() => {
          const now = context.currentTime - from;
          const notes = sounding(heard.notes, now);
          if (String(notes) !== shown) {
            shown = String(notes);
            setLit(new Set(notes));
          }
          if (now > heard.seconds + 0.3) stop();
        }, 25);
        silence.current = () => {
          clearInterval(timer);
          quiet.forEach((end) => end());
          const seconds = Math.min(context.currentTime - from, heard.seconds) - (heard.notes[0]?.seconds ?? 0);
          if (along && seconds >= LEAST_SECONDS) practised({ bpm, seconds, varied: !!variation });
        };
      } catch (failure) {
        setError(failure);
        setPlaying(undefined);
      }
    },
    [passageId, stop, practised],
  );

  return { playing, lit, error: error ?? uncounted ?? undefined, start, stop };
}
