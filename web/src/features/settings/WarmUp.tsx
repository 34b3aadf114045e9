import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { useSay } from "../../ui/Toasts";
import { Failure } from "../../ui/Alert";

type Line = Schemas["WarmUpLine"];

const MOST_LINES = 8;
const FIRST: Line[] = [
  { what: "Walk, shoulders, wrists; long breaths", seconds: 180, playing: false },
  { what: "Large, easy movement in the middle of the range", seconds: 120, playing: true },
];

/** The warm-up before every workout: by the player's own lines, or large and easy. */
export function WarmUp({ me }: { me: Schemas["Me"] }) {
  const say = useSay();
  const [lines, setLines] = useState(me.warmUp);
  const keep = useChange(
    () => given(api.PUT("/api/account/warm-up", { body: { lines: lines.filter((line) => line.what.trim()) } })),
    touches.habits,
  );
  const put = (at: number, part: Partial<Line>) =>
    setLines(lines.map((line, i) => (i === at ? { ...line, ...part } : line)));
  return (
    <form
      noValidate
      aria-label="Warm-up"
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: (now) => {
            setLines(now.warmUp);
            say(now.warmUp.length > 0 ? "Kept: every workout begins so." : "Kept: two large, easy minutes.");
          },
        });
      }}
    >
      <h2 className="text-lg">Warm-up</h2>
      <p className="text-soft">
        {lines.length === 0
          ? "Two minutes of large, easy movement come before each workout. Write your own instead: the body first, away from the instrument."
          : "Line after line, before each workout and outside its minutes. What is done at the instrument counts for the day."}
      </p>
      {lines.map((line, i) => (
        <fieldset key={i} className="grid grid-cols-[1fr_auto] gap-x-2 gap-y-1.5 border-l-2 border-rule pl-3">
          <legend className="sr-only">Line {i + 1}</legend>
          <input
            aria-label={`What, line ${i + 1}`}
            className={INPUT}
            dir="auto"
            {...upTo(RANGES.WarmUpLine.what)}
            value={line.what}
            onChange={(event) => put(i, { what: event.target.value })}
          />
          <Button aria-label={`Take line ${i + 1} out`} onClick={() => setLines(lines.filter((_, at) => at !== i))}>
            <Trash2 size={16} aria-hidden="true" />
          </Button>
          <span className="flex flex-wrap items-center gap-x-4 text-soft">
            <label className="flex items-center gap-2">
              <input
                type="number"
                aria-label={`Minutes, line ${i + 1}`}
                className={`${INPUT} !w-20`}
                min={RANGES.WarmUpLine.seconds.minimum / 60}
                max={RANGES.WarmUpLine.seconds.maximum / 60}
                step="0.25"
                value={line.seconds / 60 || ""}
                onChange={(event) => put(i, { seconds: Math.round(Number(event.target.value) * 60) })}
              />
              min
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-spruce"
                checked={line.playing}
                onChange={(event) => put(i, { playing: event.target.checked })}
              />
              at the instrument
            </label>
          </span>
        </fieldset>
      ))}
      <Failure of={keep} />
      <div className="flex gap-2">
        <Button
          disabled={lines.length >= MOST_LINES}
          onClick={() => setLines(lines.length === 0 ? FIRST : [...lines, { what: "", seconds: 120, playing: true }])}
        >
          <Plus size={16} aria-hidden="true" /> {lines.length === 0 ? "My own" : "A line"}
        </Button>
        <Button kind="main" type="submit" disabled={keep.isPending}>
          Keep
        </Button>
      </div>
    </form>
  );
}
