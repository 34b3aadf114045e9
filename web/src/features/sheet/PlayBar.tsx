import { Play, Square } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { sentence } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import type { usePlayback } from "./usePlayback";
import { isWithin, TEMPO, within } from "../../api/within";
import { say } from "../../words/say";

/** What speaks against playing along today; empty when nothing does. When it is closed, nothing more is counted. */
export type MayPlay = Pick<Schemas["PracticeSheetDto"], "caution" | "closed">;

interface Props {
  playback: ReturnType<typeof usePlayback>;
  bpm: number;
  onBpm: (bpm: number) => void;
  /** What is played: the name under which it is known to be playing. */
  of: string;
  label: string;
  variation?: string | undefined;
  first?: number | undefined;
  last?: number | undefined;
  today: MayPlay;
}

/** Hear it, at any tempo, with or without the click. */
export function PlayBar({ playback, bpm, onBpm, of, label, variation, first, last, today }: Props) {
  const [click, setClick] = useState(true);
  const [wanted, setWanted] = useState(false);
  const along = wanted && !today.closed;
  const on = playback.playing === of;
  const valid = isWithin(bpm, TEMPO);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <Button
        disabled={!valid}
        onClick={() => (on ? playback.stop() : void playback.start(of, { variation, first, last, bpm, click, along }))}
        aria-label={on ? say("sheet.stop") : say("sheet.hear", { label })}
      >
        {on ? <Square size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}{" "}
        {on ? say("sheet.stop") : say("sheet.hearIt")}
      </Button>
      <label className="flex items-center gap-2 text-soft">
        {say("sheet.atTempo")}
        <input
          type="number"
          {...within(TEMPO)}
          aria-label={say("sheet.tempoToHearItAt")}
          value={bpm || ""}
          onChange={(event) => onBpm(Number(event.target.value))}
          className={`${INPUT} !w-22`}
        />
        {say("sheet.bpm")}
      </label>
      <label className="flex min-h-11 items-center gap-2 text-soft">
        <input
          type="checkbox"
          checked={click}
          onChange={(event) => setClick(event.target.checked)}
          className="size-4 accent-spruce"
        />
        {say("sheet.withTheClick")}
      </label>
      <label className="flex min-h-11 items-center gap-2 text-soft">
        <input
          type="checkbox"
          checked={along}
          disabled={today.closed}
          onChange={(event) => setWanted(event.target.checked)}
          className="size-4 accent-spruce"
        />
        {say("sheet.iPlayAlongItCounts")}
      </label>
      {(along || today.closed) && today.caution && (
        <p className="w-full border-l-2 border-danger pl-3 text-sm">{today.caution}</p>
      )}
      {!valid && (
        <p className="text-sm text-danger">
          {say("sheet.aTempoLiesBetweenAnd", { minimum: TEMPO.minimum, maximum: TEMPO.maximum })}
        </p>
      )}
      {playback.error !== undefined && <p className="text-sm text-danger">{sentence(playback.error)}</p>}
    </div>
  );
}
