import { Term, type TermName } from "../../ui/Term";
import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { bpm } from "../../ui/format";
import { say } from "../../words/say";

type Band = Schemas["BandDto"];

/** Half the width of an interval, in whole beats a minute. */
export const give = (band: Band) => Math.round((band.high - band.low) / 2);

/** The tempos that a section has, each with its interval and what it means. */
export function Figures({
  estimate,
  bursts,
  children,
}: {
  estimate: Schemas["EstimateDto"];
  bursts: Band;
  children?: ReactNode;
}) {
  return (
    <dl className="mt-6 grid gap-x-8 gap-y-4 border-t border-rule pt-5 sm:grid-cols-2 lg:grid-cols-3 xl:flex xl:*:flex-1">
      <Tempo
        term="comfortable"
        name={say("ceiling.comfortableName")}
        band={estimate.comfortable}
        meaning={say("ceiling.clean19TimesIn20")}
      />
      <Tempo
        term="ceiling"
        name={say("ceiling.ceiling")}
        band={estimate.ceiling}
        meaning={say("ceiling.clean4TimesIn5")}
      />
      <Tempo
        term="breakdown"
        name={say("ceiling.breakdownName")}
        band={estimate.breakdown}
        meaning={say("ceiling.lostEveryOtherTime")}
      />
      <Tempo name={say("ceiling.inBursts")} band={bursts} meaning={say("ceiling.cleanInTheBurst")} />
      {children}
    </dl>
  );
}

function Tempo({ term, name, band, meaning }: { term?: TermName; name: string; band: Band; meaning: string }) {
  return (
    <div>
      <dt className="font-semibold">{term ? <Term of={term}>{name}</Term> : name}</dt>
      <dd>
        <span className="text-2xl font-bold">{bpm(band.middle)}</span>{" "}
        <span className="text-soft">{say("ceiling.to", { low: bpm(band.low), high: bpm(band.high) })}</span>
        <span className="block text-sm text-soft">{meaning}</span>
      </dd>
    </div>
  );
}
