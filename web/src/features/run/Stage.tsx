import { useNavigate } from "react-router";
import { Engraving } from "../../notation/Engraving";
import { keep } from "../../keep";
import { Relief } from "../../relief/Relief";
import { KeyCap } from "../../ui/Button";
import { bpm, minutes, oneDecimal, unbroken } from "../../ui/format";
import { Answers } from "./Answers";
import { BeatTrack } from "./BeatTrack";
import { KeysDialog, PauseDialog, SymptomDialog } from "./Dialogs";
import { ACTIONS, type Action } from "./keys";
import { RestCountdown } from "./RestCountdown";
import { useStage, useWakefulScreen } from "./useStage";
import type { RunView, useRun } from "./useRun";

interface Props {
  run: ReturnType<typeof useRun>;
  view: RunView;
  speed: number;
}

const KIND = {
  WARM_UP: "Warm-up",
  CONTROLLED: "Slow and controlled",
  PROBE: "Measuring pass",
  BURST: "Burst",
  CLOSING: "Easy",
} as const;
const COLOUR: Partial<Record<keyof typeof KIND, string>> = { PROBE: "text-night-brass", BURST: "text-night-plum" };
const PHONE_WIDTH = 640;

/** The step at hand: ready, playing, to be judged, or a rest. */
export function Stage({ run, view, speed }: Props) {
  const navigate = useNavigate();
  const { state, playing, beat, mayBeClean, hint, tension, sending, open, close, end, rested, act } = useStage(
    run,
    view,
    speed,
  );
  useWakefulScreen();
  const { pass, rest } = view.step;
  const effortNow =
    view.relief.stretches.filter((stretch) => stretch.played).at(-1)?.effortAfter ?? view.relief.effortBefore;
  const left = view.relief.seconds - view.at;
  const phone = window.innerWidth < PHONE_WIDTH;
  return (
    <div className="mx-auto flex w-full max-w-[1500px] flex-1 flex-col gap-2 px-4 py-3 sm:px-9" data-state={state}>
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 sm:gap-x-5">
        <p className="mr-auto min-w-full text-lg sm:min-w-0">
          <b dir="auto">{view.passage}</b>
          {view.piece && `, ${unbroken(view.piece)}`}
          {view.focus && <span className="hidden text-night-soft sm:inline"> · focus: {view.focus}</span>}
        </p>
        <p className="text-night-soft">
          <span className="font-semibold text-night-ink">{oneDecimal(effortNow)}</span> of {bpm(view.relief.effortCap)}{" "}
          effort
        </p>
        <span className="hidden sm:block">
          <ActionButton action="keys" onAct={act} quiet />
        </span>
        <ActionButton action="pause" onAct={act} quiet />
        <ActionButton action="symptom" onAct={act} />
      </header>
      {run.link === "offline" && (
        <p role="status" className="rounded-[5px] border border-night-brass px-3 py-2 text-night-brass">
          No connection.{" "}
          {sending
            ? "Your answer is kept here and is sent as soon as Tachylim answers."
            : "The run goes on as soon as Tachylim answers."}
        </p>
      )}
      {(run.notice || hint) && (
        <p role="status" className="text-night-brass">
          {run.notice || hint}
        </p>
      )}
      {keep.onlyHere && (
        <p role="status" className="text-night-brass">
          This browser keeps nothing: stay on this page until every answer has been sent.
        </p>
      )}

      <div className="grid flex-1 items-center gap-x-10 gap-y-3 lg:grid-cols-[minmax(19rem,26rem)_1fr]">
        <section aria-live="polite" className="min-w-0">
          {pass && (
            <>
              <h1 className={`text-2xl sm:text-3xl ${COLOUR[pass.kind] ?? "text-night-spruce"}`}>
                {KIND[pass.kind]} {pass.number} of {pass.of}
                {pass.kind === "BURST" && ` · ${pass.beats === 1 ? "one beat" : "two beats"}`}
              </h1>
              <p
                className="font-bold leading-[0.86] tracking-tight"
                style={{ fontSize: "clamp(6.5rem, min(21vw, 31vh), 15rem)" }}
              >
                {bpm(pass.tempo)}
              </p>
              <p className="mt-2 text-night-soft sm:mt-3 sm:text-lg">
                {pass.rounds > 1 && <b className="text-night-ink">{pass.rounds} times round · </b>}
                {oneDecimal(pass.notesPerSecond)} notes a second · ceiling&nbsp;
                {bpm(view.relief.estimate.ceiling.middle)}
                {view.relief.estimate.enoughEvidence
                  ? `\u00a0±\u00a0${Math.round((view.relief.estimate.ceiling.high - view.relief.estimate.ceiling.low) / 2)}`
                  : ", a guess yet"}
              </p>
            </>
          )}
          {rest && (
            <>
              <h1 className="text-2xl text-night-ink sm:text-3xl">
                {rest.reason === "BREAK" ? "Break" : "Rest, hands hanging"}
              </h1>
              <p
                className="font-bold leading-[0.86] tracking-tight text-night-ink"
                style={{ fontSize: "clamp(6.5rem, min(21vw, 31vh), 15rem)" }}
              >
                <RestCountdown
                  key={view.ordinal}
                  runId={view.id}
                  ordinal={view.ordinal}
                  seconds={rest.seconds}
                  speed={speed}
                  onOver={rested}
                />
              </p>
              <p className="mt-3 text-lg text-night-soft">seconds; it ends by itself</p>
            </>
          )}
        </section>
        <section className="min-w-0">
          {pass && (
            <>
              <Engraving
                abc={pass.abc}
                label={pass.wholePiece ? "The notes of the piece" : "The notes of this burst"}
                scale={phone ? 0.9 : pass.kind === "BURST" ? 2.5 : 1.4}
                maxHeight={phone ? 150 : 240}
              />
              <BeatTrack pass={pass} playing={playing} beat={beat} />
            </>
          )}
          <p className="sm:text-xl">{view.step.why}</p>
          <p className="text-night-soft sm:text-lg">Next: {view.upcoming}.</p>
        </section>
      </div>

      <Answers state={state} mayBeClean={mayBeClean} tension={tension} last={view.last} sending={sending} onAct={act} />
      <div className="hidden min-h-0 sm:block">
        <Relief relief={view.relief} dark playhead={view.at} height={104} lanes={false} labels={false} />
        <p className="-mt-5 text-right text-night-soft">
          {minutes(left)} left · break within {minutes(view.secondsToBreak)}
        </p>
      </div>

      <PauseDialog
        open={open === "pause"}
        onClose={close}
        onLeave={() => void navigate("/")}
        onEnd={() => end("STOPPED")}
      />
      <SymptomDialog open={open === "symptom"} onClose={close} onConfirm={() => end("SYMPTOM")} />
      <KeysDialog open={open === "keys"} onClose={close} />
    </div>
  );
}

function ActionButton({
  action,
  onAct,
  quiet = false,
}: {
  action: Action;
  onAct: (action: Action) => void;
  quiet?: boolean;
}) {
  const { key, label } = ACTIONS[action];
  return (
    <button
      type="button"
      onClick={() => onAct(action)}
      className={`inline-flex min-h-11 items-center gap-2 rounded-[5px] px-3 ${quiet ? "text-night-soft hover:text-night-ink" : "border-2 border-night-ink font-semibold"}`}
    >
      <KeyCap>{key}</KeyCap> {label}
    </button>
  );
}
