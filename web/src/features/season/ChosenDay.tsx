import { useId, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { day, oneDecimal } from "../../ui/format";
import type { Pattern } from "./looks";
import { Swatch } from "./Patterns";
import { say } from "../../words/say";

interface Props {
  at: Schemas["SeasonDayDto"];
  season: Schemas["SeasonView"];
  patterns: Map<number, Pattern>;
  pending: boolean;
  /** So many minutes are wanted; null for a day like any other. */
  onAsk: (minutes: number | null) => void;
  onMove: (to: string) => void;
}

/** One day: what it holds, which rule caps it, and what else it could be. */
export function ChosenDay({ at, season, patterns, pending, onAsk, onMove }: Props) {
  const id = useId();
  const [minutes, setMinutes] = useState(at.minutes);
  const title = (passageId: number) => season.goals.find((goal) => goal.passageId === passageId)?.title;
  return (
    <section aria-label={say("season.theChosenDay")} className="grid content-start gap-3">
      <h2>{day(at.day, { weekday: "long", day: "numeric", month: "long" })}</h2>
      {at.occasions.map((one) => (
        <p key={say(one)} className="font-semibold text-danger">
          {say(one)}
        </p>
      ))}
      <p>
        {at.off ? (
          <span className="text-3xl font-bold">{say("season.off")}</span>
        ) : (
          <>
            {say("season.ofEffortMinutes", {
              part: (words) => <span className="text-3xl font-bold">{words}</span>,
              minutes: at.minutes,
              cap: oneDecimal(at.cap),
            })}
          </>
        )}
        {at.day === season.today && season.done > 0 && say("season.played", { done: Math.round(season.done) })}
      </p>
      <ul>
        {at.shares.map((share) => (
          <li key={share.passageId} className="flex items-baseline gap-2">
            <Swatch id={`${id}-${share.passageId}`} pattern={patterns.get(share.passageId) ?? "pale"} />
            {title(share.passageId)}
            <span className="ml-auto font-mono">{say("season.min", { minutes: share.minutes })}</span>
          </li>
        ))}
      </ul>
      <p className="text-soft">
        {say(`rule.${at.rule}`)}. {say(at.why)}
      </p>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          onAsk(minutes);
        }}
      >
        <label>
          <span className="mb-1 block font-semibold">{say("season.minutesWanted")}</span>
          <input
            type="number"
            min={0}
            max={600}
            required
            value={Number.isNaN(minutes) ? "" : minutes}
            onChange={(event) => setMinutes(event.target.valueAsNumber)}
            className={`${INPUT} w-28`}
          />
        </label>
        <Button online type="submit" disabled={pending || Number.isNaN(minutes)}>
          {say("season.planItSo")}
        </Button>
        {at.minutes > 0 && (
          <Button disabled={pending} onClick={() => onAsk(0)}>
            {say("season.dayOff")}
          </Button>
        )}
        {at.asked && (
          <Button disabled={pending} onClick={() => onAsk(null)}>
            {say("season.asUsual")}
          </Button>
        )}
      </form>
      {at.minutes > 0 && (
        <label className="flex flex-wrap items-center gap-2">
          <span className="font-semibold">{say("season.moveItTo")}</span>
          <select
            className={`${INPUT} w-auto max-w-48`}
            value=""
            disabled={pending}
            onChange={(event) => onMove(event.target.value)}
          >
            <option value="">{say("season.anotherDay")}</option>
            {season.days
              .filter((one) => one.day !== at.day)
              .slice(0, 28)
              .map((one) => (
                <option key={one.day} value={one.day}>
                  {day(one.day, { weekday: "short", day: "numeric", month: "short" })}
                </option>
              ))}
          </select>
        </label>
      )}
    </section>
  );
}
