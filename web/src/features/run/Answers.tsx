import { KeyCap } from "../../ui/Button";
import { ANSWERING, NOTHING_TOLD, type Pass, type Told } from "./asks";
import { ACTIONS, type Action, keyOf } from "./keys";
import type { RunView } from "./useRun";
import { say } from "../../words/say";

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
  "inline-flex min-h-14 items-center justify-center gap-3 short:min-h-10 short:gap-2 rounded-[5px] border-2 px-2 font-semibold max-sm:px-1 transition-opacity disabled:opacity-35";

function lastOne(last: NonNullable<RunView["last"]>) {
  const verdict = say(`verdict.${last.verdict ?? "none"}`);
  const tempo = Math.round(last.tempo);
  return last.tension === null
    ? say("run.lastAt", { verdict, tempo })
    : say("run.lastAtTensionAFigure", { verdict, tempo, tension: last.tension });
}

/** Start, the three verdicts, tension and what else may be wanted; each one key and one button. */
export function Answers({
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
  const asked = pass ?? PLAIN;
  const labels = ANSWERING[asked.ask].labels(asked, told);
  const counts = asked.ask === "COUNT";
  const judging = state === "playing" || state === "judge";
  const button = (action: Action, looks: string, disabled: boolean, label: string = ACTIONS[action].label) => (
    <button type="button" disabled={disabled} onClick={() => onAct(action)} className={`${FRAME} ${looks}`}>
      {/* A phone has no keys, and needs the room for words. */}
      <span className="max-sm:hidden">
        <KeyCap>{keyOf(action)}</KeyCap>
      </span>
      {label}
    </button>
  );
  const { ending } = ANSWERING[asked.ask];
  const start =
    state === "playing" && ending
      ? labels[ending]
      : state === "playing"
        ? say("run.stop")
        : state === "judge"
          ? say("run.again")
          : say("run.start");
  return (
    <section aria-label={say("run.answers")}>
      <p role="status" className="min-h-7 truncate text-night-soft short:min-h-5 short:text-sm">
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
      <div className="grid grid-cols-3 gap-2 text-xl short:grid-cols-[1.2fr_1fr_1fr_1fr_0.9fr_0.9fr] short:text-sm sm:gap-3 sm:text-2xl lg:grid-cols-[1.3fr_1fr_1fr_1fr_0.8fr_0.8fr]">
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
        <div className="col-span-3 grid grid-cols-2 gap-2 text-lg short:col-span-2 short:text-sm sm:gap-3 lg:col-span-2">
          {button("back-off", "border-night-rule", state === "rest" || sending)}
          {button("rest", "border-night-rule", state === "rest" || sending)}
        </div>
      </div>
      {raised !== undefined && (
        <p role="status" className="mt-2 text-lg font-semibold short:mt-1 short:text-sm">
          {say("run.tenseStill", { tension: raised })}
        </p>
      )}
      <div
        role="group"
        aria-label={say("common.tension")}
        className="mt-2 grid grid-cols-6 gap-2 short:mt-1 sm:mt-3 sm:gap-3"
      >
        {[0, 1, 2, 3, 4, 5].map((figure) => (
          <button
            key={figure}
            type="button"
            aria-pressed={figure === tension}
            onClick={() => onAct(`tension-${figure}` as Action)}
            className={`min-h-14 rounded-[5px] border-2 leading-tight short:min-h-9 ${figure === tension ? "border-night-ink bg-night-ink text-night" : "border-night-rule text-night-ink"}`}
          >
            <span className="text-xl font-bold short:text-base">{figure}</span>
            <span className="block text-xs short:ml-1.5 short:inline sm:text-sm">
              {ACTIONS[`tension-${figure}` as Action].label}
            </span>
          </button>
        ))}
      </div>
    </section>
  );
}
