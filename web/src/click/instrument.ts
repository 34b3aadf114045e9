import type { Schemas } from "../api/client";

type Sounding = Schemas["Sounding"];

const SHORTEST = 0.09;

/** The pitch of a key of the keyboard, in hertz. */
export const frequency = (key: number) => 440 * 2 ** ((key - 69) / 12);

/**
 * Plays notes on the audio clock: a struck bar, a sine with its fourth partial dying away faster.
 * Returns how to silence what is still to come.
 */
export function play(audio: BaseAudioContext, notes: Sounding[], from: number, speed = 1): () => void {
  const out = audio.createGain();
  out.gain.value = 0.5;
  out.connect(audio.destination);
  const voices = notes.flatMap((note) =>
    note.keys.flatMap((key) => strike(audio, out, note, key, from + note.seconds / speed, speed)),
  );
  return () => {
    out.disconnect();
    voices.forEach((voice) => voice.stop());
  };
}

function strike(audio: BaseAudioContext, out: AudioNode, note: Sounding, key: number, at: number, speed: number) {
  const loud = note.accent ? 0.55 : 0.34;
  const ring = Math.max(SHORTEST, note.lasts / speed);
  return [
    { partial: 1, level: loud, decay: ring },
    { partial: 4, level: loud * 0.3, decay: Math.min(ring, 0.12) },
  ].map(({ partial, level, decay }) => {
    const voice = audio.createOscillator();
    const gain = audio.createGain();
    voice.frequency.value = frequency(key) * partial;
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(level, at + 0.004);
    gain.gain.exponentialRampToValueAtTime(level * 0.25, at + decay * 0.8);
    gain.gain.linearRampToValueAtTime(0, at + decay);
    voice.connect(gain).connect(out);
    voice.start(at);
    voice.stop(at + decay + 0.02);
    return voice;
  });
}

/** Which notes sound `seconds` after the counting in began. */
export function sounding(notes: Sounding[], seconds: number): number[] {
  const lit: number[] = [];
  notes.forEach((note, i) => {
    if (note.seconds <= seconds && seconds < note.seconds + Math.max(note.lasts, SHORTEST)) lit.push(i);
  });
  return lit;
}
