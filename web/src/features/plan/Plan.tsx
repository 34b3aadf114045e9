import { Term } from "../../ui/Term";
import { Redo2, Undo2 } from "lucide-react";
import { RANGES } from "../../api/ranges";
import { type ReactNode, useCallback, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { sentence, useAgain, useDrafts, usePreview, useUsualPlan } from "../../api/queries";
import { Timeline } from "../../timeline/Timeline";
import { Button } from "../../ui/Button";
import { andMore, clock, minutes, oneDecimal, called } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { useDebounced } from "../sheet/useDebounced";
import { useBegin } from "../run/useBegin";
import { LeftToday } from "../today/LeftToday";
import { useKeys } from "../../ui/useKeys";
import { AddBlock } from "./AddBlock";
import { begun, type Block, onlyOwn, own, redone, stepped, undone, type Wish } from "./blocks";
import { BlockHandles } from "./BlockHandles";
import { Blocks } from "./Blocks";
import { Handles } from "./Handles";
import { Methods } from "./Methods";
import { Sections, useThrough } from "./Sections";
import { Templates } from "./Templates";
import { useDraft } from "./useDraft";
import { usePlanHere } from "./usePlanHere";
import { WishFields } from "./WishFields";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

/** One workout, to be put right before it is played. */
export default function Plan() {
  const sectionId = Number(useParams().sectionId);
  const [search] = useSearchParams();
  const usual = useUsualPlan(sectionId);
  const drafts = useDrafts();
  if (usual.isPending || !drafts.isFetchedAfterMount) return <Waiting />;
  if (usual.isError) return <Failed error={usual.error} again={() => void usual.refetch()} />;
  const draft = drafts.data?.find((wish) => wish.sectionId === sectionId);
  return <Editor key={sectionId} usual={usual.data} asked={asked(search)} draft={draft} />;
}

const isId = (number: number) => Number.isSafeInteger(number) && number > 0;

/** What of a workout was asked for by the address: the other sections of it, and its minutes. */
function asked(search: URLSearchParams): Partial<Wish> {
  const others = (search.get("with") ?? "")
    .split(",")
    .map(Number)
    .filter(isId)
    .slice(0, RANGES.PlanWish.others.maxItems);
  const minutes = Number(search.get("minutes"));
  const { minimum, maximum } = RANGES.PlanWish.minutes;
  const possible = Number.isInteger(minutes) && minutes >= minimum && minutes <= maximum;
  return { ...(others.length > 0 && { others }), ...(possible && { minutes }) };
}

interface EditorProps {
  usual: Schemas["PlanView"];
  asked: Partial<Wish>;
  /** The plan as it was changed before, if it was. */
  draft: Wish | undefined;
}

function Editor({ usual, asked, draft }: EditorProps) {
  // Without blocks of the player's own they are composed, whatever else is changed.
  const plain = { ...usual.wish, ...asked, blocks: [] };
  const [history, setHistory] = useState(() => begun(draft ?? plain));
  const wish = history.now;
  const changes = useDraft(wish, history.past.length > 0);
  const isChanged = history.past.length > 0 || draft !== undefined;
  const settled = useDebounced(wish, 120);
  const preview = usePreview(settled);
  const begin = useBegin();
  const again = useAgain(usual.wish.sectionId);
  const here = usePlanHere(wish);
  const told = preview.data ?? usual;
  // What the server said of the sections may be of those before.
  const sameSections = String(told.sections.map(({ id }) => id)) === String([wish.sectionId, ...wish.others]);
  const drawn =
    here && sameSections ? { ...told, timeline: here.timeline, wish: { ...wish, blocks: here.blocks } } : told;
  // The server may still be drawing what was put together: the next change is made to that, not to what is drawn yet.
  const latest = wish.blocks.length === drawn.wish.blocks.length ? wish.blocks : drawn.wish.blocks;
  const view = { ...drawn, wish: { ...drawn.wish, blocks: latest } };
  const put = useCallback((next: Wish) => setHistory((now) => stepped(now, next)), []);
  const through = useThrough(wish, put);
  // The same all along, so that what a change does not touch is not drawn again.
  const change = useCallback(
    (part: Partial<Wish>) => setHistory((all) => stepped(all, { ...all.now, ...part, blocks: own(all.now.blocks) })),
    [],
  );
  const rearrange = useCallback((blocks: Block[]) => setHistory((all) => stepped(all, { ...all.now, blocks })), []);
  const { mutate: goThrough } = through;
  const isPart = Boolean(view.sections[0]?.section);
  const choose = useCallback(
    (school: Wish["school"]) =>
      // A performance is of the whole passage.
      school === "PERFORMANCE_RUN" && isPart ? goThrough("PERFORM") : change({ school }),
    [isPart, goThrough, change],
  );
  useKeys((event) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
    if (event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    setHistory(event.shiftKey ? redone : undone);
  });
  const empty = view.timeline.stretches.length === 0;
  const { totals } = view.timeline;
  const warmUp = view.timeline.blocks
    .filter(({ part }) => part === "WARM_UP")
    .reduce((sum, { start, end }) => sum + end - start, 0);
  return (
    <Page
      title={titled(view.sections)}
      above={
        <Link to="/" className="touch:inline-block touch:py-3 underline-offset-4 hover:underline">
          {say("plan.today")}
        </Link>
      }
      aside={
        <Button
          kind="main"
          disabled={empty || preview.isError || begin.isPending}
          onClick={() => void changes.now().then(() => begin.begin(wish))}
        >
          {say("plan.beginThisWorkout")}
        </Button>
      }
    >
      {(preview.isError || begin.isError || again.isError) && (
        <Alert className="mb-3 font-semibold">{sentence(preview.error ?? begin.error ?? again.error)}</Alert>
      )}
      {begin.ask}
      {isChanged && (
        <p className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-2 border-spruce pl-3">
          {changes.failed === undefined ? say("draft.lasts") : say("draft.notStored")}
          <Button onClick={() => void changes.drop().then(() => setHistory(begun(plain)))}>{say("draft.drop")}</Button>
        </p>
      )}
      <Sections view={view} wish={wish} through={through} onChange={put} />
      <Timeline
        names={view.sections.map(({ passage, section }) => called(passage, section))}
        timeline={view.timeline}
        height={240}
        handles={
          empty
            ? undefined
            : (scales, width) => (
                <>
                  <Handles timeline={view.timeline} wish={wish} scales={scales} width={width} onChange={change} />
                  <BlockHandles
                    timeline={view.timeline}
                    blocks={view.wish.blocks}
                    scales={scales}
                    onChange={rearrange}
                  />
                </>
              )
        }
      />
      <dl className="mt-4 flex flex-wrap gap-x-10 gap-y-3 border-y border-rule py-3">
        <Total name={say("plan.ofMinutesAsked", { minutes: wish.minutes })} value={minutes(totals.seconds - warmUp)} />
        {warmUp > 0 && <Total name={say("plan.warmUpBefore")} value={minutes(warmUp)} />}
        <Total name={say("plan.playing")} value={minutes(totals.playingSeconds)} />
        <Total name={say("common.rest")} value={minutes(totals.restSeconds)} />
        <Total name={say("plan.notes")} value={oneDecimal(totals.notes)} />
        <Total name={say("plan.ofFastPlaying")} value={clock(totals.burstSeconds)} />
        <Total
          name={
            <Term of="effort">
              {say("plan.effortOfLeft", {
                left: oneDecimal(Math.max(0, view.timeline.effortCap - view.timeline.effortBefore)),
              })}
            </Term>
          }
          value={oneDecimal(totals.effort)}
        />
      </dl>
      {view.timeline.remarks.map((remark) => (
        <p key={say(remark)} className="mt-3">
          {say(remark)}
        </p>
      ))}
      <div className="mt-4">
        <Methods value={wish.school} advice={view.advice} onChange={choose} />
      </div>
      <div className="mt-6 grid gap-x-10 gap-y-8 lg:grid-cols-[17rem_1fr]">
        <div className="grid content-start gap-8">
          <WishFields wish={wish} onChange={change} />
          <LeftToday load={view.load} />
        </div>
        {/* Blocks of other sections than are wished for by now are looked at, not changed. */}
        <section aria-label={say("plan.blocks")} className="min-w-0" inert={!sameSections && !preview.isError}>
          <div className="mb-1.5 flex flex-wrap items-center gap-2">
            <h2 className="mr-auto w-full">{say("plan.theWorkoutBlockByBlock")}</h2>
            <Templates wish={{ ...wish, blocks: view.wish.blocks }} onTake={put} />
            <Button online disabled={again.isPending} onClick={() => again.mutate(undefined, { onSuccess: put })}>
              {say("plan.lastTimesAgain")}
            </Button>
            {own(wish.blocks).length > 0 && (
              <Button onClick={() => rearrange(onlyOwn(wish.blocks, view.wish.blocks))}>{say("plan.onlyMine")}</Button>
            )}
            {wish.blocks.length > 0 && <Button onClick={() => rearrange([])}>{say("plan.composeItAnew")}</Button>}
            <Button
              aria-label={say("plan.undo")}
              disabled={history.past.length === 0}
              onClick={() => setHistory(undone)}
            >
              <Undo2 size={16} aria-hidden />
            </Button>
            <Button
              aria-label={say("plan.redo")}
              disabled={history.future.length === 0}
              onClick={() => setHistory(redone)}
            >
              <Redo2 size={16} aria-hidden />
            </Button>
          </div>
          <Blocks view={view} onChange={rearrange} />
          {!empty && <AddBlock view={view} onChange={rearrange} />}
          <div className="mt-5">
            <Caution />
          </div>
        </section>
      </div>
    </Page>
  );
}

/** The first section, and how many there are besides. */
function titled(sections: Schemas["WorkoutSection"][]) {
  const [first] = sections;
  return (first ? called(first.passage, first.section) : "") + andMore(sections.length);
}

function Total({ name, value }: { name: ReactNode; value: string }) {
  return (
    <div className="flex items-baseline gap-2">
      <dd className="text-xl font-bold">{value}</dd>
      <dt className="text-soft">{name}</dt>
    </div>
  );
}
