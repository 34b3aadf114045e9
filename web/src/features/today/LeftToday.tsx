import type { Schemas } from "../../api/client";
import { clock, oneDecimal } from "../../ui/format";

type Limit = Schemas["LimitDto"];

const shown = (limit: Limit, value: number) => (limit.inSeconds ? clock(value) : oneDecimal(value));
const words = (limit: Limit) => (limit.inSeconds ? `of ${limit.title.toLowerCase()}` : limit.unit);

/** What is left of today, and which limit binds. */
export function LeftToday({ load }: { load: Schemas["LoadDto"] }) {
  const [binding, ...others] = load.limits;
  if (!binding) return null;
  return (
    <section aria-label="Left today">
      <h2 className="mb-1.5">Left today</h2>
      <p>
        <span className="text-3xl font-bold">{shown(binding, binding.left)}</span> of {shown(binding, binding.cap)}{" "}
        {words(binding)}
      </p>
      <p className="text-soft">You reach this limit first. {binding.why}</p>
      <ul className="mt-1.5 text-soft">
        {others.map((limit) => (
          <li key={limit.kind}>
            {shown(limit, limit.left)} of {shown(limit, limit.cap)} {words(limit)}
          </li>
        ))}
      </ul>
      <p className="mt-1.5 text-sm text-soft">Rules of thumb, not forecasts of injury.</p>
    </section>
  );
}
