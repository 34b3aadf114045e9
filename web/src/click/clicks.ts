import type { Click, ClickWishes, Sound } from "./wishes";

/** Pitch and loudness of each kind of click: the count-in is higher, the accent brighter. */
const SOUND: Record<Click["kind"], { pitch: number; gain: number }> = {
  COUNT_IN: { pitch: 1760, gain: 0.5 },
  ACCENT: { pitch: 1320, gain: 0.9 },
  BEAT: { pitch: 880, gain: 0.6 },
  SUBDIVISION: { pitch: 660, gain: 0.2 },
  CUE: { pitch: 440, gain: 0.7 },
};

/** The pitch of all clicks while a microphone listens. */
const ALIKE_PITCH = 1320;

const LENGTH_SECONDS = 0.04;

/** What each sound is made of: partials over its pitch, and how fast it dies away. */
const TIMBRE: Record<Sound, { partials: number[]; decay: number; seconds: number }> = {
  block: { partials: [1], decay: 140, seconds: LENGTH_SECONDS },
  tick: { partials: [2, 3.1, 4.7], decay: 420, seconds: 0.02 },
  bell: { partials: [1, 2.76, 5.4], decay: 34, seconds: 0.14 },
};

/** One click as samples: it is loudest at its very first, so that it sounds exactly when it starts. */
export function samples(pitch: number, sampleRate: number, sound: Sound = "block"): Float32Array<ArrayBuffer> {
  const { partials, decay, seconds } = TIMBRE[sound];
  const data = new Float32Array(Math.round(seconds * sampleRate));
  for (let i = 0; i < data.length; i++) {
    const t = i / sampleRate;
    const wave = partials.reduce((sum, partial) => sum + Math.cos(2 * Math.PI * pitch * partial * t), 0);
    data[i] = (wave / partials.length) * Math.exp(-t * decay);
  }
  return data;
}

/** When each click sounds on the audio clock, for a programme that starts at `from`. */
export function times(clicks: Click[], from: number, speed = 1): number[] {
  return clicks.map((click) => from + click.seconds / speed);
}

/**
 * Schedules a whole pass on the audio clock at once, so that a busy or hidden page cannot delay a click.
 * Returns how to silence what has not sounded yet.
 */
export function schedule(
  audio: BaseAudioContext,
  clicks: Click[],
  from: number,
  speed = 1,
  { sound, level, seen, alike }: Pick<ClickWishes, "sound" | "level" | "seen" | "alike"> = {
    sound: "block",
    level: 1,
    seen: false,
    alike: false,
  },
): () => void {
  if (seen) return () => undefined;
  const buffers = new Map<Click["kind"], AudioBuffer>();
  const sources = times(clicks, from, speed).map((time, i) => {
    const { kind } = clicks[i]!;
    let buffer = buffers.get(kind);
    if (!buffer) {
      const data = samples(alike ? ALIKE_PITCH : SOUND[kind].pitch, audio.sampleRate, sound);
      buffer = audio.createBuffer(1, data.length, audio.sampleRate);
      buffer.copyToChannel(data, 0);
      buffers.set(kind, buffer);
    }
    const source = audio.createBufferSource();
    const gain = audio.createGain();
    gain.gain.value = SOUND[kind].gain * level;
    source.buffer = buffer;
    source.connect(gain).connect(audio.destination);
    source.start(time);
    return source;
  });
  return () => sources.forEach((source) => source.stop());
}

export interface BeatPlace {
  /** Beats of the click since playing began; below zero while counting in. */
  beat: number;
  /** How much of it is played, 0 to 1. */
  share: number;
  over: boolean;
}

interface Programme {
  clicks: Click[];
  tempo: number;
  countIn: number;
  seconds: number;
}

const isBeat = ({ kind }: Click) => kind === "ACCENT" || kind === "BEAT";

/** Where the beat is `seconds` into a pass: between which of its clicks, however these follow one another. */
export function placeAt(seconds: number, { clicks, tempo, countIn, seconds: all }: Programme): BeatPlace {
  const counted = (countIn * 60) / tempo;
  const over = seconds >= all;
  if (seconds < counted) return { beat: (seconds * tempo) / 60 - countIn, share: 0, over };
  const beats = clicks.filter(isBeat);
  const share = Math.min(1, (seconds - counted) / Math.max(0.001, all - counted));
  const next = beats.findIndex((click) => click.seconds > seconds);
  const last = next < 0 ? beats.length - 1 : next - 1;
  if (last < 0) return { beat: ((seconds - counted) * tempo) / 60, share, over };
  const from = beats[last]!.seconds;
  const to = next < 0 ? all : beats[next]!.seconds;
  return { beat: last + Math.min(1, (Math.min(seconds, all) - from) / Math.max(0.001, to - from)), share, over };
}

/** The tempo of the click `seconds` into a pass, by its beats before and after. */
export function tempoAt(seconds: number, { clicks, tempo }: Programme): number {
  const beats = clicks.filter(isBeat);
  const next = beats.findIndex((click) => click.seconds > seconds);
  const to = beats[next < 0 ? beats.length - 1 : next];
  const from = beats[(next < 0 ? beats.length - 1 : next) - 1];
  return from && to ? 60 / (to.seconds - from.seconds) : tempo;
}
