import { KeyGround } from "../../ui/KeyGround";
import { sentence } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button, KeyCap } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { Keyboard } from "./Keyboard";
import { useTaps } from "../../ui/useTaps";
import { useStepEntry } from "./useStepEntry";
import { TEMPO, within } from "../../api/within";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

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
  ["v2", "2", say("sheet.half")],
  ["v4", "4", say("sheet.quarter")],
  ["v8", "8", say("sheet.eighth")],
  ["v16", "6", say("sheet.sixteenth")],
  ["v32", "3", say("sheet.thirtySecond")],
  ["dot", ".", say("sheet.dotted")],
  ["triplet", "T", say("sheet.triplets")],
  ["rest", "R", say("common.rest")],
  ["tie", "-", say("sheet.tieOn")],
  ["sharp", "S", say("sheet.sharp")],
  ["flat", "L", say("sheet.flat")],
  ["natural", "N", say("sheet.natural")],
  ["up", "↑", say("sheet.octaveUp")],
  ["down", "↓", say("sheet.octaveDown")],
];

interface Props {
  onTake: (abc: string, title: string) => void;
}

/** A silence this long, in seconds, begins the rhythm anew. */
const RHYTHM_SILENCE = 5;

/** Notes entered a key at a time, without any syntax; the line is engraved as it grows. */
export function StepMusic({ onTake }: Props) {
  const steps = useStepEntry();
  const { entry, change, shown } = steps;
  const taps = useTaps(RHYTHM_SILENCE);
  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label>
          <span className="block text-sm text-soft">{say("sheet.meter")}</span>
          <select
            aria-label={say("sheet.meter")}
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
          <span className="block text-sm text-soft">{say("sheet.keySignature")}</span>
          <select
            aria-label={say("sheet.keySignature")}
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
        <Button onClick={steps.undo} disabled={entry.strokes.length === 0}>
          {say("sheet.undo")}
        </Button>
        <Button onClick={steps.redo} disabled={entry.undone.length === 0}>
          {say("sheet.redo")}
        </Button>
        <Button kind="quiet" onClick={steps.startOver}>
          {say("sheet.startOver")}
        </Button>
      </div>
      <KeyGround
        label={say("sheet.enterNotesLettersATo")}
        onKeyDown={steps.keys}
        className="mt-3 rounded-[5px] border border-spruce bg-white p-3"
      >
        <div className="min-h-24">
          {shown ? (
            <Engraving abc={shown.abc} label={say("sheet.notesEntered", { notes: shown.notes })} />
          ) : (
            <p className="py-7 text-center text-soft">{say("sheet.clickHereAndTypeLetters")}</p>
          )}
        </div>
        <div className="mt-2 flex flex-wrap gap-1.5">
          {BUTTONS.map(([one, key, words]) => (
            <button
              key={one}
              type="button"
              aria-pressed={one === steps.value}
              onClick={() => steps.stroke(one)}
              className={`flex min-h-11 items-center gap-1.5 rounded-[4px] border px-2 text-sm ${one === steps.value ? "border-spruce bg-spruce-pale" : "border-rule-strong hover:border-ink"}`}
            >
              <KeyCap>{key}</KeyCap> {words}
            </button>
          ))}
        </div>
        <Keyboard onKey={(key) => steps.stroke(`k${key}`)} />
      </KeyGround>
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Button {...taps.button}>
          {taps.count === 0 ? say("sheet.tapTheRhythm") : say("sheet.taps", { count: taps.count })}
        </Button>
        <label className="flex items-center gap-2 text-soft">
          {say("sheet.toABeatOf")}
          <input
            type="number"
            {...within(TEMPO)}
            value={entry.tapBpm || ""}
            onChange={(event) => change({ tapBpm: Number(event.target.value) })}
            className={`${INPUT} !w-22`}
            aria-label={say("sheet.beatsAMinuteYouTap")}
          />
          {say("sheet.bpm")}
        </label>
        {taps.count > 1 && (
          <Button onClick={() => change({ taps: taps.take() })}>{say("sheet.drawItToTheBeat")}</Button>
        )}
        {entry.taps.length > 0 && (
          <Button kind="quiet" onClick={() => change({ taps: [] })}>
            {say("sheet.leaveTheTaps")}
          </Button>
        )}
        {shown?.grid && (
          <span className="pb-2 text-sm text-soft">{say("sheet.drawnToPlacesInA", { grid: shown.grid })}</span>
        )}
      </div>
      {steps.error && <Alert className="mt-2">{sentence(steps.error)}</Alert>}
      <div className="mt-3 flex justify-end">
        <Button
          kind="main"
          disabled={!shown || steps.error !== null}
          onClick={() => {
            if (!shown) return;
            onTake(shown.abc, "");
            steps.forget();
          }}
        >
          {say("sheet.takeTheNotes")}
        </Button>
      </div>
    </div>
  );
}
