import { Term } from "../../ui/Term";
import type { Schemas } from "../../api/client";
import { api, given } from "../../api/client";
import { useChange, useLoad } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { day, oneDecimal } from "../../ui/format";
import { counted, figure, type Limit, reachedFirst } from "../../ui/limits";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { Reports } from "../symptom/Reports";
import { Days } from "./Days";
import { Elsewhere } from "./Elsewhere";
import { Given } from "./Given";
import { say } from "../../words/say";

const unit = (limit: Limit) => (limit.inSeconds ? say("load.minutesAndSeconds") : say(`counted.${limit.kind}`));

/** Whether it is too much, against which limit, and how the last weeks went. */
export default function Load() {
  const load = useLoad();
  if (load.isPending) return <Waiting />;
  if (load.isError) return <Failed error={load.error} again={() => void load.refetch()} />;
  const { today, days, symptoms, caps, adviceWanted } = load.data;
  const first = today.limits[0]!;
  return (
    <Page
      title={headline(today, first)}
      above={say("load.load", { day: day(today.day, { weekday: "long", day: "numeric", month: "long" }) })}
    >
      <p className="mb-6 max-w-[66ch]">{today.restSentence || reachedFirst(first)}</p>
      <ul className="grid gap-x-12 gap-y-5 md:grid-cols-3">
        {today.limits.map((limit, i) => (
          <Gauge key={limit.kind} limit={limit} first={i === 0} />
        ))}
      </ul>
      {adviceWanted && <Advice />}
      <Caps caps={caps} />
      <section className="mt-8">
        <h2 className="mb-2">{say("load.effortByDay")}</h2>
        {days.length === 0 ? (
          <p className="py-10 text-soft">{say("load.nothingHasBeenPlayedYet")}</p>
        ) : (
          <Days days={days} today={today.day} cap={cap(today)} />
        )}
      </section>
      <div className="mt-8 grid gap-x-12 gap-y-8 border-t border-rule pt-5 md:grid-cols-2">
        <Elsewhere view={load.data} />
        <Given view={load.data} />
      </div>
      <section className="mt-8 grid gap-x-12 gap-y-4 border-t border-rule pt-5 md:grid-cols-2">
        <div>
          <h2 className="mb-1.5">{say("load.whatEffortIs")}</h2>
          <p className="text-soft">
            {say("load.oneEffortMinuteIsOne")} {forExample(days)}
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

/** Every rule with its arithmetic, for whoever wants to know. */
function Caps({ caps }: { caps: Schemas["CapDto"][] }) {
  return (
    <details className="mt-6">
      <summary className="min-h-8 touch:py-2.5 cursor-pointer font-semibold">
        {say("load.howTodaysEffortIsCapped", { caps: caps.length })}
      </summary>
      <table className="mt-2 w-full text-left">
        <tbody>
          {caps.map((one, i) => (
            <tr key={one.rule + say(one.why)} className="border-b border-rule align-top">
              <th scope="row" className={`py-1.5 pr-6 whitespace-nowrap ${i === 0 ? "font-semibold" : "font-normal"}`}>
                {say(`rule.${one.rule}`)}
              </th>
              <td className="py-1.5 pr-6 text-right font-mono whitespace-nowrap">{oneDecimal(one.effort)}</td>
              <td className="w-full py-1.5 text-soft">{say(one.why)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-soft">{say("load.exponentialAveragesOver7And")}</p>
    </details>
  );
}

/** A second report keeps bursts closed until somebody who knows was asked. */
function Advice() {
  const advised = useChange(() => given(api.POST("/api/symptoms/advised")), touches.symptoms);
  return (
    <div className="mt-6 border-l-2 border-danger pl-3">
      <p>{say("load.twoReportsWithinTwoWeeks")}</p>
      <Button online className="mt-2" disabled={advised.isPending} onClick={() => advised.mutate(undefined)}>
        {say("load.iHaveHadAdvice")}
      </Button>
    </div>
  );
}

/** What the last day of playing cost, as an example. */
function forExample(days: Schemas["DayDto"][]) {
  const last = days.findLast((one) => one.effort > 0 && one.playedSeconds > 0);
  if (!last) return "";
  const played = last.playedSeconds / 60;
  return say("load.forExample", {
    day: day(last.day),
    minutes: Math.round(played),
    effort: oneDecimal(last.effort),
    each: oneDecimal(last.effort / played),
  });
}

const cap = (today: Schemas["LoadDto"]) => today.limits.find((limit) => limit.kind === "EFFORT")?.cap ?? 0;

function headline(today: Schemas["LoadDto"], first: Limit) {
  if (today.restsUntil) return say("load.restingAfterASymptom");
  if (first.left <= 0) return say("load.youveReachedTodaysLimit");
  return say("load.ofLeft", {
    left: figure(first, first.left),
    cap: figure(first, first.cap),
    counted: counted(first),
  });
}

function Gauge({ limit, first }: { limit: Limit; first: boolean }) {
  const share = limit.cap > 0 ? Math.min(1, limit.used / limit.cap) : 1;
  return (
    <li>
      <p className="flex items-baseline justify-between gap-3">
        <span className="font-semibold">
          {limit.kind === "EFFORT" ? <Term of="effort">{say("limit.EFFORT")}</Term> : say(`limit.${limit.kind}`)}
          {first && <span className="font-normal text-brass-deep"> {say("load.reachedFirst")}</span>}
        </span>
        <span>
          <span className="text-2xl font-bold">{figure(limit, limit.used)}</span>{" "}
          <span className="text-soft">{say("load.of", { cap: figure(limit, limit.cap) })}</span>
        </span>
      </p>
      <svg
        viewBox="0 0 100 8"
        preserveAspectRatio="none"
        className="mt-1 block h-2 w-full"
        role="img"
        aria-label={say("load.used", { share: Math.round(share * 100) })}
      >
        <rect width="100" height="8" className="fill-rule" />
        <rect
          width={share * 100}
          height="8"
          className={limit.kind === "BURST_SECONDS" ? "fill-burst" : "fill-spruce"}
        />
      </svg>
      <p className="mt-1 text-sm text-soft">
        {unit(limit)}. {say(limit.why)}
      </p>
    </li>
  );
}
