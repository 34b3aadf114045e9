import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { api, given } from "../../api/client";
import { sentence } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { INPUT } from "../../ui/Field";
import { useDebounced } from "./useDebounced";

interface Choice {
  line: number;
  firstBar: number | undefined;
  lastBar: number | undefined;
  unrolled: boolean;
  grid: number | undefined;
}

const FRESH: Choice = { line: 0, firstBar: undefined, lastBar: undefined, unrolled: false, grid: undefined };
const GRIDS = [1, 2, 3, 4, 6, 8, 12, 24];

interface Props {
  onTake: (abc: string, title: string) => void;
}

/** Music from a file: its part, voice and bars are chosen with the music in view. */
export function FileMusic({ onTake }: Props) {
  const id = useId();
  const [file, setFile] = useState<File>();
  const [choice, setChoice] = useState<Choice>(FRESH);
  const settled = useDebounced(choice, 250);
  const score = useQuery({
    queryKey: ["score", file?.name, file?.size, file?.lastModified, settled],
    queryFn: async () => {
      const bytes = await file!.arrayBuffer();
      return given(
        api.POST("/api/scores", {
          params: { query: settled },
          headers: { "Content-Type": "application/octet-stream" },
          body: "",
          bodySerializer: () => bytes,
        }),
      );
    },
    enabled: file !== undefined,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
  const set = (part: Partial<Choice>) => setChoice((now) => ({ ...now, ...part }));
  const view = score.data;
  const chosen = view?.chosen;
  const line = chosen && view.lines[chosen.line];
  // What was just asked for counts before the server has answered.
  const first = choice.firstBar ?? chosen?.firstBar ?? 1;
  const last = choice.lastBar ?? chosen?.lastBar ?? 1;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        A file of music
      </label>
      <input
        id={id}
        type="file"
        accept=".musicxml,.xml,.mxl,.mid,.midi,.abc,.txt"
        onChange={(event) => {
          setFile(event.target.files?.[0]);
          setChoice(FRESH);
        }}
        className={INPUT}
      />
      <p className="mt-1 text-sm text-soft">
        MusicXML, plain or compressed, MIDI, or ABC with any number of tunes. It stays on this machine.
      </p>
      {score.isFetching && (
        <p role="status" className="mt-2 text-soft">
          Reading.
        </p>
      )}
      {score.isError && (
        <p role="alert" className="mt-2 font-semibold text-plum">
          {sentence(score.error)}
        </p>
      )}
      {!score.isError && view && chosen && line && (
        <>
          <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
            <label>
              <span className="block text-sm text-soft">Line</span>
              <select
                aria-label="Line of the file"
                value={choice.line}
                onChange={(event) => set({ line: Number(event.target.value), firstBar: undefined, lastBar: undefined })}
                className={`${INPUT} !w-auto max-w-72`}
              >
                {view.lines.map((one, i) => (
                  <option key={i} value={i}>
                    {[one.part, one.voice && `voice ${one.voice}`].filter(Boolean).join(", ")} ({one.notes} notes)
                  </option>
                ))}
              </select>
            </label>
            <BarField
              label="From bar"
              value={first}
              min={line.firstBar}
              max={line.lastBar}
              onChange={(bar) => set({ firstBar: bar, lastBar: Math.max(bar, last) })}
            />
            <BarField
              label="To bar"
              value={last}
              min={line.firstBar}
              max={line.lastBar}
              onChange={(bar) => set({ firstBar: Math.min(first, bar), lastBar: bar })}
            />
            <span className="pb-3 text-sm text-soft">
              of {line.firstBar}–{line.lastBar}
            </span>
            {view.kind === "MIDI" && (
              <label>
                <span className="block text-sm text-soft">Drawn to</span>
                <select
                  aria-label="Grid to draw to"
                  value={choice.grid ?? ""}
                  onChange={(event) =>
                    set({ grid: event.target.value === "" ? undefined : Number(event.target.value) })
                  }
                  className={`${INPUT} !w-auto`}
                >
                  <option value="">the grid that fits</option>
                  {GRIDS.map((grid) => (
                    <option key={grid} value={grid}>
                      {grid} to a quarter note
                    </option>
                  ))}
                  <option value={0}>no grid</option>
                </select>
              </label>
            )}
            {(chosen.hasRepeats || choice.unrolled) && (
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  checked={choice.unrolled}
                  onChange={(event) => set({ unrolled: event.target.checked })}
                  className="size-4 accent-spruce"
                />
                repeats written out
              </label>
            )}
          </div>
          <div className="mt-3 min-h-28 border-y border-rule py-2">
            {chosen.abc ? (
              <Engraving abc={chosen.abc} label={`${chosen.notes} notes of ${line.part}`} />
            ) : (
              <p className="py-6 text-center text-plum">{chosen.problem}</p>
            )}
          </div>
          <div className="mt-2 flex flex-wrap items-start justify-between gap-4">
            <div className="max-w-xl text-sm text-soft">
              {view.warnings.map((warning) => (
                <p key={warning}>{warning}</p>
              ))}
              <p>
                {view.leftOut.length === 0
                  ? "Nothing of the file is left out."
                  : `Left out, since a passage has no place for it: ${view.leftOut.join(" · ")}.`}
              </p>
            </div>
            <button
              type="button"
              disabled={!chosen.abc || score.isFetching || choice !== settled}
              onClick={() => onTake(chosen.abc, view.title || line.part)}
              className="min-h-11 rounded-[5px] bg-spruce px-4 font-semibold text-white disabled:bg-rule disabled:text-soft"
            >
              Take these {chosen.notes} notes
            </button>
          </div>
        </>
      )}
    </div>
  );
}

function BarField({
  label,
  value,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  onChange: (bar: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  return (
    <label>
      <span className="block text-sm text-soft">{label}</span>
      <input
        type="number"
        min={min}
        max={max}
        value={typed ?? value}
        onChange={(event) => {
          setTyped(event.target.value);
          const bar = Number(event.target.value);
          if (event.target.value !== "" && bar >= min && bar <= max) onChange(bar);
        }}
        onBlur={() => setTyped(undefined)}
        className={`${INPUT} !w-24`}
      />
    </label>
  );
}
