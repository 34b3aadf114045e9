import { find } from "./ear";
import type { Apart, AskedNote, Found, ToHear } from "./heard";
import { EVEN, type MadeUp, performed, perform, PLAYERS, rendered } from "./madeUp";
import { shorts, type Sound } from "./wav";

/** Why a file cannot be heard. */
export type Unheard = "tooLarge" | "tooLong" | "noSound" | "noKeys" | "failed";

export class CannotHear extends Error {
  constructor(readonly why: Unheard) {
    super(why);
  }
}

export const MOST_MEGABYTES = 60;
export const MOST_MINUTES = 10;
const MEGA = 1_000_000;

/** A file of keys is small: what is larger is something else. */
const MOST_KEYS_BYTES = MEGA;

/** The rate at which onsets are looked for. */
const RATE = 22_050;

const isKeys = (file: File) => /\.midi?$/i.test(file.name) || file.type.includes("midi");

/** Which files can be heard. */
export const ACCEPTED = "audio/*,.wav,.mp3,.ogg,.oga,.opus,.m4a,.flac,.mid,.midi";

/** How long a file lasts, by its own account, before it is laid out in memory. */
async function minutesOf(file: Blob): Promise<number> {
  const address = URL.createObjectURL(file);
  try {
    return await new Promise<number>((resolve, reject) => {
      const audio = document.createElement("audio");
      audio.preload = "metadata";
      audio.onloadedmetadata = () => resolve(audio.duration / 60);
      audio.onerror = () => reject(new CannotHear("noSound"));
      audio.src = address;
    });
  } finally {
    URL.revokeObjectURL(address);
  }
}

async function soundOf(file: Blob): Promise<Sound> {
  if ((await minutesOf(file)) > MOST_MINUTES) throw new CannotHear("tooLong");
  const decoder = new OfflineAudioContext(1, 1, RATE);
  const decoded = await decoder.decodeAudioData(await file.arrayBuffer()).catch(() => {
    throw new CannotHear("noSound");
  });
  // Some files do not say how long they last.
  if (decoded.duration > 60 * MOST_MINUTES) throw new CannotHear("tooLong");
  const samples = new Float32Array(decoded.length);
  for (let channel = 0; channel < decoded.numberOfChannels; channel++) {
    const one = decoded.getChannelData(channel);
    for (let i = 0; i < one.length; i++) samples[i]! += one[i]! / decoded.numberOfChannels;
  }
  return { samples, rate: decoded.sampleRate };
}

/** The passes of a file, and its sound. */
export interface Heard {
  found: Found[];
  sound: Sound;
}

/** Finds the passes in a file: of sound in whatever the browser can play, or of keys. */
export async function passesOf(file: File, toHear: ToHear, family: string, apart: Apart): Promise<Heard> {
  if (file.size > MOST_MEGABYTES * MEGA) throw new CannotHear("tooLarge");
  const asked = JSON.stringify(toHear);
  if (isKeys(file)) {
    if (file.size > MOST_KEYS_BYTES) throw new CannotHear("tooLarge");
    const told = await find({ of: "key file", file: await file.arrayBuffer(), toHear: asked, family, apart });
    if (!told) throw new CannotHear("noKeys");
    const { found, struck = [] } = told;
    // A file of a few bytes can say that it lasts for years: its sound would be laid out in memory.
    if (struck.some(({ seconds }) => seconds > 60 * MOST_MINUTES)) throw new CannotHear("tooLong");
    return { found, sound: await rendered(struck, 0) };
  }
  return passesIn(await soundOf(file), toHear, family);
}

async function passesIn(sound: Sound, toHear: ToHear, family: string): Promise<Heard> {
  const told = await find({
    of: "sound file",
    samples: shorts(sound.samples),
    rate: sound.rate,
    toHear: JSON.stringify(toHear),
    family,
  });
  if (!told) throw new CannotHear("failed");
  return { found: told.found, sound };
}

/** How the passes of the made-up recording are played. */
const SHOWN: MadeUp[] = [EVEN, PLAYERS.late, PLAYERS.stop, EVEN];
const PAUSE = 1.6;

const lasts = (notes: AskedNote[], tempo: number, player: MadeUp, seed: number) =>
  Math.max(...performed(notes, tempo, player, seed).map((at) => at ?? 0)) + PAUSE;

/** A recording of a made-up player, to see how one is heard. */
export async function madeUpRecording(toHear: ToHear, family: string): Promise<Heard> {
  const [notes = []] = toHear.passes;
  const seconds = SHOWN.map((player, i) => lasts(notes, toHear.tempo, player, i + 1));
  const all = seconds.reduce((sum, one) => sum + one, PAUSE);
  const audio = new OfflineAudioContext(1, Math.ceil(all * RATE), RATE);
  let from = PAUSE;
  SHOWN.forEach((player, i) => {
    perform(audio, audio.destination, toHear, from, player, i + 1, Infinity);
    from += seconds[i]!;
  });
  const samples = (await audio.startRendering()).getChannelData(0);
  return passesIn({ samples, rate: RATE }, toHear, family);
}
