import { hear } from "./ear";
import type { Apart, Heard, Recording, Struck, ToHear } from "./heard";
import { areKeys, type Deaf, type Input, MADE_UP, MADE_UP_KEYS, microphone } from "./inputs";
import { keyboard, onAudioClock } from "./keyboard";
import type { TakeOf } from "./kept";
import { heardLate, usuallyLate } from "./latency";
import { type MadeUp, perform, rendered, strike } from "./madeUp";
import { Recorder } from "./recorder";
import { shorts } from "./wav";

/** What is still heard of a pass after its last beat: the longest way from a loudspeaker to a microphone, and a last tone. */
const TAIL_SECONDS = 0.7;

/** A pass that is listened to. */
export interface Listened {
  /** What to hear, as the core tells it. */
  toHear: string;
  /** When its first beat after the count-in is sent, on the clock of the audio context. */
  start: number;
  clicks: number[];
  family: string;
  /** What was confirmed of this player before, nine counts. */
  confirmed: number[];
  /** What it is a take of. */
  of: TakeOf;
}

/** What was heard, with its sound. */
export interface Caught {
  heard: Heard;
  recording: Recording;
  listened: Listened;
}

/** A pass while it is listened to. */
export interface Listening {
  /** What was heard of it; nothing where that cannot be measured. */
  end: () => Promise<Caught | undefined>;
  drop: () => void;
}

/** Where passes are heard from. */
export interface Source {
  coarse: boolean;
  level: () => number;
  begin: (listened: Listened) => Listening;
  close: () => void;
}

/** How an input is listened to. */
export interface Ways {
  /** How a made-up player plays. */
  player: MadeUp;
  apart: Apart;
}

const seedOf = ({ start }: Listened) => Math.round(start * 10);

const tail = () => new Promise((resolve) => setTimeout(resolve, TAIL_SECONDS * 1000));

/** Opens an input: a microphone, an instrument that tells what is struck, or a made-up player at either. */
export function source(audio: AudioContext, input: string, ways: Ways, onLost: (why: Deaf) => void): Promise<Source> {
  return areKeys(input) ? struck(audio, input, ways, onLost) : sounding(audio, input, ways, onLost);
}

async function sounding(
  audio: AudioContext,
  device: string,
  { player }: Ways,
  onLost: (why: Deaf) => void,
): Promise<Source> {
  const madeUp = device === MADE_UP;
  const input: Input = madeUp
    ? { node: audio.createGain(), coarse: false, close: () => undefined }
    : await microphone(audio, device, onLost);
  const recorder = await Recorder.at(audio).catch((error: unknown) => {
    input.close();
    throw error;
  });
  input.node.connect(recorder.input);
  return {
    coarse: input.coarse,
    level: () => recorder.level,
    close: () => {
      input.close();
      recorder.close();
    },
    begin: (listened) => {
      const tape = recorder.tape();
      const { toHear, start } = listened;
      const silence = madeUp
        ? perform(audio, input.node, JSON.parse(toHear) as ToHear, start, player, seedOf(listened))
        : () => undefined;
      return {
        drop: () => {
          tape.drop();
          silence();
        },
        end: async () => {
          await tail();
          silence();
          const recording = tape.end();
          if (!recording) return undefined;
          const heard = await hear({ ...listened, of: "sound", recording, usually: usuallyLate(device) });
          const late = heard?.takes[0]?.measured.late;
          if (late != null) heardLate(device, late);
          return heard && { heard, recording, listened };
        },
      };
    },
  };
}

async function struck(
  audio: AudioContext,
  input: string,
  { player, apart }: Ways,
  onLost: (why: Deaf) => void,
): Promise<Source> {
  let heard: Struck[] | undefined;
  let level = 0;
  const listen = (one: Struck) => {
    level = one.velocity / 127;
    heard?.push({ ...one, seconds: onAudioClock(audio, one.seconds) });
  };
  const close = input === MADE_UP_KEYS ? () => undefined : await keyboard(input, listen, onLost);
  return {
    coarse: false,
    level: () => (level *= 0.8),
    close,
    begin: (listened) => {
      const mine: Struck[] = (heard = []);
      const { toHear, start } = listened;
      const hush =
        input === MADE_UP_KEYS
          ? strike(audio, JSON.parse(toHear) as ToHear, start, player, seedOf(listened), listen)
          : () => undefined;
      const drop = () => {
        hush();
        if (heard === mine) heard = undefined;
      };
      return {
        drop,
        end: async () => {
          await tail();
          drop();
          const told = await hear({ ...listened, of: "keys", struck: mine, apart });
          if (!told) return undefined;
          const from = Math.min(listened.clicks[0] ?? start, start);
          const { samples, rate } = await rendered(mine, from);
          const recording = { samples: shorts(samples), rate, from };
          // Its onsets are told on the clock of what was struck; those of a take are in seconds of its sound.
          told.takes.forEach((take) => take.onsets.forEach((onset) => (onset.seconds -= from)));
          return { heard: told, recording, listened };
        },
      };
    },
  };
}
