import { Field, INPUT, Labelled } from "../../ui/Field";
import { RANGES } from "../../api/ranges";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

export interface Paper {
  meter: string;
  beatUnit: string;
  bars: number;
  text: string;
}

export const FIRST_PAPER: Paper = { meter: "4/4", beatUnit: "", bars: 2, text: "4" };

const METERS = ["2/4", "3/4", "4/4", "5/4", "2/2", "3/8", "6/8", "9/8", "12/8", "7/8"];
const EQUAL = ["2", "3", "4", "5", "6"];

interface Props {
  value: Paper;
  onChange: (value: Paper) => void;
  error?: string | undefined;
}

/** Notes that stay on the stand: how many bars, and how many notes to each beat. */
export function PaperPattern({ value, onChange, error }: Props) {
  const set = (part: Partial<Paper>) => onChange({ ...value, ...part });
  const mixed = !EQUAL.includes(value.text.trim());
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <Labelled label={say("sheet.meter")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={value.meter}
              onChange={(event) => set({ meter: event.target.value })}
            >
              {METERS.map((meter) => (
                <option key={meter}>{meter}</option>
              ))}
            </select>
          )}
        </Labelled>
        <Field
          label={say("sheet.bars")}
          type="number"
          min={1}
          max={RANGES.MusicText.bars.maximum}
          value={value.bars || ""}
          onChange={(event) => set({ bars: Number(event.target.value) })}
        />
      </div>
      <fieldset>
        <legend className="mb-1 font-semibold">{say("sheet.notesToEachBeat")}</legend>
        <div className="flex flex-wrap gap-2">
          {EQUAL.map((count) => (
            <button
              key={count}
              type="button"
              aria-pressed={value.text.trim() === count}
              onClick={() => set({ text: count })}
              className="min-h-11 min-w-11 rounded-[5px] border border-rule-strong px-3 text-lg font-semibold aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:text-white"
            >
              {count}
            </button>
          ))}
          <button
            type="button"
            aria-pressed={mixed}
            onClick={() => !mixed && set({ text: `${value.text} ${value.text} 3 3` })}
            className="min-h-11 rounded-[5px] border border-rule-strong px-3 font-semibold aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:text-white"
          >
            {say("sheet.mixed")}
          </button>
        </div>
      </fieldset>
      {mixed && (
        <Field
          label={say("sheet.beatByBeat")}
          hint={say("sheet.oneNumberABeatRepeated")}
          error={error}
          value={value.text}
          maxLength={120}
          inputMode="numeric"
          onChange={(event) => set({ text: event.target.value })}
        />
      )}
      {!mixed && error && <Alert className="text-sm font-semibold">{error}</Alert>}
    </div>
  );
}
