import { Term } from "../../ui/Term";
import type { Schemas } from "../../api/client";
import { useMethods } from "../../api/queries";
import { Sketch } from "../../timeline/Sketch";
import { Choice } from "../../ui/Choice";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

type Wish = Schemas["PlanWish"];

interface Props {
  wish: Wish;
  /** The methods there are. */
  schools: Schemas["PlanView"]["schools"];
  /** What the section wants now by a rule of thumb; null where nobody asked. */
  advice: Schemas["Advice"] | null;
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
export function WishFields({ wish, schools, advice, onChange }: Props) {
  const bursts = wish.school === "INTERVAL_BURSTS";
  const climbs = wish.school !== "EASY" && wish.school !== "CEILING_TEST";
  return (
    <form className="grid content-start gap-4" onSubmit={(event) => event.preventDefault()}>
      {advice && (
        <div className="border-l-2 border-brass pl-3 text-sm">
          <p>
            <b>{say(`method.${advice.school}`)}</b>{" "}
            {wish.school === advice.school ? say("plan.isWhatThisSectionWants") : say("plan.mayBeWhatThisSection")}{" "}
            {say(advice.why)}
          </p>
          {wish.school !== advice.school && (
            <button
              type="button"
              className="mt-1 font-semibold underline underline-offset-4"
              onClick={() => onChange({ school: advice.school })}
            >
              {say("plan.useThis")}
            </button>
          )}
        </div>
      )}
      <div className="max-h-96 overflow-y-auto pr-1">
        <Choice
          label={say("plan.method")}
          value={wish.school}
          columns="grid-cols-1"
          onChange={(school) => onChange({ school })}
          options={schools.map((school) => ({
            value: school,
            label: say(`method.${school}`),
            hint: say(`method.${school}.hint`),
          }))}
        />
      </div>
      <About school={wish.school} />
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
}

/** When a method is used, and how it moves, in small. */
function About({ school }: { school: Wish["school"] }) {
  const method = useMethods().data?.find((one) => one.school === school);
  if (!method) return null;
  return (
    <div className="text-sm">
      <p className="mb-2 text-soft">
        {say("plan.is", {
          b: (words) => <b className="text-ink">{words}</b>,
          title: say(`method.${school}`),
          use: say(`method.${school}.use`),
        })}
      </p>
      <Sketch passes={method.shape} label={say("plan.howItMoves", { hint: say(`method.${school}.hint`) })} />
    </div>
  );
}
