import { listen } from "tachylim-ear";
import { expect, it } from "vitest";
import type { Heard } from "./heard";
import { shorts } from "./wav";

const RATE = 22_050;
const TEMPO = 120;
const START = 0.6;
const MELODY = [60, 64, 67, 65, 62, 64, 60, 62, 64];
const ROUND = 8;

const seconds = (beat: number) => START + (beat * 60) / TEMPO;

/** A pass from a beat on: eight eighths, and a last note that is followed by a rest. */
const notes = (from: number) =>
  MELODY.map((pitch, i) => ({ beat: from + i / 2, beats: i === MELODY.length - 1 ? 1 : 0.5, pitches: [pitch] }));

/** Twice through, as somebody plays it who is never off. */
function played() {
  const samples = new Float32Array(Math.ceil(seconds(2 * ROUND) * RATE));
  for (const { beat, beats, pitches } of [...notes(0), ...notes(ROUND)]) {
    const from = Math.round(seconds(beat) * RATE);
    const length = Math.round(((beats * 60) / TEMPO) * 0.9 * RATE);
    const turn = (2 * Math.PI * 440 * 2 ** ((pitches[0]! - 69) / 12)) / RATE;
    for (let i = 0; i < length; i++) {
      const level = 0.2 * Math.min(1, i / 90) * (1 - i / length);
      for (let partial = 1; partial <= 4; partial++)
        samples[from + i]! += (level / partial) * Math.sin(turn * partial * i);
    }
  }
  return samples;
}

it("hears in the page what it hears on the server, a rest between two rounds included", () => {
  const passes = [[...notes(0), ...notes(ROUND)]];
  const toHear = { ask: "VERDICT", of: 1, tempo: TEMPO, notes: MELODY.length, bars: [], beats: [], passes };
  const heard = JSON.parse(
    listen(shorts(played()), RATE, JSON.stringify(toHear), START, "[]", "MALLET", JSON.stringify(Array(9).fill(0)), -1),
  ) as Heard;
  expect(heard.takes.map(({ measured, wrong }) => [measured.verdict, measured.missing, wrong])).toEqual([
    ["CLEAN", [], []],
  ]);
});
