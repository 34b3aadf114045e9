import type { KeyboardEvent } from "react";

interface Wish {
  notes: number;
  cursor: number | undefined;
  setCursor: (note: number) => void;
  /** Any other key, with the note at hand. */
  onKey: (key: string, note: number) => void;
}

/** Left and right go from note to note, Home and End to the ends; other keys are for the note at hand. */
export function useNoteKeys({ notes, cursor, setCursor, onKey }: Wish) {
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const moves: Record<string, number> = {
      ArrowLeft: Math.max(0, (cursor ?? 1) - 1),
      ArrowRight: Math.min(notes - 1, (cursor ?? -1) + 1),
      Home: 0,
      End: notes - 1,
    };
    const to = moves[event.key];
    if (to !== undefined) {
      event.preventDefault();
      setCursor(to);
    } else if (cursor !== undefined) {
      onKey(event.key.toLowerCase(), cursor);
    }
  };
}
