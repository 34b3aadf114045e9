import { useState } from "react";
import type { Schemas } from "../../api/client";
import { INPUT } from "../../ui/Field";
import { say } from "../../words/say";

type Line = Schemas["LineDto"];

interface Props {
  lines: Line[];
  chosen: number;
  onChoose: (line: number) => void;
}

/** Up to this many lines stand in a list that folds; a book of tunes gets one that scrolls and searches. */
const FEW = 12;
const MOST_SHOWN = 200;

const called = (line: Line) =>
  [line.part, line.voice && say("sheet.voice", { voice: line.voice })].filter(Boolean).join(", ");

/** Which line of a file is taken. */
export function LineChoice({ lines, chosen, onChoose }: Props) {
  if (lines.length > FEW) return <Book lines={lines} chosen={chosen} onChoose={onChoose} />;
  return (
    <label>
      <span className="block text-sm text-soft">{say("sheet.line")}</span>
      <select
        aria-label={say("sheet.lineOfTheFile")}
        value={chosen}
        onChange={(event) => onChoose(Number(event.target.value))}
        className={`${INPUT} !w-auto max-w-72`}
      >
        {lines.map((one, i) => (
          <option key={i} value={i}>
            {say("sheet.lineWithNotes", { called: called(one), notes: one.notes })}
          </option>
        ))}
      </select>
    </label>
  );
}

function Book({ lines, chosen, onChoose }: Props) {
  const [sought, setSought] = useState("");
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = lines
    .map((line, place) => ({ line, place }))
    .filter(({ line }) => words.every((word) => called(line).toLowerCase().includes(word)));
  return (
    <div className="w-full max-w-xl">
      <label>
        <span className="block text-sm text-soft">
          {say("sheet.searchAmongLines", { lines: lines.length, soughtIs: sought ? "yes" : "no", found: found.length })}
        </span>
        <input
          type="search"
          aria-label={say("sheet.searchTheLinesOfThe")}
          value={sought}
          onChange={(event) => setSought(event.target.value)}
          className={INPUT}
        />
      </label>
      <ul
        aria-label={say("sheet.linesOfTheFile")}
        className="mt-1 h-44 divide-y divide-rule overflow-y-auto rounded-[5px] border border-rule-strong bg-white"
      >
        {found.slice(0, MOST_SHOWN).map(({ line, place }) => (
          <li key={place}>
            <button
              type="button"
              aria-pressed={place === chosen}
              onClick={() => onChoose(place)}
              className="flex min-h-10 w-full items-center justify-between gap-3 px-3 text-left hover:bg-spruce-pale aria-pressed:bg-spruce-pale aria-pressed:font-semibold"
            >
              <span className="truncate" dir="auto">
                {called(line)}
              </span>
              <span className="shrink-0 text-sm text-soft">{say("sheet.notesOfLine", { notes: line.notes })}</span>
            </button>
          </li>
        ))}
        {found.length > MOST_SHOWN && (
          <li className="px-3 py-2 text-sm text-soft">
            {say("sheet.andMoreSearchToSee", { found: found.length - MOST_SHOWN })}
          </li>
        )}
        {found.length === 0 && <li className="px-3 py-2 text-soft">{say("sheet.noLineIsCalledThat")}</li>}
      </ul>
    </div>
  );
}
