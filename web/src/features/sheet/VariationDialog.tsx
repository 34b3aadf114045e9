import { useState } from "react";
import { sentence, type Stretch, useVariation } from "../../api/queries";
import { Score } from "../../notation/Score";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { oneDecimal } from "../../ui/format";
import { type MayPlay, PlayBar } from "./PlayBar";
import { FileLinks } from "./TakeAlong";
import { usePlayback } from "./usePlayback";
import { trains } from "./trains";

interface Props {
  passageId: number;
  variation: string | undefined;
  stretch: Stretch;
  bpm: number;
  today: MayPlay;
  onClose: () => void;
}

/** A variation in full: all its notes, how it sounds, what it trains, and its files. */
export function VariationDialog({ passageId, variation, stretch, bpm, today, onClose }: Props) {
  const whole = useVariation(passageId, variation, stretch, bpm);
  const playback = usePlayback(passageId);
  const [at, setAt] = useState<number>();
  const shown = whole.data;
  const close = () => {
    playback.stop();
    setAt(undefined);
    onClose();
  };
  const tempo = at ?? Math.round(Math.min(bpm, shown?.variation.matchingBpm ?? bpm));
  return (
    <Dialog title={shown?.variation.title ?? "A variation"} open={variation !== undefined} onClose={close} wide>
      {whole.isError ? (
        <p className="mb-4 text-danger">{sentence(whole.error)}</p>
      ) : (
        shown && (
          <>
            <p className="text-soft">
              Matches the target at{" "}
              <span className="font-mono font-semibold text-ink">{oneDecimal(shown.variation.matchingBpm)}</span> bpm ·{" "}
              {trains(shown.variation.trained)}
              {shown.variation.remark && ` · ${shown.variation.remark}`}
            </p>
            <div className="my-3 max-h-[46vh] overflow-y-auto border-y border-rule py-2">
              <Score
                abc={shown.music.abc}
                places={shown.music.places}
                label={`${shown.variation.title}, ${shown.music.places.length} notes`}
                scale={0.95}
                room={14}
                lit={playback.playing ? playback.lit : undefined}
              />
            </div>
            <PlayBar
              playback={playback}
              bpm={tempo}
              onBpm={setAt}
              of="variation"
              label={shown.variation.title}
              variation={variation}
              first={stretch.first}
              last={stretch.last}
              today={today}
            />
            <div className="mt-3">
              <FileLinks passageId={passageId} query={{ variation, ...stretch }} />
            </div>
          </>
        )
      )}
      <div className="mt-4">
        <Button onClick={close}>Close</Button>
      </div>
    </Dialog>
  );
}
