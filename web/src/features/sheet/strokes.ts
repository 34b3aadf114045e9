/** What a key of the computer's keyboard enters, step by step. */
export const STROKE_OF: Record<string, string> = {
  c: "c",
  d: "d",
  e: "e",
  f: "f",
  g: "g",
  a: "a",
  b: "b",
  "1": "v1",
  "2": "v2",
  "4": "v4",
  "8": "v8",
  "6": "v16",
  "3": "v32",
  ".": "dot",
  t: "triplet",
  r: "rest",
  "-": "tie",
  "#": "sharp",
  s: "sharp",
  l: "flat",
  n: "natural",
  ArrowUp: "up",
  ArrowDown: "down",
};

const CHORD_SECONDS = 0.04;

/** The stroke of a key press; shift joins a letter to the note before it. */
export function strokeOf(key: string): string | undefined {
  if (/^[A-G]$/.test(key)) return `+${key.toLowerCase()}`;
  return STROKE_OF[key];
}

/** The stroke of a key of a MIDI keyboard; keys struck together are a chord. */
export function keyboardStroke(key: number, at: number, before: number | undefined): string {
  return `${before !== undefined && at - before < CHORD_SECONDS ? "+" : ""}k${key}`;
}

export interface History {
  strokes: string[];
  undone: string[];
}

export const enter = (history: History, stroke: string): History => ({
  strokes: [...history.strokes, stroke],
  undone: [],
});

export const undo = ({ strokes, undone }: History): History =>
  strokes.length === 0 ? { strokes, undone } : { strokes: strokes.slice(0, -1), undone: [...undone, strokes.at(-1)!] };

export const redo = ({ strokes, undone }: History): History =>
  undone.length === 0 ? { strokes, undone } : { strokes: [...strokes, undone.at(-1)!], undone: undone.slice(0, -1) };
