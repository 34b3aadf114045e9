import { KeyGround } from "../../ui/KeyGround";
import { Tabs } from "radix-ui";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { usePracticeSheet, useChange, usePassage } from "../../api/queries";
import { Score } from "../../notation/Score";
import { Button, ButtonLink } from "../../ui/Button";
import { day, family } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { TAB } from "../../ui/tabs";
import { Evenness } from "./Evenness";
import { Brackets } from "./Brackets";
import { EditPassage } from "./EditPassage";
import { TransitionLine } from "./TransitionLine";
import { TransitionPanel } from "./TransitionPanel";
import { MarksPanel } from "./MarksPanel";
import { ArticulationsPanel } from "./ArticulationsPanel";
import { NoteMarks } from "./NoteMarks";
import { Sections } from "./Sections";
import { PlayBar } from "./PlayBar";
import { ReadinessList } from "./ReadinessList";
import { Joining } from "./Joining";
import { TakeAlong } from "./TakeAlong";
import { useNoteKeys } from "./useNoteKeys";
import { usePlayback } from "./usePlayback";
import { Variations } from "./Variations";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

/** One passage on the practice sheet: its notes and transitions, its variations, sections and marks, and how ready it is. */
export default function PracticeSheet() {
  const id = Number(useParams().id);
  const passage = usePassage(id);
  const practiceSheet = usePracticeSheet(id);
  const [editing, setEditing] = useState(false);
  if (passage.isPending || practiceSheet.isPending) return <Waiting />;
  if (passage.isError) return <Failed error={passage.error} again={() => void passage.refetch()} />;
  if (practiceSheet.isError) return <Failed error={practiceSheet.error} again={() => void practiceSheet.refetch()} />;
  if (editing) return <EditPassage detail={passage.data} onDone={() => setEditing(false)} />;
  return <Workplace detail={passage.data} practiceSheet={practiceSheet.data} onEdit={() => setEditing(true)} />;
}

type Place = "variations" | "sections" | "marks" | "articulations" | "evenness";

interface Props {
  detail: Schemas["PassageDetail"];
  practiceSheet: Schemas["PracticeSheetDto"];
  onEdit: () => void;
}

