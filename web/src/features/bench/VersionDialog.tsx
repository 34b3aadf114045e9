import { useState } from "react";
import { sentence, type Stretch, useVariant } from "../../api/queries";
import { Score } from "../../notation/Score";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { oneDecimal } from "../../ui/format";
import { type MayPlay, PlayBar } from "./PlayBar";
import { FileLinks } from "./TakeAlong";
import { usePlayback } from "./usePlayback";
import { drives } from "./drives";

interface Props {
  passageId: number;
  variant: string | undefined;
  stretch: Stretch;
  bpm: number;
  today: MayPlay;
  onClose: () => void;
}

/** A version in full: all its notes, how it sounds, what it drives, and its files. */
export function VersionDialog({ passageId, variant, stretch, bpm, today, onClose }: Props) {
  const whole = useVariant(passageId, variant, stretch, bpm);
  const playback = usePlayback(passageId);
  const [at, setAt] = useState<number>();
  const shown = whole.data;
  const close = () => {
    playback.stop();
    setAt(undefined);
    onClose();
  };
  const tempo = at ?? Math.round(Math.min(bpm, shown?.variant.matchingBpm ?? bpm));
  return (
    <Dialog title={shown?.variant.title ?? "A version"} open={variant !== undefined} onClose={close} wide>
      {whole.isError ? (
        <p className="mb-4 text-danger">{sentence(whole.error)}</p>
      ) : (
        shown && (
          <>
            <p className="text-soft">
              Matches the target at{" "}
              <span className="font-mono font-semibold text-ink">{oneDecimal(shown.variant.matchingBpm)}</span> bpm ·{" "}
              {drives(shown.variant.driven)}
              {shown.variant.remark && ` · ${shown.variant.remark}`}
            </p>
            <div className="my-3 max-h-[46vh] overflow-y-auto border-y border-rule py-2">
              <Score
                abc={shown.music.abc}
                places={shown.music.places}
                label={`${shown.variant.title}, ${shown.music.places.length} notes`}
                scale={0.95}
                room={14}
                lit={playback.playing ? playback.lit : undefined}
              />
            </div>
            <PlayBar
              playback={playback}
              bpm={tempo}
              onBpm={setAt}
              of="version"
              label={shown.variant.title}
              variant={variant}
              first={stretch.first}
              last={stretch.last}
              today={today}
            />
            <div className="mt-3">
              <FileLinks passageId={passageId} query={{ variant, ...stretch }} />
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
