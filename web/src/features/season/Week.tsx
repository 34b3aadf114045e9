import type { Schemas } from "../../api/client";
import { bpm, day } from "../../ui/format";

/** Seven days on paper, for the stand: what each gives to what, and room to write what was reached. */
export function Week({ season }: { season: Schemas["SeasonView"] }) {
  const goal = (passageId: number) => season.goals.find((one) => one.passageId === passageId);
  return (
    <section aria-label="The week on paper" className="hidden print:block">
      <table className="w-full border-collapse text-left text-[11pt]">
        <caption className="mb-2 text-left font-semibold">
          {day(season.days[0]!.day)} to {day(season.days[6]!.day)}
        </caption>
        <thead>
          <tr className="border-b-2 border-black">
            <th scope="col" className="py-1 pr-3">
              Day
            </th>
            <th scope="col" className="py-1 pr-3">
              Passage
            </th>
            <th scope="col" className="py-1 pr-3 text-right">
              Effort min
            </th>
            <th scope="col" className="py-1 pr-3 text-right">
              Ceiling, target
            </th>
            <th scope="col" className="w-[34%] py-1">
              Reached, found
            </th>
          </tr>
        </thead>
        <tbody>
          {season.days.slice(0, 7).flatMap((one) =>
            (one.shares.length > 0 ? one.shares : [{ passageId: 0, minutes: 0 }]).map((share, i) => (
              <tr key={`${one.day}-${share.passageId}`} className={i === 0 ? "border-t border-black" : ""}>
                <th scope="row" className="py-1.5 pr-3 align-top font-semibold whitespace-nowrap">
                  {i === 0 && day(one.day, { weekday: "short", day: "numeric", month: "short" })}
                </th>
                <td className="py-1.5 pr-3">{goal(share.passageId)?.title ?? (one.off ? "Off" : "—")}</td>
                <td className="py-1.5 pr-3 text-right">{share.minutes || ""}</td>
                <td className="py-1.5 pr-3 text-right whitespace-nowrap">
                  {goal(share.passageId) &&
                    `${bpm(goal(share.passageId)!.ceiling)}, ${bpm(goal(share.passageId)!.target)}`}
                </td>
                <td className="border-b border-dotted border-black" />
              </tr>
            )),
          )}
        </tbody>
      </table>
      <p className="mt-3 text-[9pt]">
        One effort minute is one loose minute at 60% of the ceiling, by a rule of thumb. Stop at pain, numbness,
        tingling or loss of control.
      </p>
    </section>
  );
}
