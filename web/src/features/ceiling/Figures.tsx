import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { bpm } from "../../ui/format";

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
    <dl className="mt-6 grid gap-x-8 gap-y-4 border-t border-rule pt-5 sm:grid-cols-2 lg:grid-cols-5">
      <Tempo name="Comfortable" band={estimate.comfortable} meaning="Clean 19 times in 20, and not tense." />
      <Tempo name="Ceiling" band={estimate.ceiling} meaning="Clean 4 times in 5." />
      <Tempo name="Breakdown" band={estimate.breakdown} meaning="Lost every other time." />
      <Tempo name="In bursts of two beats" band={bursts} meaning="Clean 4 times in 5, just the burst." />
      {children}
    </dl>
  );
}

function Tempo({ name, band, meaning }: { name: string; band: Band; meaning: string }) {
  return (
    <div>
      <dt className="font-semibold">{name}</dt>
      <dd>
        <span className="text-2xl font-bold">{bpm(band.middle)}</span>{" "}
        <span className="text-soft">
          {bpm(band.low)} to {bpm(band.high)}
        </span>
        <span className="block text-sm text-soft">{meaning}</span>
      </dd>
    </div>
  );
}
