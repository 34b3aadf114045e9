import type { Schemas } from "../api/client";

export type Click = Schemas["ClickDto"];

/** Pitch and loudness of each kind of click: the count-in is higher, the accent brighter. */
const SOUND: Record<Click["kind"], { pitch: number; gain: number }> = {
  COUNT_IN: { pitch: 1760, gain: 0.5 },
  ACCENT: { pitch: 1320, gain: 0.9 },
  BEAT: { pitch: 880, gain: 0.6 },
  SUBDIVISION: { pitch: 660, gain: 0.2 },
  CUE: { pitch: 440, gain: 0.7 },
};

const LENGTH_SECONDS = 0.04;

/** One click as samples: it is loudest at its very first, so that it sounds exactly when it starts. */
export function samples(pitch: number, sampleRate: number): Float32Array<ArrayBuffer> {
  const data = new Float32Array(Math.round(LENGTH_SECONDS * sampleRate));
  for (let i = 0; i < data.length; i++) {
    const t = i / sampleRate;
    data[i] = Math.cos(2 * Math.PI * pitch * t) * Math.exp(-t * 140);
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
export function schedule(audio: BaseAudioContext, clicks: Click[], from: number, speed = 1): () => void {
  const buffers = new Map<Click["kind"], AudioBuffer>();
  const sources = times(clicks, from, speed).map((time, i) => {
    const { kind } = clicks[i]!;
    let buffer = buffers.get(kind);
    if (!buffer) {
      const data = samples(SOUND[kind].pitch, audio.sampleRate);
      buffer = audio.createBuffer(1, data.length, audio.sampleRate);
      buffer.copyToChannel(data, 0);
      buffers.set(kind, buffer);
    }
    const source = audio.createBufferSource();
    const gain = audio.createGain();
    gain.gain.value = SOUND[kind].gain;
    source.buffer = buffer;
    source.connect(gain).connect(audio.destination);
    source.start(time);
    return source;
  });
  return () => sources.forEach((source) => source.stop());
}

export interface BeatPlace {
  /** Beats since playing began; below zero while counting in. */
  beat: number;
  over: boolean;
}

/** Where the beat is `seconds` into a pass with this tempo and count-in. */
export function beatAt(seconds: number, tempo: number, countIn: number, beats: number): BeatPlace {
  const beat = (seconds * tempo) / 60 - countIn;
  return { beat: Math.min(beat, beats), over: beat >= beats };
}
