import { KeyGround } from "../../ui/KeyGround";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { api, given } from "../../api/client";
import { sentence } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button, KeyCap } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { Keyboard } from "./Keyboard";
import { enter, type History, keyboardStroke, redo, strokeOf, undo } from "./strokes";
import { useDraft } from "./useDraft";

const METERS = ["4/4", "3/4", "2/4", "6/8", "9/8", "12/8", "5/4", "7/8", "2/2"];
const KEYS = [
  "7 flats",
  "6 flats",
  "5 flats",
  "4 flats",
  "3 flats",
  "2 flats",
  "1 flat",
  "no sharps or flats",
  "1 sharp",
  "2 sharps",
  "3 sharps",
  "4 sharps",
  "5 sharps",
  "6 sharps",
  "7 sharps",
];

const BUTTONS: [string, string, string][] = [
  ["v2", "2", "half"],
  ["v4", "4", "quarter"],
  ["v8", "8", "eighth"],
  ["v16", "6", "sixteenth"],
  ["v32", "3", "thirty-second"],
  ["dot", ".", "dotted"],
  ["triplet", "T", "triplets"],
  ["rest", "R", "rest"],
  ["tie", "-", "tie on"],
  ["sharp", "S", "sharp"],
  ["flat", "L", "flat"],
  ["natural", "N", "natural"],
  ["up", "↑", "octave up"],
  ["down", "↓", "octave down"],
];

/** How long notes are until something else is asked for. */
const FIRST_VALUE = "v8";

interface Entry extends History {
  meter: string;
  fifths: number;
  taps: number[];
  tapBpm: number;
}

interface Props {
  onTake: (abc: string, title: string) => void;
}

