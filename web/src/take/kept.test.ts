import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  best,
  forget,
  forgetAll,
  keepTakes,
  type KeptTake,
  LAST,
  ofPassage,
  ofRun,
  star,
  takesOf,
  tooMany,
} from "./kept";
import { shorts, soundOf, wav, withClicks } from "./wav";

const RATE = 8_000;

let count = 0;

function take(parts: Partial<KeptTake> & { verdict?: string; evenness?: number; bytes?: number } = {}): KeptTake {
  const { verdict = "CLEAN", evenness = 0.05, bytes = 100, ...more } = parts;
  count++;
  return {
    id: `take-${count}`,
    account: "odile",
    runId: 1,
    ordinal: count,
    turn: 0,
    passageId: 7,
    passage: "Kestrel Weather",
    section: "",
    metronome: 100,
    at: count,
    take: { measured: { verdict, evenness }, onsets: [], wrong: [] } as unknown as KeptTake["take"],
    asked: [],
    round: 4,
    clicks: [],
    sound: new Blob([new Uint8Array(bytes)]),
    starred: false,
    ...more,
  };
}

beforeEach(async () => {
  await forgetAll("odile");
  await forgetAll("jun");
});

describe("takes that are kept", () => {
  it("are the last of each passage, the best and those with a star", () => {
    const starred = take({ starred: true, verdict: "BROKE" });
    const fastest = take({ metronome: 140 });
    const old = take({ metronome: 90 });
    const others = Array.from({ length: LAST }, () => take({ verdict: "ROUGH", metronome: 150 }));
    const elsewhere = take({ passageId: 8, at: 0 });
    expect(tooMany([starred, fastest, old, ...others, elsewhere])).toEqual([old.id]);
    expect(best([old, fastest, ...others])).toBe(fastest);
  });

  it("of equally fast ones the most even is the best, and there is none where nothing was clean", () => {
    const even = take({ evenness: 0.02 });
    expect(best([take({ evenness: 0.06 }), even, take({ evenness: 0.03 })])).toBe(even);
    expect(best([take({ verdict: "ROUGH" })])).toBeUndefined();
  });

  it("take no more room than is said: the oldest without a star go first", () => {
    const starred = take({ starred: true, bytes: 300 });
    const old = take({ bytes: 300 });
    const late = take({ bytes: 300 });
    expect(tooMany([starred, old, late], 700)).toEqual([old.id]);
    expect(tooMany([starred, old, late], 900)).toEqual([]);
  });

  it("are found by workout and by passage, each player's own", async () => {
    const mine = take({ runId: 5 });
    const before = take({ runId: 4 });
    await keepTakes([mine, before, take({ account: "jun", runId: 5 })]);
    expect((await ofRun("odile", 5)).map(({ id }) => id)).toEqual([mine.id]);
    expect((await ofPassage("odile", 7)).map(({ id }) => id)).toEqual([before.id, mine.id]);
    await forgetAll("odile");
    expect(await ofPassage("odile", 7)).toEqual([]);
    expect(await ofPassage("jun", 7)).toHaveLength(1);
  });

  it("keep a star and lose it, and can be let go one by one", async () => {
    const one = take();
    await keepTakes([one]);
    expect(await star(one.id, true)).toBe(true);
    await keepTakes(Array.from({ length: LAST + 2 }, () => take({ metronome: 120 })));
    expect((await ofRun("odile", 1)).map(({ id }) => id)).toContain(one.id);
    expect(await star("nowhere", true)).toBe(false);
    await forget(one.id);
    expect((await ofRun("odile", 1)).map(({ id }) => id)).not.toContain(one.id);
  });
});

describe("the takes of a step", () => {
  const seconds = 20;
  const passes = [0, 8].map((first) => [0, 1, 2, 3].map((i) => ({ beat: first + i, beats: 1, pitches: [60] })));
  const heard = {
    takes: passes.map((notes, i) => ({
      measured: { verdict: "CLEAN", late: 0.1 },
      onsets: notes.map(({ beat }, note) => ({ note, seconds: 4.1 + beat })),
      wrong: [i],
    })),
  };
  const caught = (some: number) =>
    ({
      heard: { takes: heard.takes.slice(0, some) },
      recording: { samples: new Int16Array(seconds * RATE), rate: RATE, from: 100 },
      listened: {
        toHear: JSON.stringify({ tempo: 60, notes: 4, passes: passes.slice(0, some) }),
        start: 104,
        clicks: [100, 101, 112],
        of: { account: "odile", runId: 3, passageId: 7 },
      },
    }) as unknown as Parameters<typeof takesOf>[0];

  it("alone is its whole sound", async () => {
    const [one] = takesOf(caught(1), 5);
    expect(one).toMatchObject({ runId: 3, turn: 0, at: 5, round: 4, clicks: [0, 1, 12], starred: false });
    expect((await soundOf(one!.sound)).samples).toHaveLength(seconds * RATE);
    expect(one!.take.onsets[0]!.seconds).toBeCloseTo(4.1, 6);
  });

  it("in a set are cut apart, and their times stay those of their own sounds", async () => {
    const [, second] = takesOf(caught(2), 5);
    const sound = await soundOf(second!.sound);
    // Its first note is due at beat 8: 12 seconds in, a tenth later as it was heard; 0.6 seconds before that it begins.
    expect(second!.take.onsets[0]!.seconds).toBeCloseTo(12.1 - 11.5, 6);
    expect(second!.clicks[2]).toBeCloseTo(12 - 11.5, 6);
    expect(sound.samples.length / sound.rate).toBeCloseTo(0.6 + 4 + 0.7, 2);
  });
});

describe("a WAV file", () => {
  it("gives back what was written, and no more than full scale", async () => {
    const samples = new Float32Array([0, 0.5, -0.5, 1.5, -2]);
    const file = wav(shorts(samples), 44_100);
    const { samples: read, rate } = await soundOf(file);
    expect(rate).toBe(44_100);
    [0, 0.5, -0.5, 1, -1].forEach((sample, i) => expect(read[i]).toBeCloseTo(sample, 4));
    const head = new TextDecoder().decode(await file.slice(0, 4).arrayBuffer());
    expect([head, file.size, file.type]).toEqual(["RIFF", 44 + 10, "audio/wav"]);
  });

  it("can have clicks put into it, and stays what it was elsewhere", () => {
    const sound = { samples: new Float32Array(RATE), rate: RATE };
    const with_ = withClicks(sound, [0.5, 3, -1]);
    expect(with_.samples.slice(0, RATE / 2 - 1).every((sample) => sample === 0)).toBe(true);
    expect(with_.samples.slice(RATE / 2).some((sample) => Math.abs(sample) > 0.2)).toBe(true);
    expect(sound.samples.every((sample) => sample === 0)).toBe(true);
  });
});
