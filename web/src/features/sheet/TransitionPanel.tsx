import { X } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange, useOneTransition } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button } from "../../ui/Button";
import { describe } from "./TransitionLine";
import type { MayPlay } from "./PlayBar";
import { usePlayback } from "./usePlayback";
import { VariationDialog } from "./VariationDialog";
import * as touches from "../../api/touches";
import { say } from "../../words/say";

const FIRST_VARIATIONS = 6;
const WHOLE = {};

interface Props {
  passageId: number;
  transition: number;
  about: Schemas["TransitionDto"];
  bpm: number;
  today: MayPlay;
  onClose: () => void;
}

/** One transition taken out: how it stands, the notes around it to drill, and the variations that train it. */
export function TransitionPanel({ passageId, transition, about, bpm, today, onClose }: Props) {
  const view = useOneTransition(passageId, transition);
  const [open, setOpen] = useState<string>();
  const navigate = useNavigate();
  const playback = usePlayback(passageId);
  const path = { id: passageId, transition };
  const broke = useChange(
    () => given(api.POST("/api/passages/{id}/transitions/{transition}/breaks", { params: { path } })),
    touches.breaks(passageId),
  );
  const notBroke = useChange(
    () => given(api.DELETE("/api/passages/{id}/transitions/{transition}/breaks", { params: { path } })),
    touches.breaks(passageId),
  );
  const drill = useChange(
    (window: Schemas["WindowDto"]) =>
      given(
        api.POST("/api/passages/{id}/extras", {
          params: { path: { id: passageId } },
          body: {
            kind: "DRILL",
            name: say("sheet.noteSpan", { first: window.firstNote + 1, last: window.lastNote + 1 }),
            firstNote: window.firstNote,
            lastNote: window.lastNote,
          },
        }),
      ),
    touches.sections(passageId),
  );
  const count = useChange(
    () => given(api.POST("/api/passages/{id}/transitions/{transition}/changes", { params: { path } })),
    touches.counts,
  );
  const failure = count.error ?? broke.error ?? notBroke.error ?? drill.error ?? view.error;
  return (
    <section
      aria-label={say("sheet.transitionTo", { transition: transition + 1, transition2: transition + 2 })}
      className="mt-4 border-y border-brass bg-brass-pale/25 px-4 py-3"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2>{say("sheet.transitionBetween", { transition: transition + 1, transition2: transition + 2 })}</h2>
        <p className="flex-1 text-soft">{describe(about)}</p>
        <Button online onClick={() => broke.mutate(undefined)} disabled={broke.isPending}>
          {say("sheet.itBrokeHere")}
        </Button>
        <Button
          online
          disabled={count.isPending}
          onClick={() => count.mutate(undefined, { onSuccess: () => void navigate("/counts") })}
        >
          {say("sheet.countIt")}
        </Button>
        {about.breaks > 0 && (
          <Button kind="quiet" onClick={() => notBroke.mutate(undefined)}>
            {say("sheet.takeOneBack")}
          </Button>
        )}
        <button
          type="button"
          aria-label={say("common.close")}
          onClick={onClose}
          className="flex size-11 items-center justify-center"
        >
          <X size={18} />
        </button>
      </div>
      {failure && <p className="text-danger">{sentence(failure)}</p>}
      {view.data && (
        <>
          <ul className="mt-1 grid grid-cols-2 gap-x-6 gap-y-2 md:grid-cols-4">
            {view.data.windows.map((window) => {
              const name = `window.${window.firstNote}.${window.lastNote}`;
              const on = playback.playing === name;
              return (
                <li key={name}>
                  <Engraving
                    abc={window.abc}
                    label={say("sheet.notesTo", { firstNote: window.firstNote + 1, lastNote: window.lastNote + 1 })}
                    scale={0.9}
                    maxHeight={78}
                  />
                  <div className="flex gap-1">
                    <Button
                      kind="quiet"
                      onClick={() =>
                        on
                          ? playback.stop()
                          : void playback.start(name, {
                              first: window.firstNote,
                              last: window.lastNote,
                              bpm,
                              click: true,
                              along: false,
                            })
                      }
                    >
                      {on ? say("sheet.stop") : say("sheet.hearWindow")}
                    </Button>
                    <Button
                      kind="quiet"
                      disabled={drill.isPending}
                      onClick={() => drill.mutate(window, { onSuccess: (made) => void navigate(`/plan/${made.id}`) })}
                    >
                      {say("sheet.drillNotes", { lastNote: window.lastNote - window.firstNote + 1 })}
                    </Button>
                  </div>
                </li>
              );
            })}
          </ul>
          {view.data.trainedBy.length > 0 && <TrainedBy variations={view.data.trainedBy} onOpen={setOpen} />}
        </>
      )}
      <VariationDialog
        passageId={passageId}
        variation={open}
        stretch={WHOLE}
        bpm={bpm}
        today={today}
        onClose={() => setOpen(undefined)}
      />
    </section>
  );
}

/** The variations that train the transition, the first few in view. */
function TrainedBy({
  variations,
  onOpen,
}: {
  variations: Schemas["TrainingVariation"][];
  onOpen: (key: string) => void;
}) {
  const [all, setAll] = useState(false);
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-4 text-sm">
      <span className="text-soft">{say("sheet.trainedBy")}</span>
      {(all ? variations : variations.slice(0, FIRST_VARIATIONS)).map((one) => (
        <button
          key={one.key}
          type="button"
          onClick={() => onOpen(one.key)}
          className="min-h-9 touch:min-h-11 font-semibold text-spruce underline-offset-4 hover:underline"
        >
          {say(one.title)}
        </button>
      ))}
      {!all && variations.length > FIRST_VARIATIONS && (
        <button
          type="button"
          onClick={() => setAll(true)}
          className="min-h-9 touch:min-h-11 text-soft underline underline-offset-4"
        >
          {say("sheet.more", { variations: variations.length - FIRST_VARIATIONS })}
        </button>
      )}
    </p>
  );
}
