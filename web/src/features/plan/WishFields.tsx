import type { Schemas } from "../../api/client";
import { useMethods } from "../../api/queries";
import { Sketch } from "../../relief/Sketch";
import { Choice } from "../../ui/Choice";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";

type Wish = Schemas["PlanWish"];

interface Props {
  wish: Wish;
  /** The methods there are. */
  schools: Schemas["SchoolDto"][];
  /** What the section wants now by a rule of thumb; null where nobody asked. */
  advice: Schemas["Advice"] | null;
  onChange: (part: Partial<Wish>) => void;
}

const FOCUSES = ["relaxed hand", "evenness", "articulation", "breath", "dynamics", "sound"];

/** What may be chosen about a workout. */
export function WishFields({ wish, schools, advice, onChange }: Props) {
  const bursts = wish.school === "INTERVAL_BURSTS";
  const climbs = wish.school !== "EASY" && wish.school !== "CEILING_TEST";
  return (
    <form className="grid content-start gap-4" onSubmit={(event) => event.preventDefault()}>
      {advice && (
        <div className="border-l-2 border-brass pl-3 text-sm">
          <p>
            <b>{advice.title}</b>{" "}
            {wish.school === advice.school ? "is what this section wants now." : "may be what this section wants now."}{" "}
            {advice.why}
          </p>
          {wish.school !== advice.school && (
            <button
              type="button"
              className="mt-1 font-semibold underline underline-offset-4"
              onClick={() => onChange({ school: advice.school })}
            >
              Use this
            </button>
          )}
        </div>
      )}
      <div className="max-h-96 overflow-y-auto pr-1">
        <Choice
          label="Method"
          value={wish.school}
          columns="grid-cols-1"
          onChange={(school) => onChange({ school })}
          options={schools.map(({ school, title, hint }) => ({ value: school, label: title, hint }))}
        />
      </div>
      <About school={wish.school} />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Minutes"
          type="number"
          {...within(RANGES.PlanWish.minutes)}
          value={wish.minutes || ""}
          onChange={(event) => onChange({ minutes: Number(event.target.value) })}
        />
        <Labelled label="Focus">
          {({ id }) => (
            <>
              <input
                id={id}
                list={`${id}-list`}
                {...upTo(RANGES.PlanWish.focus)}
                className={INPUT}
                value={wish.focus}
                onChange={(event) => onChange({ focus: event.target.value })}
              />
              <datalist id={`${id}-list`}>
                {FOCUSES.map((focus) => (
                  <option key={focus} value={focus} />
                ))}
              </datalist>
            </>
          )}
        </Labelled>
        {bursts && (
          <>
            <Field
              label="Bursts at most"
              type="number"
              {...within(RANGES.PlanWish.bursts)}
              value={wish.bursts || ""}
              onChange={(event) => onChange({ bursts: Number(event.target.value) })}
            />
            <Labelled label="Burst lasts">
              {({ id }) => (
                <select
                  id={id}
                  className={INPUT}
                  value={wish.burstBeats}
                  onChange={(event) => onChange({ burstBeats: Number(event.target.value) })}
                >
                  <option value={1}>1 beat</option>
                  <option value={2}>2 beats</option>
                </select>
              )}
            </Labelled>
          </>
        )}
        {climbs && (
          <Field
            label="Clean for a step"
            type="number"
            {...within(RANGES.PlanWish.cleanInARow)}
            value={wish.cleanInARow || ""}
            onChange={(event) => onChange({ cleanInARow: Number(event.target.value) })}
          />
        )}
        {climbs && (
          <Labelled label="A small slip">
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.roughCounts ? "counts" : "holds"}
                onChange={(event) => onChange({ roughCounts: event.target.value === "counts" })}
              >
                <option value="holds">holds back</option>
                <option value="counts">passes</option>
              </select>
            )}
          </Labelled>
        )}
        {climbs && (
          <Labelled label="Tension">
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.looseOnly ? "loose" : "edge"}
                onChange={(event) => onChange({ looseOnly: event.target.value === "loose" })}
              >
                <option value="edge">to the edge</option>
                <option value="loose">loose only</option>
              </select>
            )}
          </Labelled>
        )}
        {bursts && (
          <Labelled label="Recovery before it">
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={wish.caution}
                onChange={(event) => onChange({ caution: event.target.value as Wish["caution"] })}
              >
                <option value="USUAL">as usual</option>
                <option value="CAUTIOUS">more of it</option>
              </select>
            )}
          </Labelled>
        )}
      </div>
      <p className="text-sm text-soft">
        The dots in the picture can be dragged, or moved with the arrow keys: tempos and minutes by the round ones, the
        places of blocks by their grips. Recovery and effort are rules of thumb.
      </p>
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
        <b className="text-ink">{method.title}</b> is {method.use}.
      </p>
      <Sketch passes={method.shape} label={`How it moves: ${method.hint}`} />
    </div>
  );
}