/** Notes entered a key at a time, without any syntax; the line is engraved as it grows. */
export function StepMusic({ onTake }: Props) {
  const [entry, setEntry, forget] = useDraft<Entry>("steps", {
    strokes: [],
    undone: [],
    meter: "4/4",
    fifths: 0,
    taps: [],
    tapBpm: 80,
  });
  const tapping = useRef<number[]>([]);
  const [tapped, setTapped] = useState(0);
  const change = (part: Partial<Entry>) => setEntry((now) => ({ ...now, ...part }));
  const stroke = (one: string) => setEntry((now) => ({ ...now, ...enter(now, one) }));
  const hasNotes = entry.strokes.some((one) => /^\+?([a-g]|k\d+)$/.test(one));
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
    enabled: hasNotes || entry.taps.length > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  useMidiKeyboard(stroke);
  const keys = (event: KeyboardEvent) => {
    const key = event.key;
    if ((event.ctrlKey || event.metaKey) && key.toLowerCase() === "z") {
      event.preventDefault();
      setEntry((now) => ({ ...now, ...(event.shiftKey ? redo(now) : undo(now)) }));
    } else if (key === "Backspace") {
      event.preventDefault();
      setEntry((now) => ({ ...now, ...undo(now) }));
    } else if (!event.ctrlKey && !event.metaKey && !event.altKey) {
      const one = strokeOf(key);
      if (one) {
        event.preventDefault();
        stroke(one);
      }
    }
  };
  const tap = () => {
    const now = performance.now() / 1000;
    const last = tapping.current.at(-1);
    tapping.current = last !== undefined && now - last > 5 ? [now] : [...tapping.current, now];
    setTapped(tapping.current.length);
  };
  const value = [...entry.strokes].reverse().find((one) => /^v\d+$/.test(one)) ?? FIRST_VALUE;
  const shown = hasNotes || entry.taps.length > 0 ? entered.data : undefined;
  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label>
          <span className="block text-sm text-soft">Meter</span>
          <select
            aria-label="Meter"
            value={entry.meter}
            onChange={(event) => change({ meter: event.target.value })}
            className={`${INPUT} !w-auto`}
          >
            {METERS.map((meter) => (
              <option key={meter}>{meter}</option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-sm text-soft">Key signature</span>
          <select
            aria-label="Key signature"
            value={entry.fifths}
            onChange={(event) => change({ fifths: Number(event.target.value) })}
            className={`${INPUT} !w-auto`}
          >
            {KEYS.map((name, i) => (
              <option key={name} value={i - 7}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <Button onClick={() => setEntry((now) => ({ ...now, ...undo(now) }))} disabled={entry.strokes.length === 0}>
          Undo
        </Button>
        <Button onClick={() => setEntry((now) => ({ ...now, ...redo(now) }))} disabled={entry.undone.length === 0}>
          Redo
        </Button>
        <Button kind="quiet" onClick={() => change({ strokes: [], undone: [], taps: [] })}>
          Start over
        </Button>
      </div>
      <KeyGround
        label="Enter notes: letters A to G, figures for their values."
        onKeyDown={keys}
        className="mt-3 rounded-[5px] border border-spruce bg-white p-3"
      >
        <div className="min-h-24">
          {shown ? (
            <Engraving abc={shown.abc} label={`${shown.notes} notes entered`} />
          ) : (
            <p className="py-7 text-center text-soft">
              Click here and type letters, or use the keys below. Shift and a letter joins it to a chord.
            </p>
          )}
        </div>
        <div className="mt-2 flex flex-wrap gap-1.5">
          {BUTTONS.map(([one, key, words]) => (
            <button
              key={one}
              type="button"
              aria-pressed={one === value}
              onClick={() => stroke(one)}
              className={`flex min-h-10 items-center gap-1.5 rounded-[4px] border px-2 text-sm ${one === value ? "border-spruce bg-spruce-pale" : "border-rule-strong hover:border-ink"}`}
            >
              <KeyCap>{key}</KeyCap> {words}
            </button>
          ))}
        </div>
        <Keyboard onKey={(key) => stroke(`k${key}`)} />
      </KeyGround>
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Button
          onPointerDown={tap}
          onKeyDown={(event) => (event.key === " " || event.key === "Enter") && !event.repeat && tap()}
        >
          {tapped === 0 ? "Tap the rhythm" : `${tapped} taps`}
        </Button>
        <label className="flex items-center gap-2 text-soft">
          to a beat of
          <input
            type="number"
            min={20}
            max={400}
            value={entry.tapBpm || ""}
            onChange={(event) => change({ tapBpm: Number(event.target.value) })}
            className={`${INPUT} !w-22`}
            aria-label="Beats a minute you tap to"
          />
          bpm
        </label>
        {tapped > 1 && (
          <Button
            onClick={() => {
              change({ taps: tapping.current });
              tapping.current = [];
              setTapped(0);
            }}
          >
            Draw it to the beat
          </Button>
        )}
        {entry.taps.length > 0 && (
          <Button kind="quiet" onClick={() => change({ taps: [] })}>
            Leave the taps
          </Button>
        )}
        {shown?.grid && <span className="pb-2 text-sm text-soft">drawn to {shown.grid} places in a quarter note</span>}
      </div>
      {entered.isError && (
        <p role="alert" className="mt-2 text-plum">
          {sentence(entered.error)}
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button
          kind="main"
          disabled={!shown || entered.isError}
          onClick={() => {
            if (!shown) return;
            onTake(shown.abc, "");
            forget();
          }}
        >
          Take these notes
        </Button>
      </div>
    </div>
  );
}

/** A MIDI keyboard, where the browser and the machine have one. */
function useMidiKeyboard(onStroke: (stroke: string) => void) {
  const latest = useRef(onStroke);
  useEffect(() => {
    latest.current = onStroke;
  });
  useEffect(() => {
    let access: MIDIAccess | undefined;
    let gone = false;
    let before: number | undefined;
    const heard = (event: MIDIMessageEvent) => {
      const [status = 0, key = 0, loudness = 0] = event.data ?? [];
      if ((status & 0xf0) !== 0x90 || loudness === 0) return;
      const at = event.timeStamp / 1000;
      latest.current(keyboardStroke(key, at, before));
      before = at;
    };
    const listen = () => access?.inputs.forEach((input) => (input.onmidimessage = heard));
    void navigator.requestMIDIAccess?.().then(
      (given) => {
        if (gone) return;
        access = given;
        access.onstatechange = listen;
        listen();
      },
      () => undefined,
    );
    return () => {
      gone = true;
      access?.inputs.forEach((input) => (input.onmidimessage = null));
    };
  }, []);
}
