import { useMemo, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, type Stretch, useChange, useSheet } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm as bpmWords, oneDecimal } from "../../ui/format";
import { Caution } from "../../ui/Page";
import { useDebounced } from "./useDebounced";
import { trains } from "./trains";
import { OwnCell } from "./OwnCell";
import { VariationDialog } from "./VariationDialog";
import * as touches from "../../api/touches";
import { TEMPO, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { Alert, Failure } from "../../ui/Alert";
import { say } from "../../words/say";

type Variation = Schemas["VariationDto"];

interface Props {
  detail: Schemas["PassageDetail"];
  practiceSheet: Schemas["PracticeSheetDto"];
  bpm: number;
  onBpm: (bpm: number) => void;
}

const FAMILIES: Record<Variation["family"], string> = {
  LONG_SHORT: say("sheet.longAndShort"),
  TWO_AND_TWO: say("sheet.twoSlowTwoQuick"),
  HOLD: say("sheet.holdOneOfTheGroup"),
  OWN: say("sheet.yourOwnCell"),
  REGROUP: say("sheet.groupsAcrossTheBeat"),
  SUBDIVIDE: say("sheet.subdivided"),
  FIGURE: say("sheet.theFigureTurned"),
  BACKWARDS: say("sheet.backwards"),
  RHYTHM: say("sheet.theRhythmAlone"),
  LOOP: say("sheet.roundAndRound"),
  GROW: say("sheet.growing"),
};

/** Today's variations, chosen for the transitions that need them, and the whole sheet. */
export function Variations({ detail, practiceSheet, bpm, onBpm }: Props) {
  const { passage, reading } = detail;
  const [section, setSection] = useState<number>();
  const chosenSection = passage.sections.find((one) => one.id === section);
  const first = chosenSection?.firstNote;
  const last = chosenSection?.lastNote;
  const stretch = useMemo<Stretch>(() => ({ first, last }), [first, last]);
  const at = useDebounced(bpm >= 20 && bpm <= 400 ? bpm : 60, 250);
  const sheet = useSheet(passage.id, stretch, at);
  const [open, setOpen] = useState<{ key: string; stretch: Stretch }>();
  const families = useMemo(() => {
    const grouped = new Map<Variation["family"], Variation[]>();
    sheet.data?.variations.forEach((variation) =>
      grouped.set(variation.family, [...(grouped.get(variation.family) ?? []), variation]),
    );
    return [...grouped.entries()];
  }, [sheet.data]);
  return (
    <>
      <TodaysChoice
        passageId={passage.id}
        practiceSheet={practiceSheet}
        sheet={first === undefined ? sheet.data : undefined}
        onOpen={(key) => setOpen({ key, stretch: {} })}
      />
      <div className="mt-6 mb-1 flex flex-wrap items-end gap-x-5 gap-y-2">
        <h2 className="mr-auto text-lg">
          {sheet.data
            ? say("sheet.allCounted", { variations: sheet.data.variations.length })
            : say("sheet.allVariationsAlone")}
          <span className="font-normal text-soft">
            {" "}
            {say("sheet.ofSection", {
              chosenSectionIs: chosenSection ? "yes" : "no",
              name: chosenSection?.name,
              notes: reading.notes,
            })}
          </span>
        </h2>
        <label className="flex items-center gap-2 text-soft">
          {say("sheet.ofLabel")}
          <select
            aria-label={say("sheet.variationsOf")}
            value={section ?? ""}
            onChange={(event) => setSection(event.target.value === "" ? undefined : Number(event.target.value))}
            className={`${INPUT} !w-auto`}
          >
            <option value="">{say("sheet.theWhole")}</option>
            {passage.sections.length > 1 &&
              passage.sections.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
          </select>
        </label>
        <label className="flex items-center gap-2 text-soft">
          {say("sheet.playedAt")}
          <input
            type="number"
            {...within(TEMPO)}
            value={bpm || ""}
            onChange={(event) => onBpm(Number(event.target.value))}
            className={`${INPUT} !w-22`}
          />
          {say("sheet.bpm")}
        </label>
      </div>
      <p className="mb-2 text-sm text-soft">
        {say("sheet.theLargeFigureIsThe", { targetBpm: bpmWords(passage.targetBpm) })}
      </p>
      <Failure of={sheet} className="py-3" />
      <div className="border-t border-rule">
        {families.map(([family, variations]) => (
          <Family
            key={family}
            name={FAMILIES[family]}
            variations={variations}
            onOpen={(key) => setOpen({ key, stretch })}
          />
        ))}
        <OwnCell onOpen={(key) => setOpen({ key, stretch })} />
      </div>
      <div className="mt-4 max-w-3xl">
        <Caution>{say("sheet.aboveItsLargeFigureA")}</Caution>
      </div>
      <VariationDialog
        passageId={passage.id}
        variation={open?.key}
        stretch={open?.stretch ?? stretch}
        bpm={at}
        today={practiceSheet}
        onClose={() => setOpen(undefined)}
      />
    </>
  );
}

function Family({
  name,
  variations,
  onOpen,
}: {
  name: string;
  variations: Variation[];
  onOpen: (key: string) => void;
}) {
  const [shown, setShown] = useState(false);
  return (
    <details className="border-b border-rule" onToggle={(event) => setShown(event.currentTarget.open)}>
      <summary className="flex min-h-12 items-center gap-4 py-2">
        <span className="font-semibold">{name}</span>
        <span className="text-sm text-soft">
          {variations.length === 1 ? say("sheet.one") : variations.length}
          {variations.some((variation) => variation.trained.length > 0) &&
            say("sheet.matchAt", { range: range(variations) })}
        </span>
      </summary>
      {shown && (
        <ul className="grid grid-cols-1 gap-x-8 pb-3 md:grid-cols-2">
          {variations.map((variation) => (
            <li key={variation.key} className="border-t border-rule py-2">
              <VariationRow variation={variation} onOpen={() => onOpen(variation.key)} />
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

function range(variations: Variation[]) {
  const tempos = variations.map((variation) => Math.round(variation.matchingBpm));
  const [low, high] = [Math.min(...tempos), Math.max(...tempos)];
  return low === high ? `${low}` : say("sheet.to", { low, high });
}

/** A variation in short: its name, its matching tempo, how it looks and what it trains. */
function VariationRow({ variation, onOpen }: { variation: Variation; onOpen: () => void }) {
  return (
    <>
      <div className="flex items-baseline justify-between gap-3">
        <button
          type="button"
          onClick={onOpen}
          className="min-h-8 touch:min-h-11 text-left font-semibold underline-offset-4 hover:underline"
        >
          {say(variation.title)}
        </button>
        <span className="font-mono text-lg font-semibold" title={say("sheet.matchingTempo")}>
          {Math.round(variation.matchingBpm)}
        </span>
      </div>
      <Engraving
        abc={variation.abc}
        label={say("sheet.theFirstBarsOf", { title: say(variation.title) })}
        scale={0.85}
        maxHeight={96}
      />
      <p className="text-sm text-soft">
        {say("sheet.notesASecond", {
          rate: oneDecimal(variation.rate),
          trained: trains(variation.trained),
          remark: variation.remark.code && ` · ${say(variation.remark)}`,
        })}
      </p>
    </>
  );
}

interface TodayProps {
  passageId: number;
  practiceSheet: Schemas["PracticeSheetDto"];
  sheet: Schemas["Sheet"] | undefined;
  onOpen: (key: string) => void;
}

function TodaysChoice({ passageId, practiceSheet, sheet, onOpen }: TodayProps) {
  const [minutes, setMinutes] = useState(10);
  const path = { id: passageId };
  const choose = useChange(
    () => given(api.POST("/api/passages/{id}/choice", { params: { path }, body: { minutes } })),
    touches.practiceSheet(passageId),
  );
  const tick = useChange(
    ({ id, played }: { id: number; played: boolean }) =>
      given(
        api.PUT("/api/passages/{id}/choice/{choiceId}", {
          params: { path: { ...path, choiceId: id } },
          body: { played },
        }),
      ),
    touches.practice(passageId),
  );
  const asked = tick.isPending ? tick.variables : undefined;
  const total = practiceSheet.today.reduce((sum, one) => sum + one.minutes, 0);
  const neglected = practiceSheet.transitions.filter((transition) => transition.trainedToday === 0).length;
  return (
    <section aria-label={say("sheet.todaysVariations")}>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="mr-auto text-lg">
          {practiceSheet.today.length > 0
            ? say("sheet.todaysVariationsMinutes", { oneDecimal: oneDecimal(total) })
            : say("sheet.noVariationsChosenForToday")}
          <span className="font-normal text-soft">
            {practiceSheet.today.length > 0
              ? neglected === 0
                ? say("sheet.everyTransitionIsTrained")
                : say("sheet.leftOut", { neglected })
              : say("sheet.sayHowLongTheWeak")}
          </span>
        </h2>
        <label className="flex items-center gap-2 text-soft">
          {say("sheet.within")}
          <input
            type="number"
            {...within(RANGES.ChoiceWish.minutes)}
            step={1}
            value={minutes || ""}
            onChange={(event) => setMinutes(Number(event.target.value))}
            className={`${INPUT} !w-20`}
            aria-label={say("sheet.minutesForVariations")}
          />
          {say("sheet.minutes")}
        </label>
        <Button
          online
          kind={practiceSheet.today.length > 0 ? "plain" : "main"}
          disabled={choose.isPending}
          onClick={() => choose.mutate(undefined)}
        >
          {practiceSheet.today.length > 0 ? say("sheet.chooseAgain") : say("sheet.chooseForMe")}
        </Button>
      </div>
      {practiceSheet.caution && !practiceSheet.closed && (
        <p className="mt-2 max-w-3xl border-l-2 border-danger pl-3">{practiceSheet.caution}</p>
      )}
      {(choose.isError || tick.isError) && <Alert className="mt-2">{sentence(choose.error ?? tick.error)}</Alert>}
      {practiceSheet.today.length > 0 && (
        <ul className="mt-2 grid grid-cols-1 gap-x-8 border-t border-rule md:grid-cols-2">
          {practiceSheet.today.map((one, i) => {
            const known = sheet?.variations.find((variation) => variation.key === one.variation);
            return (
              <li key={one.id} className="border-b border-rule py-2">
                <div className="flex items-baseline justify-between gap-3">
                  <button
                    type="button"
                    onClick={() => onOpen(one.variation)}
                    className="min-h-8 touch:min-h-11 text-left font-semibold underline-offset-4 hover:underline"
                  >
                    {say(one.title)}
                  </button>
                  <span className="font-mono text-xl font-semibold">{one.matchingBpm}</span>
                </div>
                <div className="min-h-20">
                  {known && (
                    <Engraving
                      abc={known.abc}
                      label={say("sheet.theFirstBarsOf", { title: say(one.title) })}
                      scale={0.85}
                      maxHeight={96}
                    />
                  )}
                </div>
                <div className="flex items-start justify-between gap-3 text-sm text-soft">
                  {/* A reason that holds for several in a row is said once. */}
                  <p>
                    {say(one.why) === (i > 0 && say(practiceSheet.today[i - 1].why))
                      ? say("sheet.forTheSame")
                      : say(one.why)}
                  </p>
                  <label className="flex min-h-8 touch:min-h-11 shrink-0 items-center gap-1.5 text-ink">
                    <input
                      type="checkbox"
                      checked={asked?.id === one.id ? asked.played : one.played}
                      onChange={(event) => tick.mutate({ id: one.id, played: event.target.checked })}
                      className="size-4 accent-spruce"
                    />
                    {say("sheet.played", {
                      part: (words) => <span className="sr-only">{words}</span>,
                      title: say(one.title),
                    })}
                  </label>
                </div>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
