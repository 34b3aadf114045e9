import { Play } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, Navigate, useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { useDrafts, useToday } from "../../api/queries";
import { useLastReached } from "../../offline/connection";
import { usePacking } from "../../outbox/packing";
import { onlyOpenIs, openRun as openHere } from "../../outbox/runs";
import { Timeline } from "../../timeline/Timeline";
import { reachedFirst } from "../../ui/limits";
import { Button, ButtonLink, KeyHint } from "../../ui/Button";
import { longDay, called } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { useKeys } from "../../ui/useKeys";
import { useBegin, useBeginMethod } from "../run/useBegin";
import { StillOpenHere } from "../run/StillOpen";
import { LeftToday } from "./LeftToday";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

const MINUTES = [10, 15, 20, 25, 30, 40, 50, 60, 90, 120];

/** What to play now, and whether. */
export default function Today({ me }: { me: Schemas["Me"] }) {
  const [chosen, setChosen] = useState<number>();
  const [easy, setEasy] = useState(false);
  const today = useToday(chosen, easy);
  const begin = useBegin();
  const measure = useBeginMethod();
  const navigate = useNavigate();
  const plan = today.data?.plan;
  const cutOff = useLastReached() !== undefined;
  // Where there is no network, this browser knows better what is being played in it.
  const served = cutOff ? undefined : today.data?.openRun;
  useEffect(() => {
    if (served !== undefined) onlyOpenIs(served);
  }, [served]);
  const openRun = cutOff ? openHere() : today.data?.openRun;
  usePacking(chosen === undefined && !easy ? today.data : undefined);
  const draft = useDrafts().data?.find((wish) => wish.sectionId === plan?.wish.sectionId);
  const mayBegin = !!plan && plan.timeline.stretches.length > 0;

  useKeys((event) => {
    if (event.code !== "Space" || isControl(event.target) || begin.isPending) return;
    event.preventDefault();
    if (openRun) void navigate(`/run/${openRun}`);
    else if (mayBegin) begin.begin(plan.wish);
  });

  if (today.isPending) return <Waiting />;
  if (today.isError) return <Failed error={today.error} again={() => void today.refetch()} />;
  const { data } = today;
  if (!plan) return openRun ? <Navigate to={`/run/${openRun}`} replace /> : <FirstDay me={me} />;

  return (
    <Page
      above={longDay(data.day)}
      title={say("today.sectionAndMore", {
        section: called(plan.passage, plan.section),
        more: data.sections.length - 1,
      })}
      aside={
        <>
          <label className="flex min-h-11 items-center gap-2 rounded-[5px] border border-rule-strong pl-3">
            <span className="text-soft">{say("today.iHave")}</span>
            <select
              aria-label={say("today.minutesIHave")}
              disabled={cutOff}
              title={cutOff ? say("offline.needsANetwork") : undefined}
              value={easy ? "" : (chosen ?? plan.wish.minutes)}
              onChange={(event) => {
                setEasy(false);
                setChosen(Number(event.target.value));
              }}
              className="min-h-11 bg-transparent pr-2 font-semibold"
            >
              {easy && <option value="">{say("today.n8Min")}</option>}
              {[...new Set([...MINUTES, chosen ?? (easy ? 30 : plan.wish.minutes)])]
                .sort((a, b) => a - b)
                .map((minutes) => (
                  <option key={minutes} value={minutes}>
                    {say("today.min", { minutes })}
                  </option>
                ))}
            </select>
          </label>
          <Button
            online
            onClick={() => setEasy(!easy)}
            aria-pressed={easy}
            className={easy ? "border-spruce bg-spruce-pale" : ""}
          >
            {say("today.just8EasyMinutes")}
          </Button>
          {openRun ? (
            <Button kind="main" onClick={() => void navigate(`/run/${openRun}`)}>
              {say("today.goOnWhereYouWere")} <KeyHint>{say("common.space")}</KeyHint>
            </Button>
          ) : (
            <Button kind="main" disabled={!mayBegin || begin.isPending} onClick={() => begin.begin(plan.wish)}>
              <Play size={18} aria-hidden="true" /> {say("today.begin")} <KeyHint>{say("common.space")}</KeyHint>
            </Button>
          )}
        </>
      }
    >
      <Failure of={begin} className="mb-3 font-semibold" />
      <Failure of={measure} className="mb-3 font-semibold" />
      {begin.ask}
      {measure.ask}
      {openRun && !cutOff && <StillOpenHere runId={Number(openRun)} />}
      {draft && !openRun && (
        <p className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-2 border-spruce pl-3">
          {say("draft.waits", { section: called(plan.passage, plan.section) })}
          <Button online disabled={begin.isPending} onClick={() => begin.begin(draft)}>
            {say("draft.begin")}
          </Button>
          <Link to={`/plan/${draft.sectionId}`} className="font-semibold text-spruce underline underline-offset-4">
            {say("draft.look")}
          </Link>
        </p>
      )}
      {mayBegin ? (
        <Timeline
          timeline={plan.timeline}
          names={plan.sections.map(({ passage, section }) => called(passage, section))}
          height={232}
        />
      ) : (
        <NothingLeft data={data} />
      )}
      <div className="mt-1 grid gap-x-10 gap-y-6 border-t border-rule pt-4 md:grid-cols-[2fr_1fr]">
        <section aria-label={say("today.whyThis")}>
          {data.word.code && <p className="mb-3 max-w-[70ch] text-lg">{say(data.word)}</p>}
          <ol className="grid gap-3">
            {data.sections.map((section) => (
              <ChosenSection key={section.sectionId} section={section} />
            ))}
          </ol>
          {mayBegin && !easy && (
            <p className="mt-3">
              {plan.advice.chosen.code ? (
                say(plan.advice.chosen)
              ) : (
                <>
                  <b>{say(`method.${plan.wish.school}`)}</b> {say(plan.advice.why)}
                </>
              )}
            </p>
          )}
          {plan.timeline.remarks
            .map((remark) => say(remark))
            .filter((remark) => remark !== data.load.restSentence)
            .map((remark) => (
              <p key={remark} className="mt-2 text-soft">
                {remark}
              </p>
            ))}
          {data.measure.code && mayBegin && !openRun && (
            <p className="mt-2">
              {say(data.measure)}{" "}
              <button
                type="button"
                disabled={measure.isPending}
                onClick={() => measure.begin({ sectionId: plan.wish.sectionId, school: "CEILING_TEST" })}
                className="min-h-6 touch:min-h-11 font-semibold text-spruce underline underline-offset-4"
              >
                {say("today.measureItNow")}
              </button>
            </p>
          )}
          <p className="mt-3">
            <Link
              to={`/plan/${plan.wish.sectionId}?with=${plan.wish.others.join(",")}&minutes=${plan.wish.minutes}`}
              className="font-semibold text-spruce underline underline-offset-4"
            >
              {say("today.changeThisPlan")}
            </Link>
            <Link to="/counts" className="ml-5 font-semibold text-spruce underline underline-offset-4">
              {say("today.countChanges")}
            </Link>
          </p>
        </section>
        <div className="grid content-start gap-4">
          <LeftToday load={data.load} />
          <Caution />
        </div>
      </div>
    </Page>
  );
}