function Workplace({ detail, practiceSheet, onEdit }: Props) {
  const { passage, reading } = detail;
  const [place, setPlace] = useState<Place>("variations");
  const [cursor, setCursor] = useState<number>();
  const [transition, setTransition] = useState<number>();
  const [taking, setTaking] = useState(false);
  const [bpm, setBpm] = useState(Math.round(passage.targetBpm * 0.6));
  const playback = usePlayback(passage.id);
  const overlaps = useMemo(
    () => new Set(passage.sections.slice(1).map((section) => section.firstNote)),
    [passage.sections],
  );
  const cut = useChange(
    (now: number[]) =>
      given(
        api.PUT("/api/passages/{id}/sections", {
          params: { path: { id: passage.id } },
          body: { kind: "HAND", size: 1, overlaps: now },
        }),
      ),
    touches.sections(passage.id),
  );
  const toggleOverlap = (note: number) =>
    cut.mutate(overlaps.has(note) ? [...overlaps].filter((overlap) => overlap !== note) : [...overlaps, note]);
  const keys = useNoteKeys({
    notes: reading.notes,
    cursor,
    setCursor,
    onKey: (key, note) => {
      if (place === "sections" && key === "c") toggleOverlap(note);
      if (place === "variations" && key === "enter" && note < reading.notes - 1) setTransition(note);
    },
  });
  const choose = (note: number) => {
    setCursor(note);
    if (place === "variations") setTransition(Math.min(note, reading.notes - 2));
  };

  return (
    <Page
      title={passage.title}
      above={
        <>
          {say("sheet.passagesTargetToTheNote", {
            link: (words) => (
              <Link to="/passages" className="underline-offset-4 hover:underline">
                {words}
              </Link>
            ),
            instrument: family(passage.instrument),
            targetBpm: Math.round(passage.targetBpm),
            beatUnit: reading.beatUnit,
            neededOnIs: passage.neededOn ? "yes" : "no",
            neededOn: passage.neededOn && day(passage.neededOn, { day: "numeric", month: "long" }),
          })}
        </>
      }
      aside={
        <>
          <Button onClick={onEdit}>{say("sheet.changePassage")}</Button>
          <Button onClick={() => setTaking(true)}>{say("sheet.printOrExport")}</Button>
          <ButtonLink kind="main" to={`/plan/${passage.slowestSection}`}>
            {say("sheet.planAWorkout")}
          </ButtonLink>
        </>
      }
    >
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[1fr_15.5rem]">
        <div className="min-w-0">
          <KeyGround label={say("sheet.theNotesLeftAndRight")} onKeyDown={keys} className="rounded-[4px]">
            <Score
              abc={practiceSheet.music.abc}
              places={practiceSheet.music.places}
              label={say("sheet.notesIn", { title: passage.title, notes: reading.notes, bars: reading.bars })}
              room={practiceSheet.notes.some((note) => note.marks.length > 0) ? 66 : 46}
              lit={playback.playing === "passage" ? playback.lit : undefined}
            >
              {(layout) => (
                <svg
                  className="pointer-events-none absolute inset-0"
                  width={layout.width}
                  height={layout.height}
                  aria-hidden="true"
                >
                  {(place !== "variations" || cursor !== undefined) && (
                    <NoteMarks
                      layout={layout}
                      notes={practiceSheet.notes}
                      cursor={cursor}
                      overlaps={place === "sections" ? overlaps : NONE}
                      showBeats={place === "marks"}
                      onChoose={choose}
                    />
                  )}
                  {place === "variations" && (
                    <TransitionLine
                      layout={layout}
                      transitions={practiceSheet.transitions}
                      chosen={transition}
                      onChoose={setTransition}
                    />
                  )}
                  {place !== "marks" && (
                    <Brackets layout={layout} sections={passage.sections} slowest={passage.slowestSection} />
                  )}
                </svg>
              )}
            </Score>
          </KeyGround>
          <p role="status" className="sr-only">
            {cursor !== undefined && aboutNote(practiceSheet, cursor)}
          </p>
          <PlayBar
            playback={playback}
            bpm={bpm}
            onBpm={setBpm}
            of="passage"
            label={say("sheet.thePassage")}
            today={practiceSheet}
          />
          {transition !== undefined && place === "variations" && practiceSheet.transitions[transition] && (
            <TransitionPanel
              passageId={passage.id}
              transition={transition}
              about={practiceSheet.transitions[transition]}
              bpm={bpm}
              today={practiceSheet}
              onClose={() => setTransition(undefined)}
            />
          )}
          <Tabs.Root value={place} onValueChange={(next) => setPlace(next as Place)} className="mt-4">
            <Tabs.List
              className="mb-3 flex flex-wrap gap-x-7 border-b border-rule"
              aria-label={say("sheet.whatToWorkOn")}
            >
              <Tabs.Trigger value="variations" className={TAB}>
                {say("sheet.variations")}
              </Tabs.Trigger>
              <Tabs.Trigger value="sections" className={TAB}>
                {say("sheet.sections")}
              </Tabs.Trigger>
              <Tabs.Trigger value="marks" className={TAB}>
                {say("sheet.marks")}
              </Tabs.Trigger>
              <Tabs.Trigger value="articulations" className={TAB}>
                {say("sheet.articulations")}
              </Tabs.Trigger>
              <Tabs.Trigger value="evenness" className={TAB}>
                {say("sheet.even.title")}
              </Tabs.Trigger>
            </Tabs.List>
            <Tabs.Content value="evenness">
              <Evenness passageId={passage.id} section={passage.sections[0]!.id} />
            </Tabs.Content>
            <Tabs.Content value="variations">
              <Variations detail={detail} practiceSheet={practiceSheet} bpm={bpm} onBpm={setBpm} />
            </Tabs.Content>
            <Tabs.Content value="sections" className="grid gap-8">
              <Failure of={cut} />
              <Sections
                detail={detail}
                cursor={cursor}
                isOverlap={cursor !== undefined && overlaps.has(cursor)}
                onOverlap={toggleOverlap}
              />
              <Joining detail={detail} practiceSheet={practiceSheet} transition={transition} />
            </Tabs.Content>
            <Tabs.Content value="marks">
              <MarksPanel detail={detail} practiceSheet={practiceSheet} cursor={cursor} onCursor={setCursor} />
            </Tabs.Content>
            <Tabs.Content value="articulations">
              <ArticulationsPanel detail={detail} practiceSheet={practiceSheet} />
            </Tabs.Content>
          </Tabs.Root>
        </div>
        <ReadinessList passageId={passage.id} items={practiceSheet.readiness} />
      </div>
      <TakeAlong detail={detail} open={taking} onClose={() => setTaking(false)} />
    </Page>
  );
}

const NONE: ReadonlySet<number> = new Set();

function aboutNote(practiceSheet: Schemas["PracticeSheetDto"], note: number) {
  const about = practiceSheet.notes[note];
  const marks = about?.marks.map((mark) => mark.value).join(", ");
  return say("sheet.aboutNote", {
    note: note + 1,
    onBeatIs: about?.onBeat ? "yes" : "no",
    marksIs: marks ? "yes" : "no",
    marks,
  });
}
