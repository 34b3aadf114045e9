import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { AskedNote, Found, Take, ToHear } from "./heard";
import type { Caught } from "./sources";
import { shorts, type Sound, wav } from "./wav";

/** What a take is of. */
export interface TakeOf {
  /** Whose it is: whoever else uses this browser does not see it. */
  account: string;
  /** The workout; null where it was recorded elsewhere. */
  runId: number | null;
  /** Which step of the workout. */
  ordinal: number;
  passageId: number;
  passage: string;
  section: string;
  /** Clicks a minute. */
  metronome: number;
}

/** A take that is kept on this device, with its sound. */
export interface KeptTake extends TakeOf {
  id: string;
  /** Which of the passes that were answered together, from 0. */
  turn: number;
  at: number;
  take: Take;
  asked: AskedNote[];
  /** How many notes it has once through. */
  round: number;
  /** In which bar and on which beat these stand; what was kept by an earlier edition does not say. */
  bars?: number[];
  beats?: number[];
  /** When clicks were sent, in seconds of the sound. */
  clicks: number[];
  /** A WAV file of one channel. */
  sound: Blob;
  starred: boolean;
}

interface Takes extends DBSchema {
  takes: {
    key: string;
    value: KeptTake;
    indexes: { account: string; passage: [string, number]; run: [string, number] };
  };
}

/** So many of a passage are kept at most, beside its best and those with a star. */
export const LAST = 10;

/** So much is kept on a device in all. */
export const MOST_BYTES = 200_000_000;

let opened: Promise<IDBPDatabase<Takes>> | undefined;

function store() {
  return (opened ??= openDB<Takes>("tachylim-takes", 1, {
    upgrade(db) {
      const takes = db.createObjectStore("takes", { keyPath: "id" });
      takes.createIndex("account", "account");
      takes.createIndex("passage", ["account", "passageId"]);
      takes.createIndex("run", ["account", "runId"]);
    },
    terminated: () => (opened = undefined),
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  }));
}

/** What is kept of a pass begins so long before its first beat, and ends so long after its last, in seconds. */
const BEFORE = 0.6;
const AFTER = 0.7;

/** The takes of a step that was listened to: each pass of a set is one by itself. */
export function takesOf({ heard, recording, listened }: Caught, at: number): KeptTake[] {
  const { tempo, notes, bars, beats, passes } = JSON.parse(listened.toHear) as ToHear;
  const seconds = (beats: number) => (beats * 60) / tempo;
  const { rate } = recording;
  return heard.takes.map((take, turn) => {
    const asked = passes[turn]!;
    const last = asked.at(-1)!;
    const late = take.measured.late ?? 0;
    const start = listened.start - recording.from + late;
    const alone = passes.length === 1;
    const from = alone ? 0 : Math.max(0, start + seconds(asked[0]!.beat) - BEFORE);
    const to = alone ? Infinity : start + seconds(last.beat + last.beats) + AFTER;
    return {
      ...listened.of,
      id: crypto.randomUUID(),
      turn,
      at,
      take: { ...take, onsets: take.onsets.map((onset) => ({ ...onset, seconds: onset.seconds - from })) },
      asked,
      round: notes,
      bars,
      beats,
      clicks: listened.clicks.map((click) => click - recording.from - from),
      sound: wav(recording.samples.subarray(Math.round(from * rate), Math.round(to * rate)), rate),
      starred: false,
    };
  });
}

/** The takes of a recording that was made elsewhere, each with its own part of the sound. */
export function takesIn(sound: Sound, found: Found[], toHear: ToHear, of: TakeOf, at: number): KeptTake[] {
  const asked = toHear.passes[0]!;
  return found.map(({ seconds, take }, turn) => {
    const from = Math.max(0, seconds - BEFORE);
    const to = (take.onsets.at(-1)?.seconds ?? seconds) + AFTER;
    const part = (place: number) => Math.round(place * sound.rate);
    return {
      ...of,
      id: crypto.randomUUID(),
      turn,
      at,
      take: { ...take, onsets: take.onsets.map((onset) => ({ ...onset, seconds: onset.seconds - from })) },
      asked,
      round: toHear.notes,
      bars: toHear.bars,
      beats: toHear.beats,
      clicks: asked
        .map(({ beat }) => seconds - from + (beat * 60) / toHear.tempo)
        .filter((_, note) => Number.isInteger(asked[note]!.beat)),
      sound: wav(shorts(sound.samples.subarray(part(from), part(to))), sound.rate),
      starred: false,
    };
  });
}

