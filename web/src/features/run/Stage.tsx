import { Mic, MicOff } from "lucide-react";
import { memo, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { keep } from "../../keep";
import { lastsOnlyHere } from "../../outbox/shelf";
import { Timeline } from "../../timeline/Timeline";
import { KeyHint } from "../../ui/Button";
import { bpm, called, minutes, oneDecimal, unbroken } from "../../ui/format";
import { useArrival } from "../../ui/useArrival";
import { useHand } from "../../ui/useWindow";
import type { Schemas } from "../../api/client";
import { Answers } from "./Answers";
import type { Pass, Verdict } from "./asks";
import { BeatTrack } from "./BeatTrack";
import { Followed } from "./Followed";
import { KeysDialog, PauseDialog, SymptomDialog } from "./Dialogs";
import { ACTIONS, type Action, keyOf } from "./keys";
import { RestCountdown } from "./RestCountdown";
import { useStage } from "./useStage";
import { useWakefulScreen } from "./useWakefulScreen";
import { MicrophoneDialog } from "./MicrophoneDialog";
import { LastTakes, Suggestion } from "./Suggestion";
import { WhereItBroke } from "./WhereItBroke";
import type { RunView, useRun } from "./useRun";
import { say } from "../../words/say";

interface Props {
  run: ReturnType<typeof useRun>;
  view: RunView;
  speed: number;
  instrument: string;
  /** Whose workout it is. */
  account: string;
}

const KIND = {
  WARM_UP: say("common.warmUp"),
  CONTROLLED: say("run.slowAndControlled"),
  PROBE: say("run.measuringPass"),
  BURST: say("run.burst"),
  CLOSING: say("run.easyPass"),
} as const;
const COLOUR: Partial<Record<keyof typeof KIND, string>> = { PROBE: "text-night-brass", BURST: "text-night-burst" };
const REST: Partial<Record<NonNullable<Schemas["RestDto"]>["reason"], string>> = {
  BREAK: say("run.break"),
  AWAY: say("run.awayFromTheInstrument"),
};
/** The tempo, or the seconds of a rest: legible from across a room, and leaving room for why and what next. */
const GREAT = "clamp(5.25rem, min(20vw, 28vh), 14rem)";

const beats = (count: number) => say("run.countBeatTwoBeats", { count });

/** What a pass is: by its kind, or by the method where that is not played at one tempo and judged. */
const named = (pass: Pass, method: string) =>
  pass.kind === "CONTROLLED" && (pass.pulse !== "STEADY" || ["COUNT", "SLIPS", "MATCH"].includes(pass.ask))
    ? method
    : KIND[pass.kind];

/** A line of the player's own warm-up is not the section. */
const isRoutine = (pass: Pass) => pass.kind === "WARM_UP" && pass.pulse === "FREE";

/** What a pass is, and which of how many. */
const titleOf = (pass: Pass, method: RunView["method"]) =>
  say("run.of", {
    method: named(pass, method ? say(`method.${method}`) : ""),
    number: pass.number,
    of: pass.of,
    kind: pass.kind === "BURST" && pass.pulse === "STEADY" && pass.beats <= 2 && ` · ${beats(pass.beats)}`,
    manner: pass.manner.code && !isRoutine(pass) && ` · ${say(pass.manner)}`,
  });

/** How a pass is played, where it is not once through at one tempo. */
function how(pass: Pass) {
  const each = Math.max(1, Math.round(pass.rounds / (pass.ask === "SET" ? pass.askOf : 1)));
  switch (pass.pulse) {
    case "GLIDING":
      return say("run.upToAndBackS", { fastest: bpm(pass.fastest), seconds: Math.round(pass.seconds) });
    case "FREE":
      return pass.ask === "COUNT"
        ? say("run.cleanOnesInS", { seconds: Math.round(pass.seconds) })
        : pass.ask === "HELD" || pass.ask === "LOOSE"
          ? say(pass.ask === "HELD" ? "run.untilMessy" : "run.untilLoose")
          : say("run.secondsNoClick");
    case "SWITCHING":
      return say("run.theClickStaysTheNotes");
    case "DROPPING_OUT":
      return say("run.theClickDropsOut");
    default:
      if (pass.ask === "SET") return say("run.aSetOf", { askOf: pass.askOf, eachIs: each > 1 ? "yes" : "no", each });
      return pass.rounds > 1 ? say("run.timesRound", { rounds: pass.rounds }) : "";
  }
}

/** The step at hand: ready, playing, to be judged, or a rest. */
export function Stage({ run, view, speed, instrument, account }: Props) {
  const navigate = useNavigate();
  const {
    state,
    playing,
    beat,
    mayBeClean,
    hint,
    tension,
    raised,
    told,
    keepsGoing,
    marked,
    sending,
    open,
    close,
    end,
    rested,
    act,
    ears,
    trust,
    heard,
    suggested,
    takes,
    line,
    onLine,
  } = useStage(run, view, speed, instrument, account);
  useWakefulScreen();
  const { pass, rest } = view.step;
  // What was played last stays at hand while resting, to say where it broke.
  const [last, setLast] = useState<{ pass: Pass; passageId: number }>();
  if (pass && last?.pass !== pass) setLast({ pass, passageId: view.passageId });
  // Also in a rest that was asked for, when the answer is no longer the last that happened.
  const [went, setWent] = useState<Verdict | null>(null);
  if (view.last && view.last.verdict !== went) setWent(view.last.verdict);
  const effortNow =
    view.timeline.stretches.filter((stretch) => stretch.played).at(-1)?.effortAfter ?? view.timeline.effortBefore;
  const left = view.timeline.seconds - view.at;
  const estimate =
    (view.block === null ? undefined : view.timeline.blocks[view.block])?.estimate ?? view.timeline.estimate;
  const routine = pass !== null && isRoutine(pass);
  const heading = useRef<HTMLHeadingElement>(null);
  useArrival(called(view.passage, view.section));
  // Whoever has pressed a button that is gone finds the focus on what the step is.
  useEffect(() => {
    if (document.activeElement === document.body) heading.current?.focus({ preventScroll: true });
  }, [view.ordinal]);
  const title = pass && titleOf(pass, view.method);
  const restTitle = (rest && REST[rest.reason]) ?? say("run.restArmsLoose");
  const next = say("run.next", { upcoming: say(view.upcoming) });
  const effort = say("run.ofEffort", {
    part: (words) => <span className="font-semibold text-night-ink">{words}</span>,
    oneDecimal: oneDecimal(effortNow),
    effortCap: oneDecimal(view.timeline.effortCap),
  });
  const spoken = pass
    ? say("run.spoken", {
        title,
        tempo: bpm(pass.metronome),
        free: pass.pulse === "FREE" ? "yes" : "no",
        how: how(pass) || "none",
        why: say(view.step.why),
        next,
      })
    : say("run.spokenRest", {
        title: restTitle,
        seconds: Math.round(rest?.seconds ?? 0),
        why: say(view.step.why),
        next,
      });
  const { phone, short, height } = useHand();
  const where = rest && last && (went === "BROKE" || went === "ROUGH") && (
    <WhereItBroke key={view.ordinal} verdict={went} {...last} />
  );
  return (
    <div
      className="mx-auto flex w-full max-w-[1500px] flex-1 flex-col gap-2 px-4 py-3 max-sm:gap-1 max-sm:pt-1 max-sm:pb-0 short:gap-1 short:py-1 sm:px-9"
      data-state={state}
      data-ordinal={view.ordinal}
      data-carried={run.alone}
    >
      <header className="flex items-center gap-x-1 gap-y-1 sm:flex-wrap sm:gap-x-3 short:flex-nowrap">
        <p className="mr-auto min-w-0 text-lg max-sm:line-clamp-2 max-sm:text-base max-sm:leading-tight short:truncate">
          <b dir="auto">{view.passage}</b>
          {view.section && `, ${unbroken(view.section)}`}
          <span className="hidden text-night-soft sm:inline short:hidden">
            {" "}
            {say("run.focus", { focus: view.focus || say("plan.relaxedHand") })}
          </span>
        </p>
        <p className="text-night-soft max-sm:hidden short:hidden">{effort}</p>
        <span className="hidden sm:block short:hidden">
          <ActionButton action="keys" onAct={act} quiet />
        </span>
        {pass?.bare && (
          <span className="hidden lg:block short:hidden">
            <ActionButton action="marks" onAct={act} quiet pressed={marked} />
          </span>
        )}
        <MicrophoneButton ears={ears.is} onAct={act} />
        <ActionButton action="keep-going" onAct={act} quiet pressed={keepsGoing} />
        <ActionButton action="pause" onAct={act} quiet />
        {!phone && !short && <ActionButton action="symptom" onAct={act} />}
      </header>
      {run.link === "offline" && (
        <p role="status" className="rounded-[5px] border border-night-brass px-3 py-2 text-night-brass">
          {say("run.noConnection", {
            settlingIs: !run.settling ? "yes" : "no",
            waitingIs: run.waiting > 0 ? "yes" : "no",
            waiting: run.waiting,
          })}
        </p>
      )}
      {ears.why && (
        <p role="status" className="text-night-brass">
          {say(`deaf.${ears.why}`)}
        </p>
      )}
      {(run.notice || hint) && (
        <p role="status" className="text-night-brass">
          {run.notice || hint}
        </p>
      )}
      {(keep.onlyHere || lastsOnlyHere()) && (
        <p role="status" className="text-night-brass">
          {say("run.thisBrowserKeepsNothingStay")}
        </p>
      )}

      <div className="grid flex-1 items-center gap-x-10 gap-y-3 max-sm:gap-y-1 short:grid-cols-[minmax(13rem,17rem)_1fr] short:gap-x-6 short:gap-y-0 lg:grid-cols-[minmax(19rem,26rem)_1fr]">
        <section className="min-w-0">
          <p role="status" className="sr-only">
            {spoken}
          </p>
          {pass && (
            <>
              <h1
                ref={heading}
                tabIndex={-1}
                className={`text-2xl outline-none max-sm:mb-1 sm:text-3xl short:text-xl ${COLOUR[pass.kind] ?? "text-night-spruce"}`}
              >
                {title}
              </h1>
              <p className="font-bold leading-[0.86] tracking-tight" style={{ fontSize: GREAT }}>
                {pass.ask === "COUNT"
                  ? told.count
                  : pass.pulse === "FREE"
                    ? Math.round(pass.seconds)
                    : bpm(pass.metronome)}
              </p>
              {view.variation.code && <p className="mt-1 text-lg font-semibold sm:text-xl">{say(view.variation)}</p>}
              <p className="mt-2 text-night-soft max-sm:mt-1 max-sm:leading-snug short:mt-1 short:text-sm sm:mt-3 sm:text-lg">
                {/* The frame of a phone has no room for it. */}
                <span className="float-right ml-3 sm:hidden">{effort}</span>
                {how(pass) && <b className="block text-night-ink">{how(pass)}</b>}
                {!routine && (
                  <>
                    {say("run.notesASecondCeiling", {
                      notesPerSecond: oneDecimal(pass.notesPerSecond),
                      ceiling: bpm(estimate.ceiling.middle),
                      enoughEvidenceIs: estimate.enoughEvidence ? "yes" : "no",
                      high: Math.round((estimate.ceiling.high - estimate.ceiling.low) / 2),
                    })}
                  </>
                )}
              </p>
            </>
          )}
          {rest && (
            <>
              <h1 ref={heading} tabIndex={-1} className="text-2xl text-night-ink outline-none sm:text-3xl">
                {restTitle}
              </h1>
              <div className="font-bold leading-[0.86] tracking-tight text-night-ink" style={{ fontSize: GREAT }}>
                <RestCountdown
                  key={view.ordinal}
                  run={run.id}
                  ordinal={view.ordinal}
                  seconds={rest.seconds}
                  speed={speed}
                  mayEnd={rest.reason === "AWAY"}
                  onOver={rested}
                />
              </div>
              <p className="mt-3 text-lg text-night-soft">
                {rest.reason === "AWAY" ? say("run.secondsGoOnAsSoon") : say("run.secondsItEndsByItself")}
              </p>
            </>
          )}
        </section>
        <section className="min-w-0">
          {where}
          {rest && takes.length > 0 && <LastTakes takes={takes} />}
          {heard && (
            <Suggestion
              heard={heard}
              suggested={suggested}
              keepsGoing={keepsGoing}
              trust={trust}
              onTake={() => act("as-heard")}
            />
          )}
          {pass && (
            <>
              {!routine && (
                <Followed
                  pass={pass}
                  abc={marked ? pass.abc : (pass.bare ?? pass.abc)}
                  playing={playing}
                  beat={beat}
                  scale={phone || short ? 0.9 : pass.kind === "BURST" ? 2.5 : 1.4}
                  maxHeight={short ? 120 : phone ? Math.max(64, height - 540) : 240}
                />
              )}
              <BeatTrack pass={pass} playing={playing} beat={beat} />
            </>
          )}
          <p className="leading-snug short:text-sm sm:not-short:text-[clamp(1.25rem,2.2vw,2rem)]">
            {say(view.step.why)}
          </p>
          <p className="leading-snug text-night-soft short:hidden sm:text-[clamp(1.25rem,2.2vw,2rem)]">
            {say("run.next", { upcoming: say(view.upcoming) })}
          </p>
        </section>
      </div>

      <Answers
        state={state}
        mayBeClean={mayBeClean}
        tension={tension}
        raised={raised}
        last={view.last}
        sending={sending}
        pass={pass}
        told={told}
        onAct={act}
      />
      <div className="hidden min-h-0 sm:block short:hidden">
        <Timeline timeline={view.timeline} dark playhead={view.at} height={104} lanes={false} labels={false} />
        <p className="-mt-5 text-right text-night-soft">
          {say("run.leftBreakWithin", { minutes: minutes(left), secondsToBreak: minutes(view.secondsToBreak) })}
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
      <MicrophoneDialog
        open={open === "microphone"}
        onClose={close}
        ears={ears}
        line={line}
        onLine={onLine}
        mayListen={speed === 1}
      />
    </div>
  );
}

/** The sign that says whether it listens; it opens what there is to choose. */
const MicrophoneButton = memo(function MicrophoneButton({
  ears,
  onAct,
}: {
  ears: "off" | "asking" | "on";
  onAct: (action: Action) => void;
}) {
  const on = ears === "on";
  const Sign = on ? Mic : MicOff;
  return (
    <button
      type="button"
      onClick={() => onAct("microphone")}
      aria-pressed={on}
      aria-label={say("run.microphone")}
      className={`inline-flex min-h-11 items-center gap-2 whitespace-nowrap rounded-[5px] px-2 max-sm:px-1.5 max-sm:text-sm ${on ? "bg-night-brass font-semibold text-night" : "text-night-soft hover:text-night-ink"}`}
    >
      <KeyHint>{keyOf("microphone")}</KeyHint>
      <Sign aria-hidden className="size-5" />
      {on && <span className="hidden md:inline">{say("heard.listening")}</span>}
    </button>
  );
});

const ActionButton = memo(function ActionButton({
  action,
  onAct,
  quiet = false,
  pressed,
}: {
  action: Action;
  onAct: (action: Action) => void;
  quiet?: boolean;
  /** Whether it is on, where it can be on and off. */
  pressed?: boolean;
}) {
  const { label } = ACTIONS[action];
  const key = keyOf(action);
  return (
    <button
      type="button"
      onClick={() => onAct(action)}
      aria-pressed={pressed}
      className={`inline-flex min-h-11 items-center gap-2 whitespace-nowrap rounded-[5px] px-2 max-sm:px-1.5 max-sm:text-sm ${pressed ? "bg-night-rule text-night-ink" : quiet ? "text-night-soft hover:text-night-ink" : "border-2 border-night-ink font-semibold"}`}
    >
      <KeyHint>{key}</KeyHint>
      {label}
    </button>
  );
});
