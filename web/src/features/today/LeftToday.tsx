import type { Schemas } from "../../api/client";
import { clock, oneDecimal } from "../../ui/format";

const NAMES: Record<Schemas["LimitDto"]["kind"], string> = {
  EFFORT: "effort minutes",
  BURST_SECONDS: "of bursts",
  PLAYING_MINUTES: "minutes of playing",
};

const shown = (limit: Schemas["LimitDto"], value: number) =>
  limit.kind === "BURST_SECONDS"
    ? clock(value)
    : limit.kind === "EFFORT"
      ? oneDecimal(value)
      : String(Math.floor(value));

/** What is left of today, and which limit binds. */
export function LeftToday({ load }: { load: Schemas["LoadDto"] }) {
  const [binding, ...others] = load.limits;
  if (!binding) return null;
  return (
    <section aria-label="Left today">
      <h2 className="mb-1.5">Left today</h2>
      <p>
        <span className="text-3xl font-bold">{shown(binding, binding.left)}</span> of {shown(binding, binding.cap)}{" "}
        {NAMES[binding.kind]}
      </p>
      <p className="text-soft">This limit binds. {binding.why}</p>
      <ul className="mt-1.5 text-soft">
        {others.map((limit) => (
          <li key={limit.kind}>
            {shown(limit, limit.left)} of {shown(limit, limit.cap)} {NAMES[limit.kind]}
          </li>
        ))}
      </ul>
      <p className="mt-1.5 text-sm text-soft">Rules of thumb, not forecasts of injury.</p>
    </section>
  );
}
