import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { locale, say } from "../../words/say";

type Weekday = Schemas["SeasonView"]["daysOff"][number];

const WEEK: Weekday[] = ["MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"];

/** A weekday's name as the browser's locale writes it; 1 January 2024 was a Monday. */
const named = (i: number) => new Date(2024, 0, i + 1).toLocaleDateString(locale(), { weekday: "short" });

/** The days of the week without practice. */
export function DaysOff({ season }: { season: Schemas["SeasonView"] }) {
  const change = useChange((days: Weekday[]) => given(api.PUT("/api/season/off", { body: { days } })), touches.season);
  const off = new Set(season.daysOff);
  return (
    <section aria-label={say("season.daysOff")}>
      <h2 className="mb-2">{say("season.daysOff")}</h2>
      <div className="flex flex-wrap gap-1.5">
        {WEEK.map((one, i) => (
          <button
            key={one}
            type="button"
            aria-pressed={off.has(one)}
            disabled={change.isPending}
            onClick={() => change.mutate(WEEK.filter((other) => (other === one ? !off.has(one) : off.has(other))))}
            className={`min-h-11 min-w-12 rounded-[5px] border px-2 ${off.has(one) ? "border-spruce bg-spruce-pale font-semibold" : "border-rule-strong"}`}
          >
            {named(i)}
          </button>
        ))}
      </div>
      <Failure of={change} className="mt-2" />
      <p className="mt-2 text-sm text-soft">
        {off.size === 0 ? say("season.noneIsSetWhatWas") : say("season.nothingIsPlannedOnThem")}
      </p>
    </section>
  );
}
