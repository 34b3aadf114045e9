import { useCallback, useEffect, useRef, useState } from "react";
import type { KeptTake } from "./kept";
import { shorts, soundOf, wav, withClicks } from "./wav";

/** Half as fast, at the same pitch. */
export const HALF = 0.5;

/** A little of what was before a note is heard with it. */
const BEFORE_SECONDS = 0.08;

/** Where a note began in the sound, or was due where it was not heard. */
export function began({ take }: KeptTake, note: number): number {
  const { onsets } = take;
  const heard = onsets.find((onset) => onset.note >= note);
  return heard?.seconds ?? onsets.at(-1)?.seconds ?? 0;
}

/** The last note that has begun by then; nothing before the first. */
export function soundingAt({ take }: KeptTake, seconds: number): number | undefined {
  return take.onsets.findLast((onset) => onset.seconds <= seconds)?.note;
}

/** Plays a take that is kept: from a note on, at full or half speed, with the clicks it was played to or without. */
export function usePlayback(kept: KeptTake) {
  const player = useRef<HTMLAudioElement>(undefined);
  const [playing, setPlaying] = useState(false);
  const [note, setNote] = useState<number>();
  const stop = useCallback(() => {
    player.current?.pause();
    if (player.current) URL.revokeObjectURL(player.current.src);
    player.current = undefined;
    setPlaying(false);
    setNote(undefined);
  }, []);
  useEffect(() => stop, [kept.id, stop]);
  useEffect(() => {
    if (!playing) return;
    let frame = requestAnimationFrame(function follow() {
      setNote(soundingAt(kept, player.current?.currentTime ?? 0));
      frame = requestAnimationFrame(follow);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, kept]);

  const wish = useRef(0);
  const play = useCallback(
    async (from: number, speed: number, clicks: boolean) => {
      stop();
      const mine = ++wish.current;
      // A click reached the microphone later than it was sent, and the player's ear at about that time.
      const late = kept.take.measured.late ?? 0;
      const clicked = async () => {
        const { samples, rate } = withClicks(
          await soundOf(kept.sound),
          kept.clicks.map((click) => click + late),
        );
        return wav(shorts(samples), rate);
      };
      const file = clicks ? await clicked() : kept.sound;
      if (mine !== wish.current) return;
      const audio = new Audio(URL.createObjectURL(file));
      audio.preservesPitch = true;
      audio.playbackRate = speed;
      audio.currentTime = Math.max(0, began(kept, from) - BEFORE_SECONDS);
      audio.onended = stop;
      player.current = audio;
      setPlaying(true);
      await audio.play().catch(stop);
    },
    [kept, stop],
  );
  const halt = useCallback(() => {
    wish.current++;
    stop();
  }, [stop]);
  return { playing, note, play, stop: halt };
}
