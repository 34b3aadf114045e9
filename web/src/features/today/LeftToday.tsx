import type { Schemas } from "../../api/client";
import { counted, figure, reachedFirst } from "../../ui/limits";

/** What is left of today, and which limit is reached first. */
export function LeftToday({ load }: { load: Schemas["LoadDto"] }) {
  const [first, ...others] = load.limits;
  if (!first) return null;
  return (
    <section aria-label="Left today">
      <h2 className="mb-1.5">Left today</h2>
      <p>
        <span className="text-3xl font-bold">{figure(first, first.left)}</span> of {figure(first, first.cap)}{" "}
        {counted(first)}
      </p>
      <p className="text-soft">{reachedFirst(first)}</p>
      <ul className="mt-1.5 text-soft">
        {others.map((limit) => (
          <li key={limit.kind}>
            {figure(limit, limit.left)} of {figure(limit, limit.cap)} {counted(limit)}
          </li>
        ))}
      </ul>
      <p className="mt-1.5 text-sm text-soft">Rules of thumb, not forecasts of injury.</p>
    </section>
  );
}
