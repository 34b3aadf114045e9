import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { placeAt, schedule, tempoAt, times } from "../../click/clicks";
import { onInterruption } from "../../click/interruptions";
import { audible, type ClickWishes, USUAL, wanted } from "../../click/wishes";

type Pass = NonNullable<Schemas["StepDto"]["pass"]>;

/** A little time between the key and the first click, for the audio to be ready. */
const LEAD_SECONDS = 0.12;

/** A pass that begins, on the clock of the audio context. */
export interface Started {
  /** When the first beat after the count-in is sent. */
  start: number;
  clicks: number[];
}

/** What is told of a pass while it plays. */
interface Tells {
  over: () => void;
  started?: (started: Started) => void;
  /** The sound was taken away: it plays no more. */
  interrupted?: () => void;
}

/**
 * Plays the click of a pass as it is wanted, and says where its beat is: as it is heard, not as it is sent. The sound is there
 * from the first key on, as browsers want it, until whoever plays has gone.
 */
export function usePass(asked: Pass | null, speed: number, wishes: ClickWishes = USUAL, tells: Tells) {
  const pass = useMemo(() => (asked ? wanted(asked, wishes) : null), [asked, wishes]);
  const audio = useRef<AudioContext>(null);
  const silence = useRef<() => void>(undefined);
  const began = useRef(0);
  const [playing, setPlaying] = useState(false);
  const told = useRef(tells);
  useEffect(() => {
    told.current = tells;
  });

  const context = useCallback(() => (audio.current ??= new AudioContext({ latencyHint: "interactive" })), []);

  const stop = useCallback(() => {
    silence.current?.();
    silence.current = undefined;
    setPlaying(false);
  }, []);

  const start = useCallback(() => {
    if (!pass) return;
    stop();
    void context().resume();
    const from = context().currentTime + LEAD_SECONDS;
    began.current = from;
    const sounding = audible(pass.clicks, wishes);
    silence.current = schedule(context(), sounding, from, speed, wishes);
    told.current.started?.({ start: from + (pass.countIn * 60) / pass.tempo, clicks: times(sounding, from) });
    setPlaying(true);
  }, [pass, speed, stop, wishes, context]);

  /** Says by one sound that a rest is over, where that is wanted. */
  const cue = useCallback(() => {
    if (!wishes.rests) return;
    void context().resume();
    schedule(context(), [{ seconds: 0, kind: "CUE" }], context().currentTime + LEAD_SECONDS, 1, wishes);
  }, [wishes, context]);

  /** Seconds of the pass by now, by the clock the clicks sound on, as they are heard. */
  const { latency } = wishes;
  const heard = useCallback(
    () => Math.max(0, ((audio.current?.currentTime ?? 0) - began.current - latency) * speed),
    [speed, latency],
  );

  const beat = useCallback(() => {
    if (!pass || !audio.current) return { beat: 0, share: 0, over: false };
    return placeAt(heard(), pass);
  }, [pass, heard]);

  /** How many seconds of the pass, after counting in, have gone by since it was started. */
  const playedSeconds = useCallback(() => {
    if (!pass || !audio.current) return 0;
    const counted = (pass.countIn * 60) / pass.tempo;
    return Math.max(0, Math.min(heard(), pass.seconds) - counted);
  }, [pass, heard]);

  /** The tempo of the click by now: what lies between its last two beats. */
  const tempoNow = useCallback(() => {
    if (!pass || !audio.current) return pass?.tempo ?? 0;
    return tempoAt(heard(), pass);
  }, [pass, heard]);

  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => {
      if (!beat().over) return;
      setPlaying(false);
      told.current.over();
    }, 30);
    const letBe = onInterruption(context(), () => {
      stop();
      told.current.interrupted?.();
    });
    return () => {
      clearInterval(timer);
      letBe();
    };
  }, [playing, beat, context, stop]);

  useEffect(
    () => () => {
      silence.current?.();
      void audio.current?.close();
      audio.current = null;
    },
    [],
  );

  return { playing, start, stop, cue, beat, playedSeconds, tempoNow, context };
}
