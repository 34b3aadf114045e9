import type { Schemas } from "../../api/client";
import { bpm, day } from "../../ui/format";
import { say } from "../../words/say";

/** Seven days on paper, for the stand: what each gives to what, and room to write what was reached. */
export function Week({ season }: { season: Schemas["SeasonView"] }) {
  const goal = (passageId: number) => season.goals.find((one) => one.passageId === passageId);
  return (
    <section aria-label={say("season.theWeekOnPaper")} className="hidden print:block">
      <table className="w-full border-collapse text-left text-[11pt]">
        <caption className="mb-2 text-left font-semibold">
          {say("season.to", { day: day(season.days[0]!.day), day2: day(season.days[6]!.day) })}
        </caption>
        <thead>
          <tr className="border-b-2 border-black">
            <th scope="col" className="py-1 pr-3">
              {say("season.day")}
            </th>
            <th scope="col" className="py-1 pr-3">
              {say("season.passage")}
            </th>
            <th scope="col" className="py-1 pr-3 text-right">
              {say("season.effortMin")}
            </th>
            <th scope="col" className="py-1 pr-3 text-right">
              {say("season.ceilingTarget")}
            </th>
            <th scope="col" className="w-[34%] py-1">
              {say("season.reachedFound")}
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
                <td className="py-1.5 pr-3">{goal(share.passageId)?.title ?? (one.off ? say("season.off") : "—")}</td>
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
      <p className="mt-3 text-[9pt]">{say("season.oneEffortMinuteIsOne")}</p>
    </section>
  );
}
