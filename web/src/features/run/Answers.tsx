import { KeyCap } from "../../ui/Button";
import { ACTIONS, type Action } from "./keys";
import type { RunView } from "./useRun";

interface Props {
  state: "ready" | "playing" | "judge" | "rest";
  /** Whether the pass was not cut short, so that it may have been clean. */
  mayBeClean: boolean;
  tension: number;
  last: RunView["last"];
  sending: boolean;
  onAct: (action: Action) => void;
}

const FRAME =
  "inline-flex min-h-14 items-center justify-center gap-3 rounded-[5px] border-2 px-2 font-semibold transition-opacity disabled:opacity-35";

/** Start, the three verdicts, tension and what else may be wanted; each one key and one button. */
export function Answers({ state, mayBeClean, tension, last, sending, onAct }: Props) {
  const judging = state === "playing" || state === "judge";
  const button = (action: Action, looks: string, disabled: boolean, label: string = ACTIONS[action].label) => (
    <button type="button" disabled={disabled} onClick={() => onAct(action)} className={`${FRAME} ${looks}`}>
      <KeyCap>{ACTIONS[action].key}</KeyCap> {label}
    </button>
  );
  const start = state === "playing" ? "stop" : state === "judge" ? "again" : "start";
  return (
    <section aria-label="Answers">
      <p role="status" className="min-h-7 text-night-soft">
        {sending
          ? "Your answer is kept and on its way."
          : state === "judge"
            ? "How was it?"
            : last && state !== "playing"
              ? `Last: ${last.verdict.toLowerCase()} at ${Math.round(last.tempo)}, tension ${last.tension}. A figure puts the tension right.`
              : ""}
      </p>
      <div className="grid grid-cols-3 gap-2 text-xl sm:gap-3 sm:text-2xl lg:grid-cols-[1.3fr_1fr_1fr_1fr_0.8fr_0.8fr]">
        <div className="col-span-3 grid lg:col-span-1">
          {button(
            "start",
            state === "ready" ? "border-night-ink bg-night-ink text-night" : "border-night-soft",
            state === "rest" || sending,
            start,
          )}
        </div>
        {button("clean", "border-night-spruce", !judging || sending || !mayBeClean)}
        {button("rough", "border-night-soft", !judging || sending)}
        {button("broke", "border-night-soft border-dashed", !judging || sending)}
        <div className="col-span-3 grid grid-cols-2 gap-2 text-lg sm:gap-3 lg:col-span-2">
          {button("back-off", "border-night-rule", state === "rest" || sending)}
          {button("rest", "border-night-rule", state === "rest" || sending)}
        </div>
      </div>
      <div role="group" aria-label="Tension" className="mt-2 grid grid-cols-6 gap-2 sm:mt-3 sm:gap-3">
        {[0, 1, 2, 3, 4, 5].map((figure) => (
          <button
            key={figure}
            type="button"
            aria-pressed={figure === tension}
            onClick={() => onAct(`tension-${figure}` as Action)}
            className={`min-h-14 rounded-[5px] border-2 leading-tight ${figure === tension ? "border-night-ink bg-night-ink text-night" : "border-night-rule text-night-ink"}`}
          >
            <span className="text-xl font-bold">{figure}</span>
            <span className="block text-xs sm:text-sm">{ACTIONS[`tension-${figure}` as Action].label}</span>
          </button>
        ))}
      </div>
    </section>
  );
}
