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
        <Tabs.List className="mb-3 flex flex-wrap gap-x-6 border-b border-rule" aria-label="Where the notes come from">
          <Tabs.Trigger value="PAPER" className={TAB}>
            Paper on the stand
          </Tabs.Trigger>
          <Tabs.Trigger value="FILE" className={TAB}>
            From a file
          </Tabs.Trigger>
          <Tabs.Trigger value="STEPS" className={TAB}>
            Step by step
          </Tabs.Trigger>
          <Tabs.Trigger value="ABC" className={TAB}>
            Typed in ABC
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
              label={`${reading.data.notes} notes in ${reading.data.bars} bars`}
            />
            <p className="text-sm text-soft">
              {reading.data.notes} notes · {reading.data.bars} bars · up to{" "}
              {oneDecimal(reading.data.quickestNotesPerBeat)} notes to the beat of {reading.data.beatUnit}
            </p>
            <ul className="text-sm text-brass-deep">
              {reading.data.leftOut.length > 0 && (
                <li>Not kept, since a passage has no place for it: {reading.data.leftOut.join(" · ")}.</li>
              )}
              {reading.data.warnings.map((warning) => (
                <li key={warning}>{warning}. It is taken as it stands.</li>
              ))}
            </ul>
          </>
        ) : (
          <p className="py-8 text-center text-soft">
            {empty
              ? "The notes appear here as you type them."
              : reading.isError
                ? "The notes appear again when the text can be read."
                : "Reading."}
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
    const found = problem.more.found ? `, at “${String(problem.more.found)}”` : "";
    return `Line ${problem.more.line}, column ${String(problem.more.column)}${found}: ${problem.detail}`;
  }, [problem]);
  return (
    <>
      <Labelled
        label="Notes"
        error={place}
        hint="M is the meter, L the length of a plain letter, K the key. C D E low, c d e an octave up; C2 twice as long, z a rest, (3CDE a triplet, [CE] a chord, | a bar line."
      >
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
      <Labelled label="The tempo counts">
        {({ id }) => (
          <select
            id={id}
            className={INPUT}
            value={value.beatUnit}
            onChange={(event) => onChange({ ...value, beatUnit: event.target.value })}
          >
            <option value="">the meter's usual beat</option>
            {["1/8", "1/4", "3/8", "1/2", "3/4"].map((unit) => (
              <option key={unit} value={unit}>
                {unit} notes
              </option>
            ))}
          </select>
        )}
      </Labelled>
    </>
  );
}
