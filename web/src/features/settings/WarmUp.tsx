import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo, within } from "../../api/within";
import { Button } from "../../ui/Button";
import { Field, INPUT } from "../../ui/Field";
import { family } from "../../ui/format";
import { fieldError } from "../sheet/PassageFields";
import { useToast } from "../../ui/Toasts";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

type Line = Schemas["WarmUpLine"];

const MOST_LINES = 8;
const FIRST: Line[] = [
  { what: say("settings.walkShouldersWristsLongBreaths"), seconds: 180, playing: false },
  { what: say("settings.largeEasyMovementInThe"), seconds: 120, playing: true },
];

const written = (lines: Line[]) => lines.filter((line) => line.what.trim());

/** The warm-up before every workout: by the player's own lines, or large and easy. */
export function WarmUp({ me }: { me: Schemas["Me"] }) {
  const toast = useToast();
  const [lines, setLines] = useState(me.warmUp);
  const keep = useChange(
    () => given(api.PUT("/api/account/warm-up", { body: { lines: written(lines) } })),
    touches.habits,
  );
  return (
    <form
      noValidate
      aria-label={say("common.warmUp")}
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: (now) => {
            setLines(now.warmUp);
            toast(
              now.warmUp.length > 0
                ? say("settings.keptEveryWorkoutBeginsSo")
                : say("settings.keptTwoLargeEasyMinutes"),
            );
          },
        });
      }}
    >
      <h2 className="text-lg">{say("common.warmUp")}</h2>
      <Lines lines={lines} onChange={setLines} />
      <Failure of={keep} />
      <div>
        <Button online kind="main" type="submit" disabled={keep.isPending}>
          {say("settings.keep")}
        </Button>
      </div>
    </form>
  );
}

/** What is usual on an instrument beside the first: how long, and its own warm-up. */
export function OnAnother({
  instrument,
  usual,
}: {
  instrument: Schemas["Me"]["instrument"];
  usual: Omit<Schemas["OtherInstrumentDto"], "instrument">;
}) {
  const toast = useToast();
  const [minutes, setMinutes] = useState(usual.minutes);
  const [lines, setLines] = useState(usual.warmUp);
  const keep = useChange(
    () =>
      given(
        api.PUT("/api/account/instruments/{instrument}", {
          params: { path: { instrument } },
          body: { minutes, warmUp: { lines: written(lines) } },
        }),
      ),
    touches.habits,
  );
  const name = family(instrument);
  return (
    <form
      noValidate
      aria-label={say("settings.onInstrument", { instrument: name })}
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, { onSuccess: () => toast(say("settings.kept")) });
      }}
    >
      <h2 className="text-lg">{say("settings.onInstrument", { instrument: name })}</h2>
      <Field
        label={say("settings.minutesOnAUsualDay")}
        type="number"
        {...within(RANGES.OtherInstrumentWish.minutes)}
        value={minutes || ""}
        error={fieldError(keep.error, "minutes")}
        onChange={(event) => setMinutes(Number(event.target.value))}
      />
      <Lines lines={lines} onChange={setLines} />
      <Failure of={keep} />
      <div>
        <Button online kind="main" type="submit" disabled={keep.isPending}>
          {say("settings.keep")}
        </Button>
      </div>
    </form>
  );
}

/** The lines of a warm-up, to be written and taken out. */
function Lines({ lines, onChange }: { lines: Line[]; onChange: (lines: Line[]) => void }) {
  const put = (at: number, part: Partial<Line>) =>
    onChange(lines.map((line, i) => (i === at ? { ...line, ...part } : line)));
  return (
    <>
      <p className="text-soft">
        {lines.length === 0 ? say("settings.twoMinutesOfLargeEasy") : say("settings.lineAfterLineBeforeEach")}
      </p>
      {lines.map((line, i) => (
        <fieldset key={i} className="grid grid-cols-[1fr_auto] gap-x-2 gap-y-1.5 border-l-2 border-rule pl-3">
          <legend className="sr-only">{say("settings.line", { i: i + 1 })}</legend>
          <input
            aria-label={say("settings.whatLine", { i: i + 1 })}
            className={INPUT}
            dir="auto"
            {...upTo(RANGES.WarmUpLine.what)}
            value={line.what}
            onChange={(event) => put(i, { what: event.target.value })}
          />
          <Button
            aria-label={say("settings.takeLineOut", { i: i + 1 })}
            onClick={() => onChange(lines.filter((_, at) => at !== i))}
          >
            <Trash2 size={16} aria-hidden="true" />
          </Button>
          <span className="flex flex-wrap items-center gap-x-4 text-soft">
            <label className="flex items-center gap-2">
              <input
                type="number"
                aria-label={say("settings.minutesLine", { i: i + 1 })}
                className={`${INPUT} !w-20`}
                min={RANGES.WarmUpLine.seconds.minimum / 60}
                max={RANGES.WarmUpLine.seconds.maximum / 60}
                step="0.25"
                value={line.seconds / 60 || ""}
                onChange={(event) => put(i, { seconds: Math.round(Number(event.target.value) * 60) })}
              />
              {say("settings.minLabel")}
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-spruce"
                checked={line.playing}
                onChange={(event) => put(i, { playing: event.target.checked })}
              />
              {say("settings.atTheInstrument")}
            </label>
          </span>
        </fieldset>
      ))}
      <div>
        <Button
          disabled={lines.length >= MOST_LINES}
          onClick={() => onChange(lines.length === 0 ? FIRST : [...lines, { what: "", seconds: 120, playing: true }])}
        >
          <Plus size={16} aria-hidden="true" /> {lines.length === 0 ? say("settings.myOwn") : say("settings.aLine")}
        </Button>
      </div>
    </>
  );
}
