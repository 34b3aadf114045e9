import { useCallback, useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { placeAt, schedule, tempoAt } from "../../click/clicks";

type Pass = NonNullable<Schemas["StepDto"]["pass"]>;

/** A little time between the key and the first click, for the audio to be ready. */
const LEAD_SECONDS = 0.12;

/** Plays the click of a pass and says where its beat is. */
export function usePass(pass: Pass | null, speed: number, onOver: () => void) {
  const audio = useRef<AudioContext>(null);
  const silence = useRef<() => void>(undefined);
  const began = useRef(0);
  const [playing, setPlaying] = useState(false);
  const over = useRef(onOver);
  useEffect(() => {
    over.current = onOver;
  });

  const stop = useCallback(() => {
    silence.current?.();
    silence.current = undefined;
    setPlaying(false);
  }, []);

  const start = useCallback(() => {
    if (!pass) return;
    stop();
    audio.current ??= new AudioContext({ latencyHint: "interactive" });
    void audio.current.resume();
    const from = audio.current.currentTime + LEAD_SECONDS;
    began.current = from;
    silence.current = schedule(audio.current, pass.clicks, from, speed);
    setPlaying(true);
  }, [pass, speed, stop]);

  /** Where the beat is now, by the clock the clicks sound on. */
  const beat = useCallback(() => {
    if (!pass || !audio.current) return { beat: 0, share: 0, over: false };
    return placeAt((audio.current.currentTime - began.current) * speed, pass);
  }, [pass, speed]);

  /** How many seconds of the pass, after counting in, have gone by since it was started. */
  const playedSeconds = useCallback(() => {
    if (!pass || !audio.current) return 0;
    const counted = (pass.countIn * 60) / pass.tempo;
    return Math.max(0, Math.min((audio.current.currentTime - began.current) * speed, pass.seconds) - counted);
  }, [pass, speed]);

  /** The tempo of the click by now: what lies between its last two beats. */
  const tempoNow = useCallback(() => {
    if (!pass || !audio.current) return pass?.tempo ?? 0;
    return tempoAt((audio.current.currentTime - began.current) * speed, pass);
  }, [pass, speed]);

  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => {
      if (!beat().over) return;
      setPlaying(false);
      over.current();
    }, 30);
    return () => clearInterval(timer);
  }, [playing, beat]);

  useEffect(() => () => silence.current?.(), []);

  return { playing, start, stop, beat, playedSeconds, tempoNow };
}
