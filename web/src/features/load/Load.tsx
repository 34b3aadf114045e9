import type { Schemas } from "../../api/client";
import { useLoad } from "../../api/queries";
import { clock, day, oneDecimal } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { Reports } from "../symptom/Reports";
import { Days } from "./Days";

type Limit = Schemas["LimitDto"];

const figure = (limit: Limit, value: number) => (limit.inSeconds ? clock(value) : oneDecimal(value));
const unit = (limit: Limit) => (limit.inSeconds ? "minutes and seconds" : limit.unit);

/** Whether it is too much, against which limit, and how the last weeks went. */
export default function Load() {
  const load = useLoad();
  if (load.isPending) return <Waiting />;
  if (load.isError) return <Failed error={load.error} again={() => void load.refetch()} />;
  const { today, days, symptoms } = load.data;
  const binding = today.limits[0]!;
  return (
    <Page
      title={headline(today, binding)}
      above={`Load · ${day(today.day, { weekday: "long", day: "numeric", month: "long" })}`}
    >
      <p className="mb-6 max-w-[66ch]">{today.restSentence || <>The limit that binds: {binding.why}</>}</p>
      <ul className="grid gap-x-12 gap-y-5 md:grid-cols-3">
        {today.limits.map((limit, i) => (
          <Gauge key={limit.kind} limit={limit} binds={i === 0} />
        ))}
      </ul>
      <section className="mt-8">
        <h2 className="mb-2">Effort by day</h2>
        {days.length === 0 ? (
          <p className="py-10 text-soft">Nothing has been played yet.</p>
        ) : (
          <Days days={days} today={today.day} cap={cap(today)} />
        )}
      </section>
      <section className="mt-8 grid gap-x-12 gap-y-4 border-t border-rule pt-5 md:grid-cols-2">
        <div>
          <h2 className="mb-1.5">What effort is</h2>
          <p className="text-soft">
            One effort minute is one loose minute at 60% of the ceiling; at 80% a minute costs 1.8, at the ceiling 3.3,
            and tension adds to it. Rules of thumb after the exponential training impulse (Banister 1991) and contested
            as predictors (Impellizzeri 2020): guardrails, not forecasts of injury.
          </p>
        </div>
        <div>
          <Caution />
        </div>
      </section>
      <Reports symptoms={symptoms} />
    </Page>
  );
}

const cap = (today: Schemas["LoadDto"]) => today.limits.find((limit) => limit.kind === "EFFORT")?.cap ?? 0;

function headline(today: Schemas["LoadDto"], binding: Limit) {
  if (today.restsUntil) return "Resting after a symptom";
  if (binding.left <= 0) return "That was enough for today";
  return `${figure(binding, binding.left)} of ${figure(binding, binding.cap)} ${binding.inSeconds ? `of ${binding.title.toLowerCase()}` : binding.unit} left`;
}

function Gauge({ limit, binds }: { limit: Limit; binds: boolean }) {
  const share = limit.cap > 0 ? Math.min(1, limit.used / limit.cap) : 1;
  return (
    <li>
      <p className="flex items-baseline justify-between gap-3">
        <span className="font-semibold">
          {limit.title}
          {binds && <span className="font-normal text-brass-deep"> · binds</span>}
        </span>
        <span>
          <span className="text-2xl font-bold">{figure(limit, limit.used)}</span>{" "}
          <span className="text-soft">of {figure(limit, limit.cap)}</span>
        </span>
      </p>
      <svg
        viewBox="0 0 100 8"
        preserveAspectRatio="none"
        className="mt-1 block h-2 w-full"
        role="img"
        aria-label={`${Math.round(share * 100)}% used`}
      >
        <rect width="100" height="8" className="fill-rule" />
        <rect width={share * 100} height="8" className={limit.kind === "BURST_SECONDS" ? "fill-plum" : "fill-spruce"} />
      </svg>
      <p className="mt-1 text-sm text-soft">
        {unit(limit)}. {limit.why}
      </p>
    </li>
  );
}
