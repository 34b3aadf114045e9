import { memo } from "react";
import type { Schemas } from "../../api/client";
import { counted, figure, reachedFirst } from "../../ui/limits";
import { say } from "../../words/say";

/** What is left of today, and which limit is reached first. */
export const LeftToday = memo(function LeftToday({ load }: { load: Schemas["LoadDto"] }) {
  const [first, ...others] = load.limits;
  if (!first) return null;
  return (
    <section aria-label={say("today.leftToday")}>
      <h2 className="mb-1.5">{say("today.leftToday")}</h2>
      <p>
        {say("today.of", {
          part: (words) => <span className="text-3xl font-bold">{words}</span>,
          left: figure(first, first.left),
          cap: figure(first, first.cap),
          counted: counted(first),
        })}
      </p>
      <p className="text-soft">{reachedFirst(first)}</p>
      <ul className="mt-1.5 text-soft">
        {others.map((limit) => (
          <li key={limit.kind}>
            {say("today.limitOf", {
              left: figure(limit, limit.left),
              cap: figure(limit, limit.cap),
              counted: counted(limit),
            })}
          </li>
        ))}
      </ul>
      <p className="mt-1.5 text-sm text-soft">{say("today.rulesOfThumbNotForecasts")}</p>
    </section>
  );
});
