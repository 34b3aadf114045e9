import { memo } from "react";
import { Term } from "../../ui/Term";
import type { Schemas } from "../../api/client";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

type Wish = Schemas["PlanWish"];

interface Props {
  wish: Wish;
  onChange: (part: Partial<Wish>) => void;
}

const focuses = () => [
  say("plan.relaxedHand"),
  say("plan.evenness"),
  say("plan.articulation"),
  say("plan.breath"),
  say("plan.dynamics"),
  say("plan.sound"),
];

/** What may be chosen about a workout. */
export const WishFields = memo(function WishFields({ wish, onChange }: Props) {
  const bursts = wish.school === "INTERVAL_BURSTS";
  const climbs = wish.school !== "EASY" && wish.school !== "CEILING_TEST";
  return (
    <form className="grid content-start gap-4" onSubmit={(event) => event.preventDefault()}>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={say("plan.minutesLabel")}
          type="number"
          {...within(RANGES.PlanWish.minutes)}
          value={wish.minutes || ""}
          onChange={(event) => onChange({ minutes: Number(event.target.value) })}
        />
        <Labelled label={say("plan.focus")}>
          {({ id }) => (
            <>
              <input
                id={id}
                list={`${id}-list`}
                {...upTo(RANGES.PlanWish.focus)}
                className={INPUT}
                placeholder={say("plan.relaxedHand")}
                value={wish.focus}
                onChange={(event) => onChange({ focus: event.target.value })}
              />
              <datalist id={`${id}-list`}>
                {focuses().map((focus) => (
                  <option key={focus} value={focus} />
                ))}
              </datalist>
            </>
          )}
        </Labelled>
        {bursts && (
          <>
            <Field
              label={say("plan.burstsAtMost")}
              type="number"
              {...within(RANGES.PlanWish.bursts)}
              value={wish.bursts || ""}
              onChange={(event) => onChange({ bursts: Number(event.target.value) })}
            />
            <Labelled label={say("plan.burstLasts")}>
              {({ id }) => (
                <select
                  id={id}
                  className={INPUT}
                  value={wish.burstBeats}
                  onChange={(event) => onChange({ burstBeats: Number(event.target.value) })}
                >
                  <option value={1}>{say("plan.n1Beat")}</option>
                  <option value={2}>{say("plan.n2Beats")}</option>
                </select>
              )}
            </Labelled>
          </>
        )}
        {climbs && (
          <Field
            label={say("plan.cleanForAStep")}
            type="number"
            {...within(RANGES.PlanWish.cleanInARow)}
            value={wish.cleanInARow || ""}
            onChange={(event) => onChange({ cleanInARow: Number(event.target.value) })}
          />
        )}
        {climbs && (
          <Labelled label={say("plan.aSmallSlip")}>
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.roughCounts ? "counts" : "holds"}
                onChange={(event) => onChange({ roughCounts: event.target.value === "counts" })}
              >
                <option value="holds">{say("plan.holdsBack")}</option>
                <option value="counts">{say("common.passes")}</option>
              </select>
            )}
          </Labelled>
        )}
        {climbs && (
          <Labelled label={say("common.tension")}>
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.looseOnly ? "loose" : "edge"}
                onChange={(event) => onChange({ looseOnly: event.target.value === "loose" })}
              >
                <option value="edge">{say("plan.toTheEdge")}</option>
                <option value="loose">{say("plan.looseOnly")}</option>
              </select>
            )}
          </Labelled>
        )}
        {bursts && (
          <Labelled
            label={say("plan.recoveryBeforeIt")}
            hint={<Term of="recovery">{say("common.whatIsRecovery")}</Term>}
          >
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.caution}
                onChange={(event) => onChange({ caution: event.target.value as Wish["caution"] })}
              >
                <option value="USUAL">{say("plan.asUsual")}</option>
                <option value="CAUTIOUS">{say("plan.moreOfIt")}</option>
              </select>
            )}
          </Labelled>
        )}
      </div>
      <p className="text-sm text-soft">{say("plan.theDotsInThePicture")}</p>
    </form>
  );
});
