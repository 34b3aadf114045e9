import { Tabs } from "radix-ui";
import { useMemo, useState } from "react";
import { Problem, type Schemas } from "../../api/client";
import { sentence, useReading } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { INPUT, Labelled } from "../../ui/Field";
import { oneDecimal } from "../../ui/format";
import { FileMusic } from "./FileMusic";
import { FIRST_PAPER, type Paper, PaperPattern } from "./PaperPattern";
import { StepMusic } from "./StepMusic";
import { TAB } from "../../ui/tabs";
import { useDebounced } from "./useDebounced";
import { say } from "../../words/say";

export type Music = Schemas["MusicText"];

export const FIRST_ABC = "M:4/4\nL:1/16\nK:C\n";

interface Props {
  value: Music;
  onChange: (music: Music) => void;
  /** A title found in a file, for a passage that has none yet. */
  onTitle?: ((title: string) => void) | undefined;
  /** Told whether notes are on the screen that have not been taken yet. */
  onWaiting: (waiting: boolean) => void;
}

type Way = "PAPER" | "ABC" | "FILE" | "STEPS";

/** The notes of a passage: typed in ABC, or only counted from the paper on the stand. */
export function MusicEditor({ value, onChange, onTitle, onWaiting }: Props) {
  const [way, setWay] = useState<Way>(value.source);
  const go = (next: Way) => {
    setWay(next);
    onWaiting(next === "FILE" || next === "STEPS");
  };
  const take = (abc: string, title: string) => {
    onChange({ source: "ABC", meter: "4/4", beatUnit: "", text: abc, bars: 0 });
    if (title) onTitle?.(title);
    go("ABC");
  };
  const settled = useDebounced(value);
  const empty = settled.source === "ABC" && settled.text.trim() === FIRST_ABC.trim();
  const reading = useReading(empty ? undefined : settled);
  const problem = reading.error instanceof Problem ? reading.error : undefined;
  const paper: Paper = value.source === "PAPER" ? value : FIRST_PAPER;
  return (
    <div>
      <Tabs.Root
        value={way}
        onValueChange={(next) => {
          go(next as Way);
          if (next === "PAPER" && value.source !== "PAPER") onChange({ source: "PAPER", ...FIRST_PAPER });
          if (next === "ABC" && value.source !== "ABC")
            onChange({ source: "ABC", meter: "4/4", beatUnit: "", text: FIRST_ABC, bars: 0 });
        }}
      >
        <Tabs.List
          className="mb-3 flex flex-wrap gap-x-6 border-b border-rule"
          aria-label={say("sheet.whereTheNotesComeFrom")}
        >
          <Tabs.Trigger value="PAPER" className={TAB}>
            {say("sheet.paperOnTheStand")}
          </Tabs.Trigger>
          <Tabs.Trigger value="FILE" className={TAB}>
            {say("sheet.fromAFile")}
          </Tabs.Trigger>
          <Tabs.Trigger value="STEPS" className={TAB}>
            {say("sheet.stepByStep")}
          </Tabs.Trigger>
          <Tabs.Trigger value="ABC" className={TAB}>
            {say("sheet.typedInAbc")}
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="PAPER">
          <PaperPattern
            value={paper}
            error={problem?.detail}
            onChange={(next) => onChange({ source: "PAPER", ...next })}
          />
        </Tabs.Content>
        <Tabs.Content value="FILE">
          <FileMusic onTake={take} />
        </Tabs.Content>
        <Tabs.Content value="STEPS">
          <StepMusic onTake={take} />
        </Tabs.Content>
        <Tabs.Content value="ABC">
          <AbcText value={value} problem={problem} onChange={onChange} />
        </Tabs.Content>
      </Tabs.Root>
      <div className={`mt-4 min-h-32 border-y border-rule py-2 ${way === "ABC" || way === "PAPER" ? "" : "hidden"}`}>
        {reading.data ? (
          <>
            <Engraving
              abc={value.source === "ABC" ? withHeader(settled.text) : reading.data.abc}
              label={say("sheet.notesInBars", { notes: reading.data.notes, bars: reading.data.bars })}
            />
            <p className="text-sm text-soft">
              {say("sheet.notesBarsUpToNotes", {
                notes: reading.data.notes,
                bars: reading.data.bars,
                quickestNotesPerBeat: oneDecimal(reading.data.quickestNotesPerBeat),
                beatUnit: reading.data.beatUnit,
              })}
            </p>
            <ul className="text-sm text-brass-deep">
              {reading.data.leftOut.length > 0 && (
                <li>
                  {say("sheet.notKeptSinceAPassage", {
                    leftOut: reading.data.leftOut.map((one) => say(one)).join(" · "),
                  })}
                </li>
              )}
              {reading.data.warnings.map((warning) => (
                <li key={say(warning)}>{say("sheet.itIsTakenAsIt", { warning: say(warning) })}</li>
              ))}
            </ul>
          </>
        ) : (
          <p className="py-8 text-center text-soft">
            {empty
              ? say("sheet.theNotesAppearHereAs")
              : reading.isError
                ? say("sheet.theNotesAppearAgainWhen")
                : say("sheet.reading")}
          </p>
        )}
        {reading.isError && !problem && <p className="text-danger">{sentence(reading.error)}</p>}
      </div>
    </div>
  );
}

/** The engraver wants a tune number; players need not type one. */
const withHeader = (text: string) => (/^X:/m.test(text) ? text : `X:1\n${text}`);

function AbcText({ value, problem, onChange }: Pick<Props, "value" | "onChange"> & { problem: Problem | undefined }) {
  const place = useMemo(() => {
    if (!problem || typeof problem.more.line !== "number") return problem?.detail;
    const found = problem.more.found ? say("sheet.at", { found: String(problem.more.found) }) : "";
    return say("sheet.lineColumn", {
      line: problem.more.line,
      column: String(problem.more.column),
      found,
      detail: problem.detail,
    });
  }, [problem]);
  return (
    <>
      <Labelled label={say("sheet.notesLabel")} error={place} hint={say("sheet.mIsTheMeterL")}>
        {({ id, describedBy }) => (
          <textarea
            id={id}
            aria-describedby={describedBy}
            aria-invalid={place ? true : undefined}
            rows={7}
            spellCheck={false}
            className={`${INPUT} font-mono`}
            value={value.text}
            onChange={(event) => onChange({ ...value, text: event.target.value })}
          />
        )}
      </Labelled>
      <Labelled label={say("sheet.theTempoCounts")}>
        {({ id }) => (
          <select
            id={id}
            className={INPUT}
            value={value.beatUnit}
            onChange={(event) => onChange({ ...value, beatUnit: event.target.value })}
          >
            <option value="">{say("sheet.theMetersUsualBeat")}</option>
            {["1/8", "1/4", "3/8", "1/2", "3/4"].map((unit) => (
              <option key={unit} value={unit}>
                {say("sheet.unitNotes", { unit })}
              </option>
            ))}
          </select>
        )}
      </Labelled>
    </>
  );
}
