import { useQuery } from "@tanstack/react-query";
import type { KeyboardEvent } from "react";
import { api, given } from "../../api/client";
import { enter, type History, redo, strokeOf, undo } from "./strokes";
import { useDraft } from "./useDraft";
import { useMidiKeyboard } from "./useMidiKeyboard";

/** How long notes are until something else is asked for. */
const FIRST_VALUE = "v8";

interface Entry extends History {
  meter: string;
  fifths: number;
  taps: number[];
  tapBpm: number;
}

const EMPTY: Entry = { strokes: [], undone: [], meter: "4/4", fifths: 0, taps: [], tapBpm: 80 };

/** Notes entered a stroke at a time, kept in this window, and what the server makes of them. */
export function useStepEntry() {
  const [entry, setEntry, forget] = useDraft<Entry>("steps", EMPTY);
  const change = (part: Partial<Entry>) => setEntry((now) => ({ ...now, ...part }));
  const stroke = (one: string) => setEntry((now) => ({ ...now, ...enter(now, one) }));
  const takeBack = () => setEntry((now) => ({ ...now, ...undo(now) }));
  const again = () => setEntry((now) => ({ ...now, ...redo(now) }));
  const hasNotes = entry.strokes.some((one) => /^\+?([a-g]|k\d+)$/.test(one));
  const hasSomething = hasNotes || entry.taps.length > 0;
  const entered = useQuery({
    queryKey: ["strokes", entry.strokes, entry.meter, entry.fifths, entry.taps, entry.tapBpm],
    queryFn: () =>
      given(
        api.POST("/api/readings/strokes", {
          body: {
            strokes: hasNotes ? [FIRST_VALUE, ...entry.strokes] : [],
            meter: entry.meter,
            fifths: entry.fifths,
            taps: entry.taps,
            tapBpm: entry.tapBpm,
            grid: null,
          },
        }),
      ),
    enabled: hasSomething,
    placeholderData: (before) => before,
    retry: false,
  });
  useMidiKeyboard(stroke);

  /** What a key of the computer's keyboard does. */
  const keys = (event: KeyboardEvent) => {
    const key = event.key;
    if ((event.ctrlKey || event.metaKey) && key.toLowerCase() === "z") {
      event.preventDefault();
      if (event.shiftKey) again();
      else takeBack();
    } else if (key === "Backspace") {
      event.preventDefault();
      takeBack();
    } else if (!event.ctrlKey && !event.metaKey && !event.altKey) {
      const one = strokeOf(key);
      if (!one) return;
      event.preventDefault();
      stroke(one);
    }
  };

  return {
    entry,
    change,
    stroke,
    keys,
    undo: takeBack,
    redo: again,
    startOver: () => change({ strokes: [], undone: [], taps: [] }),
    forget,
    /** The value that the next note has. */
    value: [...entry.strokes].reverse().find((one) => /^v\d+$/.test(one)) ?? FIRST_VALUE,
    shown: hasSomething ? entered.data : undefined,
    error: entered.error,
  };
}
