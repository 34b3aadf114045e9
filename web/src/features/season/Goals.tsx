import { useId } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { bpm, day } from "../../ui/format";
import type { Pattern } from "./looks";
import { Swatch } from "./Patterns";
import { say } from "../../words/say";

/** Every passage: where it stands, where it goes by its date, and what is given up. */
export function Goals({ season, patterns }: { season: Schemas["SeasonView"]; patterns: Map<number, Pattern> }) {
  const id = useId();
  if (season.goals.length === 0) {
    return (
      <section>
        <h2 className="mb-2">{say("season.whatIsPrepared")}</h2>
        <p className="text-soft">
          {say("season.nothingYetGiveAPassage", {
            link: (words) => (
              <Link to="/start" className="font-semibold text-spruce underline underline-offset-4">
                {words}
              </Link>
            ),
          })}
        </p>
      </section>
    );
  }
  return (
    <section aria-label={say("season.whatIsPrepared")}>
      <h2 className="mb-2">{say("season.whatIsPrepared")}</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {season.goals.map((goal) => (
          <li key={goal.passageId} className="grid gap-x-5 py-3 sm:grid-cols-[1fr_auto]">
            <div className="min-w-0">
              <p className="flex items-baseline gap-2">
                <Swatch id={`${id}-${goal.passageId}`} pattern={patterns.get(goal.passageId) ?? "pale"} />
                <Link to={`/passages/${goal.passageId}`} className="text-lg font-bold" dir="auto">
                  {goal.title}
                </Link>
                {goal.neededOn && (
                  <span className="text-soft">{say("season.by", { neededOn: day(goal.neededOn) })}</span>
                )}
              </p>
              <p className={goal.prospect === "UNLIKELY" ? "text-danger" : ""}>{say(goal.sentence)}</p>
              {goal.near && <p className="text-soft">{say("season.aNearGoalInTwo", { near: bpm(goal.near) })}</p>}
            </div>
            <p className="font-mono whitespace-nowrap sm:text-right">
              {say("season.of", {
                part: (words) => <span className="text-2xl font-bold">{words}</span>,
                ceiling: bpm(goal.ceiling),
                target: bpm(goal.target),
              })}
            </p>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-soft">{say("season.chancesGoOnFromHow")}</p>
    </section>
  );
}