const evenness = ({ take }: KeptTake) => take.measured.evenness ?? 1;

/** The fastest that was clean; among the equally fast the most even. */
export function best(takes: KeptTake[]): KeptTake | undefined {
  return takes
    .filter(({ take }) => take.measured.verdict === "CLEAN")
    .sort((one, other) => other.metronome - one.metronome || evenness(one) - evenness(other))[0];
}

const passageOf = ({ account, passageId }: KeptTake) => `${account} ${passageId}`;

/** What has to go so that no more is kept than is said: of a passage its oldest, then the oldest of all. A star keeps a take. */
export function tooMany(takes: KeptTake[], mostBytes = MOST_BYTES): string[] {
  const latest = [...takes].sort((one, other) => other.at - one.at);
  const stay = new Set(latest.filter(({ starred }) => starred));
  const passages = new Set(latest.map(passageOf));
  passages.forEach((passage) => {
    const some = latest.filter((one) => passageOf(one) === passage);
    const first = best(some);
    if (first) stay.add(first);
    const others = some.filter((one) => !stay.has(one));
    others.slice(0, LAST).forEach((one) => stay.add(one));
  });
  let bytes = 0;
  for (const one of latest.filter(({ starred }) => starred)) bytes += one.sound.size;
  for (const one of latest.filter((one) => stay.has(one) && !one.starred)) {
    bytes += one.sound.size;
    if (bytes > mostBytes) stay.delete(one);
  }
  return latest.filter((one) => !stay.has(one)).map(({ id }) => id);
}

/** Keeps takes, and lets go of what there is no room for. A browser that keeps nothing plays on without them. */
export async function keepTakes(some: KeptTake[]) {
  const tx = (await store()).transaction("takes", "readwrite");
  for (const one of some) await tx.store.put(one);
  for (const id of tooMany(await tx.store.getAll())) await tx.store.delete(id);
  await tx.done;
}

const inOrder = (one: KeptTake, other: KeptTake) => one.at - other.at || one.turn - other.turn;

/** The takes of a workout, in the order in which they were played. */
export async function ofRun(account: string, runId: number) {
  return (await (await store()).getAllFromIndex("takes", "run", [account, runId])).sort(inOrder);
}

/** The takes of a passage, the latest first. */
export async function ofPassage(account: string, passageId: number) {
  return (await (await store()).getAllFromIndex("takes", "passage", [account, passageId])).sort((one, other) =>
    inOrder(other, one),
  );
}

/** Gives a take a star, or takes it away; a star is refused where starred ones would fill all the room. */
export async function star(id: string, starred: boolean): Promise<boolean> {
  const tx = (await store()).transaction("takes", "readwrite");
  const all = await tx.store.getAll();
  const one = all.find((take) => take.id === id);
  const bytes = all.filter((take) => take.starred).reduce((sum, take) => sum + take.sound.size, 0);
  const fits = one !== undefined && (!starred || bytes + one.sound.size <= MOST_BYTES);
  if (fits) await tx.store.put({ ...one, starred });
  await tx.done;
  return fits;
}

export async function forget(id: string) {
  await (await store()).delete("takes", id);
}

/** Lets go of everything of an account, as when it is deleted. */
export async function forgetAll(account: string) {
  const tx = (await store()).transaction("takes", "readwrite");
  for (const id of await tx.store.index("account").getAllKeys(account)) await tx.store.delete(id);
  await tx.done;
}
