import { frequency } from "../click/instrument";
import { onAudioClock } from "./keyboard";
import type { Sound } from "./wav";
import type { AskedNote, Struck, ToHear } from "./heard";

/** How a made-up player plays. */
export interface MadeUp {
  /** How much intervals differ, as a share of them. */
  uneven: number;
  /** Played tempo over the asked one. */
  ratio: number;
  fault: "none" | "late" | "missing" | "stop";
}

export const EVEN: MadeUp = { uneven: 0.02, ratio: 1, fault: "none" };

/** Ways in which the made-up player plays. */
export const PLAYERS = {
  even: EVEN,
  late: { ...EVEN, fault: "late" },
  missing: { ...EVEN, fault: "missing" },
  stop: { ...EVEN, fault: "stop" },
  rushes: { ...EVEN, ratio: 1.04 },
} satisfies Record<string, MadeUp>;

const LATE_SHARE = 0.45;
const STOP_SECONDS = 0.9;
const RING = 0.9;

/** So that the same player plays the same way again. */
function dice(seed: number) {
  let state = seed >>> 0 || 1;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random());

/** When a made-up player begins each note of a pass, in seconds from its first beat; a note left out has no time. */
export function performed(notes: AskedNote[], tempo: number, player: MadeUp, seed: number): (number | undefined)[] {
  const random = dice(seed);
  const at = Math.floor(notes.length / 2);
  let shift = 0;
  return notes.map((note, i) => {
    const due = (note.beat * 60) / tempo / player.ratio;
    const interval = (note.beats * 60) / tempo / player.ratio;
    const off = normal(random) * (player.uneven / Math.SQRT2) * interval;
    if (i === at && player.fault === "missing") return undefined;
    if (i === at && player.fault === "stop") shift = STOP_SECONDS;
    return due + off + shift + (i === at && player.fault === "late" ? LATE_SHARE * interval : 0);
  });
}

/** So far ahead voices are made, and so often it is looked whether more are due: a hundred waiting ones would drown the sound. */
const AHEAD_SECONDS = 3;
const LOOKS_EVERY_MS = 500;

/**
 * Plays what is to be heard into a node, as somebody at an instrument would: a struck tone that rings, or a short noise where
 * there are no pitches.
 *
 * @param start when the first beat is due, on the clock of the audio context
 * @param ahead how far ahead its voices are made, in seconds; all at once where no clock is played to
 * @returns how to break off
 */
export function perform(
  audio: BaseAudioContext,
  into: AudioNode,
  toHear: ToHear,
  start: number,
  player: MadeUp,
  seed: number,
  ahead = AHEAD_SECONDS,
) {
  const due = toHear.passes
    .flatMap((notes, pass) => {
      const times = performed(notes, toHear.tempo, player, seed + pass);
      return notes.flatMap((note, i) => (times[i] === undefined ? [] : [{ note, at: start + times[i] }]));
    })
    .sort((one, other) => one.at - other.at);
  const voices = new Set<AudioScheduledSourceNode>();
  let next = 0;
  const play = () => {
    for (; next < due.length && due[next]!.at < audio.currentTime + ahead; next++) {
      const { note, at } = due[next]!;
      const begun = note.pitches.length > 0 ? tones(audio, into, note, at, toHear.tempo) : [tap(audio, into, at)];
      for (const voice of begun) {
        voices.add(voice);
        voice.onended = () => voices.delete(voice);
      }
    }
    if (next === due.length) clearInterval(timer);
  };
  const timer = setInterval(play, LOOKS_EVERY_MS);
  play();
  return () => {
    clearInterval(timer);
    voices.forEach((voice) => voice.stop());
  };
}

const PARTIALS = 4;

/** What a struck tone is made of: each partial is as much weaker as it is higher. */
const partials = (audio: BaseAudioContext) =>
  audio.createPeriodicWave(
    new Float32Array(PARTIALS + 1),
    Float32Array.from({ length: PARTIALS + 1 }, (_, partial) => (partial === 0 ? 0 : 1 / partial)),
    { disableNormalization: true },
  );

function tones(audio: BaseAudioContext, into: AudioNode, note: AskedNote, at: number, tempo: number) {
  const lasts = Math.max(0.08, ((note.beats * 60) / tempo) * RING);
  const wave = partials(audio);
  return note.pitches.map((pitch) => {
    const voice = audio.createOscillator();
    const gain = audio.createGain();
    voice.setPeriodicWave(wave);
    voice.frequency.value = frequency(pitch);
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(0.25, at + 0.004);
    gain.gain.exponentialRampToValueAtTime(0.1, at + lasts * 0.9);
    gain.gain.linearRampToValueAtTime(0, at + lasts);
    voice.connect(gain).connect(into);
    voice.start(at);
    voice.stop(at + lasts + 0.01);
    return voice;
  });
}

function tap(audio: BaseAudioContext, into: AudioNode, at: number) {
  const random = dice(Math.round(at * 1_000));
  const noise = audio.createBuffer(1, Math.round(0.06 * audio.sampleRate), audio.sampleRate);
  const data = noise.getChannelData(0);
  for (let i = 0; i < data.length; i++) data[i] = (2 * random() - 1) * Math.exp(-i / (0.008 * audio.sampleRate));
  const voice = audio.createBufferSource();
  const gain = audio.createGain();
  gain.gain.value = 0.5;
  voice.buffer = noise;
  voice.connect(gain).connect(into);
  voice.start(at);
  return voice;
}

const USUAL_VELOCITY = 80;
const DRUM = 38;
const MS = 1000;

/**
 * Strikes what is to be heard at an instrument that tells so, each key when it is due.
 *
 * @param start when the first beat is due, on the clock of the audio context
 * @param onStruck told of each key, on the clock of the page
 * @returns how to break off
 */
export function strike(
  audio: AudioContext,
  toHear: ToHear,
  start: number,
  player: MadeUp,
  seed: number,
  onStruck: (one: Struck) => void,
) {
  const now = performance.now() / MS - onAudioClock(audio, performance.now() / MS);
  const timers = toHear.passes.flatMap((notes, pass) => {
    const times = performed(notes, toHear.tempo, player, seed + pass);
    return notes.flatMap(({ pitches }, i) => {
      const at = times[i];
      if (at === undefined) return [];
      // Timers come when they may; the time that is told is exact, as an instrument's is.
      const seconds = start + at + now;
      const keys = pitches.length > 0 ? pitches : [DRUM];
      return setTimeout(
        () => keys.forEach((pitch) => onStruck({ seconds, pitch, velocity: USUAL_VELOCITY, channel: 0 })),
        Math.max(0, seconds * MS - performance.now()),
      );
    });
  });
  return () => timers.forEach(clearTimeout);
}

const RENDERED_RATE = 22_050;
const RINGS = 0.5;

/** What was struck as sound, to be heard again: struck tones, from a moment on. */
export async function rendered(struck: Struck[], from: number): Promise<Sound> {
  const seconds = Math.max(0, ...struck.map((one) => one.seconds - from)) + 2 * RINGS;
  const audio = new OfflineAudioContext(1, Math.ceil(seconds * RENDERED_RATE), RENDERED_RATE);
  const out = audio.createGain();
  out.connect(audio.destination);
  for (const one of struck) {
    if (one.seconds < from) continue;
    const note = { beat: 0, beats: 1, pitches: [one.pitch] };
    tones(audio, out, note, one.seconds - from, 60 / RINGS);
  }
  const sound = await audio.startRendering();
  return { samples: sound.getChannelData(0), rate: RENDERED_RATE };
}
