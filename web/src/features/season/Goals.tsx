import { useId } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { bpm, day } from "../../ui/format";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import type { Pattern } from "./looks";
import { Swatch } from "./Patterns";
import { say } from "../../words/say";

type Goal = Schemas["GoalDto"];
const IMPORTANCE: Goal["matters"][] = ["MOST", "USUAL", "LESS"];

/** What is not named stays as it is. */
const SAME: Schemas["AimWish"] = { matters: null, targetBpm: null, neededOn: null };

interface Props {
  season: Schemas["SeasonView"];
  patterns: Map<number, Pattern>;
  pending: boolean;
  onAim: (passageId: number, wish: Schemas["AimWish"]) => void;
}

/** Every passage: where it stands, where it goes by its date, what is given up, and what could be wanted instead. */
export function Goals({ season, patterns, pending, onAim }: Props) {
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
              <Offer goal={goal} pending={pending} onAim={(wish) => onAim(goal.passageId, wish)} />
            </div>
            <div className="flex flex-wrap items-center gap-x-3 gap-y-2 sm:flex-col sm:items-end">
              <p className="font-mono whitespace-nowrap sm:text-right">
                {say("season.of", {
                  part: (words) => <span className="text-2xl font-bold">{words}</span>,
                  ceiling: bpm(goal.ceiling),
                  target: bpm(goal.target),
                })}
              </p>
              <select
                aria-label={say("season.matters", { title: goal.title })}
                className={`${INPUT} w-auto`}
                value={goal.matters}
                disabled={pending}
                onChange={(event) => onAim(goal.passageId, { ...SAME, matters: event.target.value as Goal["matters"] })}
              >
                {IMPORTANCE.map((one) => (
                  <option key={one} value={one}>
                    {say(`matters.${one}`)}
                  </option>
                ))}
              </select>
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-soft">{say("season.chancesGoOnFromHow")}</p>
    </section>
  );
}

/** A tempo that is within reach by the date, or a date by which the target is: taken by one press. */
function Offer({ goal, pending, onAim }: { goal: Goal; pending: boolean; onAim: (wish: Schemas["AimWish"]) => void }) {
  const { tempo, date } = goal.offer ?? {};
  if (!tempo && !date) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <span>{say("season.outOfReach")}</span>
      {tempo && (
        <Button disabled={pending} onClick={() => onAim({ ...SAME, targetBpm: tempo })}>
          {say("season.aimAt", { tempo: bpm(tempo), neededOn: day(goal.neededOn!) })}
        </Button>
      )}
      {date && (
        <Button disabled={pending} onClick={() => onAim({ ...SAME, neededOn: date })}>
          {say("season.aimLater", { target: bpm(goal.target), date: day(date) })}
        </Button>
      )}
    </div>
  );
}
