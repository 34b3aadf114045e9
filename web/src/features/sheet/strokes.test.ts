import { describe, expect, it } from "vitest";
import { enter, keyboardStroke, redo, strokeOf, undo } from "./strokes";

describe("entering music step by step", () => {
  it("takes letters as notes, capitals as chords and figures as values", () => {
    expect(["c", "E", "8", "6", ".", "ArrowUp", "q"].map(strokeOf)).toEqual([
      "c",
      "+e",
      "v8",
      "v16",
      "dot",
      "up",
      undefined,
    ]);
  });

  it("takes keys struck together as a chord", () => {
    expect(keyboardStroke(60, 1, undefined)).toBe("k60");
    expect(keyboardStroke(64, 1.02, 1)).toBe("+k64");
    expect(keyboardStroke(65, 1.3, 1.02)).toBe("k65");
  });

  it("undoes and redoes, and forgets what was undone when something else is entered", () => {
    const three = ["c", "d", "e"].reduce(enter, { strokes: [], undone: [] });
    expect(undo(undo(three)).strokes).toEqual(["c"]);
    expect(redo(undo(three))).toEqual(three);
    expect(redo(enter(undo(three), "f")).strokes).toEqual(["c", "d", "f"]);
    expect(undo({ strokes: [], undone: [] }).strokes).toEqual([]);
  });
});
