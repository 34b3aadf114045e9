import type { Schemas } from "../../api/client";
import { KeyHint } from "../../ui/Button";
import { later } from "../../ui/later";
import { say } from "../../words/say";
import type { Suggested, ToHear } from "../../take/heard";
import { roundOf, told } from "../../take/reasons";
import type { KeptTake } from "../../take/kept";
import { TakePicture } from "../../take/TakePicture";
import type { Caught } from "../../take/sources";
import { keyOf } from "./keys";

const TakePlayer = later(() => import("../../take/TakePlayer"));

interface Props {
  heard: Caught | "measuring";
  suggested: Suggested | undefined;
  keepsGoing: boolean;
  trust: Schemas["TrustDto"] | undefined;
  onTake: () => void;
}

/** What was heard of the pass that was just played, and what comes of it. */
export function Suggestion({ heard, suggested, keepsGoing, trust, onTake }: Props) {
  if (heard === "measuring") {
    return (
      <p role="status" className="min-h-11 text-lg text-night-soft">
        {say("heard.measuring")}
      </p>
    );
  }
  const { alone } = heard.heard;
  const next =
    keepsGoing &&
    (alone
      ? say("heard.takenSoon")
      : suggested && trust && say("heard.notAlone", { confirmed: trust.confirmed, enough: trust.enough }));
  return (
    <section aria-label={say("run.microphone")} className="min-w-0">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p role="status" className="text-xl font-semibold">
          {told(heard.heard, roundOf(askedOf(heard)))}
        </p>
        {suggested && (
          <button
            type="button"
            onClick={onTake}
            className="inline-flex min-h-11 items-center gap-2 rounded-[5px] border-2 border-night-brass px-3 font-semibold"
          >
            <span className="max-sm:hidden">
              <KeyHint>{keyOf("as-heard")}</KeyHint>
            </span>
            {say("run.asHeard")}
          </button>
        )}
      </div>
      {next && <p className="text-night-soft">{next}</p>}
      <LastTake caught={heard} />
    </section>
  );
}

/** What was asked of the pass that was heard. */
const askedOf = ({ listened }: Caught) => JSON.parse(listened.toHear) as ToHear;

/** The picture of what was heard; of a set, of its last pass that was not clean. */
function LastTake({ caught }: { caught: Caught }) {
  const { takes } = caught.heard;
  const pass = toShow(takes.map(({ measured }) => measured.verdict));
  const take = takes[pass];
  const { notes: round, passes } = askedOf(caught);
  return (
    take && (
      <>
        {takes.length > 1 && <p className="text-night-soft">{say("take.pass", { number: pass + 1 })}</p>}
        <TakePicture dark take={take} notes={passes[pass]!.length} round={round} />
      </>
    )
  );
}

/** Which of several passes is worth a look. */
function toShow(verdicts: string[]) {
  const unclean = verdicts.findLastIndex((verdict) => verdict !== "CLEAN");
  return unclean >= 0 ? unclean : verdicts.length - 1;
}

/** What was heard last, to be looked at and heard in a rest. */
export function LastTakes({ takes }: { takes: KeptTake[] }) {
  const pass = toShow(takes.map(({ take }) => take.measured.verdict));
  const kept = takes[pass];
  return (
    kept && (
      <div className="mb-3">
        <TakePlayer
          dark
          kept={kept}
          title={takes.length > 1 ? say("take.pass", { number: pass + 1 }) : say("take.last")}
        />
      </div>
    )
  );
}
