import { useId } from "react";
import type { Schemas } from "../../api/client";
import { sentence, useFormats } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { LineChoice } from "./LineChoice";
import { useScoreFile } from "./useScoreFile";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

const GRIDS = [1, 2, 3, 4, 6, 8, 12, 24];
const SIXTEENTHS = 4;

interface Props {
  onTake: (abc: string, title: string) => void;
}

/** Music from a file: its part, voice and bars are chosen with the music in view. */
export function FileMusic({ onTake }: Props) {
  const id = useId();
  const score = useScoreFile();
  const formats = useFormats().data ?? [];
  const { view, chosen, line } = score;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {say("sheet.aFileOfMusic")}
      </label>
      <input
        id={id}
        type="file"
        accept={formats.flatMap((one) => one.endings.map((ending) => `.${ending}`)).join(",")}
        onChange={(event) => score.open(event.target.files?.[0])}
        className={INPUT}
      />
      <p className="mt-1 text-sm text-soft">
        {say("sheet.itStaysOnThisMachine", { formats: formats.map((one) => say(one.words)).join("; ") })}
      </p>
      {score.isReading && (
        <p role="status" className="mt-2 text-soft">
          {say("sheet.reading")}
        </p>
      )}
      {score.error && <Alert className="mt-2 font-semibold">{sentence(score.error)}</Alert>}
      {view && chosen && line && (
        <>
          <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
            <LineChoice lines={view.lines} chosen={score.choice.line} onChoose={score.chooseLine} />
            <BarChoice label={say("sheet.fromBar")} bars={score.bars} value={score.first} onChange={score.from} />
            <BarChoice label={say("sheet.toBar")} bars={score.bars} value={score.last} onChange={score.to} />
            {view.drawn && (
              <Recorded
                drawn={view.drawn}
                grid={score.choice.grid}
                pickup={score.choice.pickup}
                onGrid={score.drawTo}
                onPickup={score.beginBarOne}
              />
            )}
            {(chosen.hasRepeats || score.choice.unrolled) && (
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  checked={score.choice.unrolled}
                  onChange={(event) => score.unroll(event.target.checked)}
                  className="size-4 accent-spruce"
                />
                {say("sheet.repeatsWrittenOut")}
              </label>
            )}
          </div>
          <div className="mt-3 min-h-28 border-y border-rule py-2">
            {chosen.abc ? (
              <Engraving abc={chosen.abc} label={say("sheet.notesOf", { notes: chosen.notes, part: line.part })} />
            ) : (
              <p className="py-6 text-center text-danger">{chosen.problem}</p>
            )}
          </div>
          <div className="mt-2 flex flex-wrap items-start justify-between gap-4">
            <Remarks view={view} />
            <Button
              kind="main"
              disabled={!chosen.abc || !score.isSettled}
              onClick={() => onTake(chosen.abc, view.title || line.part)}
            >
              {say("sheet.takeTheseNotes", { notes: chosen.notes })}
            </Button>
          </div>
        </>
      )}
    </div>
  );
}

interface BarProps {
  label: string;
  bars: string[];
  value: string;
  onChange: (bar: string) => void;
}

/** A bar by the number that the score prints. */
function BarChoice({ label, bars, value, onChange }: BarProps) {
  return (
    <label>
      <span className="block text-sm text-soft">{label}</span>
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className={`${INPUT} !w-auto`}
      >
        {bars.map((bar) => (
          <option key={bar}>{bar}</option>
        ))}
      </select>
    </label>
  );
}

interface RecordedProps {
  drawn: NonNullable<Schemas["ScoreView"]["drawn"]>;
  grid: number | undefined;
  pickup: number | undefined;
  onGrid: (grid: number | undefined) => void;
  onPickup: (pickup: number | undefined) => void;
}

const optional = (value: string) => (value === "" ? undefined : Number(value));
const quarters = (sixteenths: number) =>
  sixteenths === 0 ? say("sheet.atTheStart") : `after ${sixteenths / SIXTEENTHS} quarters`;

/** What a recording leaves open: the grid its times are drawn to, and where bar one begins. */
function Recorded({ drawn, grid, pickup, onGrid, onPickup }: RecordedProps) {
  return (
    <>
      <label>
        <span className="block text-sm text-soft">{say("sheet.drawnTo")}</span>
        <select
          aria-label={say("sheet.gridToDrawTo")}
          value={grid ?? ""}
          onChange={(event) => onGrid(optional(event.target.value))}
          className={`${INPUT} !w-auto`}
        >
          <option value="">{say("sheet.theGridThatFits")}</option>
          {GRIDS.map((one) => (
            <option key={one} value={one}>
              {say("sheet.toAQuarterNote", { one })}
            </option>
          ))}
          <option value={0}>{say("sheet.noGrid")}</option>
        </select>
      </label>
      <label>
        <span className="block text-sm text-soft">{say("sheet.barOneBegins")}</span>
        <select
          aria-label={say("sheet.whereBarOneBegins")}
          value={pickup ?? ""}
          onChange={(event) => onPickup(optional(event.target.value))}
          className={`${INPUT} !w-auto`}
        >
          <option value="">
            {pickup === undefined
              ? say("sheet.asFound", { pickup: quarters(drawn.pickup) })
              : say("sheet.asFoundAlone")}
          </option>
          {Array.from({ length: 17 }, (_, sixteenths) => (
            <option key={sixteenths} value={sixteenths}>
              {quarters(sixteenths)}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

/** What was odd, what could not be read and what a passage has no place for. */
function Remarks({ view }: { view: Schemas["ScoreView"] }) {
  return (
    <div className="max-w-xl text-sm text-soft">
      {view.unread.length > 0 && (
        <details className="mb-1">
          <summary className="cursor-pointer font-semibold text-danger">
            {say("sheet.unreadOneTuneCouldNot", { unread: view.unread.length })}
          </summary>
          <ul className="max-h-40 overflow-y-auto">
            {view.unread.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </details>
      )}
      {view.warnings.map((warning) => (
        <p key={say(warning)}>{say(warning)}</p>
      ))}
      <p>
        {view.leftOut.length === 0
          ? say("sheet.nothingOfTheFileIs")
          : say("sheet.leftOutSinceAPassage", { leftOut: view.leftOut.map((one) => say(one)).join(" · ") })}
      </p>
    </div>
  );
}
