import { Term } from "../../ui/Term";
import { Printer } from "lucide-react";
import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange, useSeason } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { day, oneDecimal } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { Calendars } from "./Calendars";
import { ChosenDay } from "./ChosenDay";
import { DaysOff } from "./DaysOff";
import { Goals } from "./Goals";
import { patterns } from "./looks";
import { Performances } from "./Performances";
import { Strip } from "./Strip";
import { Week } from "./Week";
import { say } from "../../words/say";

/** Whether it will be ready: the weeks ahead, and what they give to what. */
export default function Season() {
  const season = useSeason();
  if (season.isPending) return <Waiting />;
  if (season.isError) return <Failed error={season.error} again={() => void season.refetch()} />;
  return <Weeks season={season.data} />;
}

function Weeks({ season }: { season: Schemas["SeasonView"] }) {
  const [chosen, setChosen] = useState(season.today);
  const move = useChange(
    (wish: { from: string; to: string }) => given(api.POST("/api/season/moves", { body: wish })),
    touches.season,
  );
  const ask = useChange(
    ({ at, minutes }: { at: string; minutes: number | null }) =>
      minutes === null
        ? given(api.DELETE("/api/season/days/{day}", { params: { path: { day: at } } }))
        : given(api.PUT("/api/season/days/{day}", { params: { path: { day: at } }, body: { minutes } })),
    touches.season,
  );
  const aim = useChange(
    ({ id, wish }: { id: number; wish: Schemas["AimWish"] }) =>
      given(api.PUT("/api/season/passages/{id}", { params: { path: { id } }, body: wish })),
    touches.aim,
  );
  const looks = patterns(season.goals);
  const at = season.days.find((one) => one.day === chosen) ?? season.days[0]!;
  const latest = move.submittedAt > ask.submittedAt ? move : ask;
  return (
    <>
      <Page
        title={headline(season)}
        above={say("season.season", { today: day(season.today, { weekday: "long", day: "numeric", month: "long" }) })}
        aside={
          <Button onClick={() => window.print()}>
            <Printer size={18} aria-hidden="true" /> {say("season.printTheWeek")}
          </Button>
        }
      >
        <div className="print:hidden">
          <Strip
            season={season}
            patterns={looks}
            chosen={at.day}
            onChoose={setChosen}
            onMove={(from, to) => move.mutate({ from, to })}
          />
          <p className="mt-1 text-sm text-soft">
            {say("season.effortMinutesByARule", { term: (words) => <Term of="effort">{words}</Term> })}
          </p>
          <p role="status" className="mt-2 min-h-6">
            {latest.isError ? (
              <b className="text-danger">{sentence(latest.error)}</b>
            ) : (
              latest.data && <Answer changed={latest.data} />
            )}
          </p>
          <div className="mt-3 grid gap-x-12 gap-y-8 border-t border-rule pt-5 md:grid-cols-[1fr_2fr]">
            <ChosenDay
              key={at.day}
              at={at}
              season={season}
              patterns={looks}
              pending={ask.isPending || move.isPending}
              onAsk={(minutes) => ask.mutate({ at: at.day, minutes })}
              onMove={(to) => {
                move.mutate({ from: at.day, to });
                setChosen(to);
              }}
            />
            <div>
              <Goals
                season={season}
                patterns={looks}
                pending={aim.isPending}
                onAim={(id, wish) => aim.mutate({ id, wish })}
              />
              {aim.isError && (
                <p role="alert" className="mt-2 font-semibold text-danger">
                  {sentence(aim.error)}
                </p>
              )}
            </div>
          </div>
          <div className="mt-8 grid gap-x-12 gap-y-8 border-t border-rule pt-5 md:grid-cols-3">
            <DaysOff season={season} />
            <Performances season={season} />
            <Calendars season={season} />
          </div>
          <div className="mt-8">
            <Caution />
          </div>
        </div>
        <Week season={season} />
      </Page>
    </>
  );
}

/** What a change did: the load of its days, and the chances. */
function Answer({ changed }: { changed: Schemas["Changed"] }) {
  const moved = changed.chances.filter((one) => percent(one.before) !== percent(one.after));
  return (
    <>
      {changed.days.map((one) => (
        <span key={one.day} className="mr-4">
          <b>{day(one.day, { weekday: "short", day: "numeric", month: "short" })}</b>{" "}
          {one.off ? say("season.offMark") : say("season.ofMin", { minutes: one.minutes, cap: oneDecimal(one.cap) })}
          {one.minutes >= Math.floor(one.cap) && !one.off && say("season.capped", { rule: say(`rule.${one.rule}`) })}.
        </span>
      ))}
      {changed.chances.length > 0 &&
        (moved.length === 0
          ? say("season.theChancesStayAsThey")
          : moved.map((one) => (
              <span key={one.passage} className="mr-4">
                {one.passage} {percent(one.before)} → {percent(one.after)}.
              </span>
            )))}
    </>
  );
}

const percent = (chance: number) => `${Math.round(100 * chance)}%`;

function headline({ goals, days, today }: Schemas["SeasonView"]) {
  const behind = goals.filter((goal) => goal.prospect === "UNLIKELY" || goal.prospect === "BEHIND");
  const dated = goals.filter((goal) => goal.neededOn && goal.neededOn >= today);
  if (goals.length === 0) return say("season.nothingToPrepareYet");
  if (dated.length === 0) return say("season.theNextWeeksWithoutA", { days: Math.round(days.length / 7) });
  if (behind.length === 0)
    return dated.some((goal) => goal.prospect) ? say("season.onCourseForEveryDate") : say("season.tooEarlyToSay");
  if (behind.length === 1) return say("season.willNotBeReadyAs", { title: behind[0]!.title });
  return say("season.ofWillNotBeReady", { behind: behind.length, dated: dated.length });
}
