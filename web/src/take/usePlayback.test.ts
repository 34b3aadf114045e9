import { describe, expect, it } from "vitest";
import type { KeptTake } from "./kept";
import { began, soundingAt } from "./usePlayback";

const kept = {
  take: { onsets: [0, 1, 3].map((note) => ({ note, seconds: 1 + note / 2 })) },
} as unknown as KeptTake;

describe("playing back", () => {
  it("begins where a note was heard, and with the next one where it was not", () => {
    expect(began(kept, 1)).toBe(1.5);
    expect(began(kept, 2)).toBe(2.5);
    expect(began(kept, 9)).toBe(2.5);
    expect(began({ take: { onsets: [] } } as unknown as KeptTake, 0)).toBe(0);
  });

  it("shows the note that sounds", () => {
    expect([0.5, 1, 1.6, 9].map((seconds) => soundingAt(kept, seconds))).toEqual([undefined, 0, 1, 3]);
  });
});
