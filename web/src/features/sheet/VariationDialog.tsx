import { useState } from "react";
import { sentence, type Stretch, usePassage, useVariation } from "../../api/queries";
import { Score } from "../../notation/Score";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { oneDecimal } from "../../ui/format";
import { type MayPlay, PlayBar } from "./PlayBar";
import { FileLinks } from "./TakeAlong";
import { Failure } from "../../ui/Alert";
import { usePlayback } from "./usePlayback";
import { usePractise } from "./usePractise";
import { trains } from "./trains";
import { say } from "../../words/say";

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
  const practise = usePractise();
  const sections = usePassage(passageId).data?.passage.sections ?? [];
  const section =
    sections.find((one) => one.firstNote === stretch.first && one.lastNote === stretch.last) ??
    sections.find((one) => one.whole) ??
    sections[0];
  const shown = whole.data;
  const close = () => {
    playback.stop();
    setAt(undefined);
    onClose();
  };
  const tempo = at ?? Math.round(Math.min(bpm, shown?.variation.matchingBpm ?? bpm));
  return (
    <Dialog
      title={shown ? say(shown.variation.title) : say("sheet.aVariation")}
      open={variation !== undefined}
      onClose={close}
      wide
    >
      {whole.isError ? (
        <p className="mb-4 text-danger">{sentence(whole.error)}</p>
      ) : (
        shown && (
          <>
            <p className="text-soft">
              {say("sheet.matchesTheTargetAtBpm", {
                part: (words) => <span className="font-mono font-semibold text-ink">{words}</span>,
                matchingBpm: oneDecimal(shown.variation.matchingBpm),
                trained: trains(shown.variation.trained),
                remark: shown.variation.remark.code && ` · ${say(shown.variation.remark)}`,
              })}
            </p>
            <div className="my-3 max-h-[46vh] overflow-y-auto border-y border-rule py-2">
              <Score
                abc={shown.music.abc}
                places={shown.music.places}
                label={say("sheet.titleWithNotes", {
                  title: say(shown.variation.title),
                  places: shown.music.places.length,
                })}
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
              label={say(shown.variation.title)}
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
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {shown && section && variation && (
          <Button
            online
            kind="main"
            disabled={practise.isPending}
            onClick={() => practise.mutate({ sectionId: section.id, variation, tempo })}
          >
            {say("sheet.practiseAt", { tempo })}
          </Button>
        )}
        <Button onClick={close}>{say("common.close")}</Button>
        <Failure of={practise} />
      </div>
    </Dialog>
  );
}
