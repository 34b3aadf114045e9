import { memo } from "react";
import { KeyHint } from "../../ui/Button";
import { ANSWERING, NOTHING_TOLD, type Pass, type Told } from "./asks";
import { ACTIONS, type Action, keyOf } from "./keys";
import type { RunView } from "./useRun";
import { say } from "../../words/say";
import { useHand } from "../../ui/useWindow";

interface Props {
  state: "ready" | "playing" | "judge" | "rest";
  /** Whether the pass was not cut short, so that it may have been clean. */
  mayBeClean: boolean;
  tension: number | null;
  /** What tension was at the pass before, where it is asked once more. */
  raised?: number | undefined;
  last: RunView["last"];
  sending: boolean;
  /** What is asked at the step at hand; a rest asks nothing. */
  pass?: (Pick<Pass, "ask" | "askOf" | "seconds"> & Partial<Pick<Pass, "rounds">>) | null;
  told?: Told;
  onAct: (action: Action) => void;
}

const PLAIN = { ask: "VERDICT", askOf: 1, seconds: 0 } as const;

const FRAME =
  "inline-flex min-h-14 items-center justify-center gap-3 max-sm:min-h-12 short:min-h-11 short:gap-2 rounded-[5px] border-2 px-2 font-semibold max-sm:px-1 transition-opacity disabled:opacity-35";

function lastOne(last: NonNullable<RunView["last"]>) {
  const verdict = say(`verdict.${last.verdict ?? "none"}`);
  const tempo = Math.round(last.tempo);
  return last.tension === null
    ? say("run.lastAt", { verdict, tempo })
    : say("run.lastAtTensionAFigure", { verdict, tempo, tension: last.tension });
}

/** Start, the three verdicts, tension and what else may be wanted; each one key and one button. */
export const Answers = memo(function Answers({
  state,
  mayBeClean,
  tension,
  raised,
  last,
  sending,
  pass,
  told = NOTHING_TOLD,
  onAct,
}: Props) {
  const { phone, short } = useHand();
  const asked = pass ?? PLAIN;
  const labels = ANSWERING[asked.ask].labels(asked, told);
  const counts = asked.ask === "COUNT";
  const judging = state === "playing" || state === "judge";
  const button = (action: Action, looks: string, disabled: boolean, label: string = ACTIONS[action].label) => (
    <button type="button" disabled={disabled} onClick={() => onAct(action)} className={`${FRAME} ${looks}`}>
      {/* A phone has no keys, and needs the room for words. */}
      <KeyHint>{keyOf(action)}</KeyHint>
      {label}
    </button>
  );
  const { ending } = ANSWERING[asked.ask];
  const backOff = button("back-off", "border-night-edge", state === "rest" || sending);
  const rest = button("rest", "border-night-edge", state === "rest" || sending);
  const symptom = button("symptom", "border-night-ink", false);
  const start =
    state === "playing" && ending
      ? labels[ending]
      : state === "playing"
        ? say("run.stop")
        : state === "judge"
          ? say("run.again")
          : say("run.start");
  return (
    // On a phone what a thumb needs stays at the lower edge, however much stands above it.
    <section
      aria-label={say("run.answers")}
      className="upright:sticky max-sm:bottom-0 max-sm:z-10 max-sm:-mx-4 max-sm:border-t max-sm:border-night-rule max-sm:bg-night max-sm:px-4 max-sm:pb-[max(0.5rem,env(safe-area-inset-bottom))] short:sticky short:bottom-0 short:z-10 short:bg-night short:pb-[max(0.25rem,env(safe-area-inset-bottom))]"
    >
      <p
        role="status"
        className="min-h-7 truncate text-night-soft max-sm:min-h-5 max-sm:text-sm short:min-h-5 short:text-sm"
      >
        {sending
          ? say("run.yourAnswerIsKeptAnd")
          : state === "judge"
            ? asked.ask === "VERDICT" && pass?.rounds && pass.rounds > 1
              ? say("run.howWasItRounds", { rounds: pass.rounds })
              : ANSWERING[asked.ask === "NOTHING" && !mayBeClean ? "VERDICT" : asked.ask].question
            : last && state !== "playing"
              ? lastOne(last)
              : ""}
      </p>
      <div className="grid grid-cols-3 gap-1.5 text-lg leading-tight max-[400px]:text-base short:grid-cols-[1.2fr_1fr_1fr_1fr_0.9fr_0.9fr] short:text-sm sm:gap-3 sm:text-2xl short:gap-2 lg:grid-cols-[1.3fr_1fr_1fr_1fr_0.8fr_0.8fr]">
        <div className="col-span-3 grid short:col-span-1 lg:col-span-1">
          {button(
            "start",
            state === "ready" ? "border-night-ink bg-night-ink text-night" : "border-night-soft",
            state === "rest" || sending,
            start,
          )}
        </div>
        {button("clean", "border-night-spruce", !judging || sending || !(mayBeClean || counts), labels.clean)}
        {button("rough", "border-night-soft", !judging || sending, labels.rough)}
        {button("broke", "border-night-soft border-dashed", !judging || sending, labels.broke)}
        {!phone && (
          <div className="col-span-3 grid grid-cols-2 gap-2 text-lg short:col-span-2 short:text-sm sm:gap-3 lg:col-span-2">
            {backOff}
            {rest}
          </div>
        )}
      </div>
      {raised !== undefined && (
        <p role="status" className="mt-2 text-lg font-semibold short:mt-1 short:text-sm">
          {say("run.tenseStill", { tension: raised })}
        </p>
      )}
      <div
        role="group"
        aria-label={say("common.tension")}
        className="mt-1.5 grid grid-cols-6 gap-1.5 short:mt-1 short:grid-cols-[repeat(6,1fr)_1.7fr] short:gap-2 sm:mt-3 sm:gap-3"
      >
        {[0, 1, 2, 3, 4, 5].map((figure) => (
          <button
            key={figure}
            type="button"
            aria-pressed={figure === tension}
            onClick={() => onAct(`tension-${figure}` as Action)}
            className={`min-h-14 rounded-[5px] border-2 leading-tight max-sm:min-h-12 short:min-h-11 ${figure === tension ? "border-night-ink bg-night-ink text-night" : "border-night-edge text-night-ink"}`}
          >
            <span className="text-xl font-bold short:text-base">{figure}</span>
            <span className="block text-xs short:ml-1.5 short:inline sm:text-sm">
              {ACTIONS[`tension-${figure}` as Action].label}
            </span>
          </button>
        ))}
        {short && <span className="grid text-sm">{symptom}</span>}
      </div>
      {phone && (
        <div className="mt-1.5 grid grid-cols-[1fr_1fr_1.5fr] gap-1.5">
          {backOff}
          {rest}
          {symptom}
        </div>
      )}
    </section>
  );
});