/** Whether a key is for something that takes keys itself. */
const isControl = (target: EventTarget | null) =>
  target instanceof Element && target.matches("a, button, input, select, textarea, summary, [role], [tabindex='0']");

/** A section of the workout: why it is there, and what has become of it. */
function ChosenSection({ section }: { section: Schemas["ChosenSection"] }) {
  return (
    <li className="border-l-2 border-spruce/30 pl-3">
      <h2 className="text-lg leading-snug" dir="auto">
        {called(section.passage, section.section)}
      </h2>
      <p>{say(section.why)}</p>
      <p className="text-soft">
        {section.sinceLastTime.length > 0
          ? section.sinceLastTime.map((one) => say(one)).join(" ")
          : say("today.itsFirstPassesFindIts")}
      </p>
    </li>
  );
}

function NothingLeft({ data }: { data: Schemas["TodayView"] }) {
  const until = data.load.restsUntil;
  return (
    <div className="grid min-h-72 place-content-center border-y border-rule text-center">
      <p className="text-2xl font-bold">
        {until ? say("today.noPlayingForNow") : say("today.youveReachedTodaysLimit")}
      </p>
      <p className="mx-auto mt-2 max-w-[52ch] text-soft">
        {until
          ? data.load.restSentence
          : say("today.readTheScoreImagineIt", { reachedFirst: reachedFirst(data.load.limits[0]!) })}
      </p>
    </div>
  );
}

function FirstDay({ me }: { me: Schemas["Me"] }) {
  return (
    <Page above={longDay(me.today)} title={say("today.nothingToPlayYet")}>
      <p className="mb-6 max-w-[56ch] text-lg text-soft">{say("today.giveOnePassageThatShould")}</p>
      <div className="flex flex-wrap gap-3">
        <ButtonLink kind="main" to="/start">
          {say("today.giveAPassage")}
        </ButtonLink>
        <ButtonLink to="/passages/new">{say("today.typeItsNotes")}</ButtonLink>
      </div>
    </Page>
  );
}
