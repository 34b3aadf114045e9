import { useCallback, useEffect, useLayoutEffect, useMemo, useReducer, useRef, useState } from "react";
import { useKeys } from "../../ui/useKeys";
import { wishes } from "../../click/wishes";
import { keep } from "../../keep";
import type { EventWish } from "../../outbox/queue";
import { ANSWERING, type Key, type Outcome } from "./asks";
import { type Action, actionOf, pedalled } from "./keys";
import { type Over, stageAfter, stageAt, type Played } from "./stage";
import { type Started, usePass } from "./usePass";
import type { RunView, useRun } from "./useRun";
import { say as speak } from "../../words/say";
import { useTrust } from "../../api/queries";
import type { Suggested, ToHear } from "../../take/heard";
import { type KeptTake, keepTakes, takesOf } from "../../take/kept";
import type { Caught } from "../../take/sources";
import { useEars } from "../../take/useEars";
import { useLine } from "../../take/useLine";

/** How long nothing is said, when it keeps going, until a pass counts as unjudged, in seconds. */
const SILENCE = 4;
const KEEP_GOING = "tachylim.keep-going";
const MARKS = "tachylim.marks";

const MOST_TENSION = 5;

/** What a pedal raises where nothing was said. */
const ASSUMED = 1;

/** From here on it is asked once more after the next pass. */
const RAISED = 3;

const NOTHING_CONFIRMED = Array.from({ length: 9 }, () => 0);

/** How long a suggestion is shown, when it keeps going, until it is taken, in seconds. */
const MOMENT = 2.5;

/** A verdict may come this much before the last beat is over, in seconds. */
const LAST_MOMENT = 0.8;

type Sent = Omit<EventWish, "holder" | "clientId" | "ordinal" | "secondsAgo">;

/** Where a step stands: ready to be played, playing, to be judged, or a rest. */
export type StageState = "ready" | "playing" | "judge" | "rest";

type Run = Pick<ReturnType<typeof useRun>, "settling" | "send"> &
  Partial<Pick<ReturnType<typeof useRun>, "deciding" | "toHear" | "measuredLater">>;

/** What can be done at the step at hand, and where it stands; how it looks is somebody else's. */
export function useStage(run: Run, view: RunView, speed: number, instrument: string, account: string) {
  const { ordinal } = view;
  const [stage, change] = useReducer(stageAfter, stageAt(ordinal, view.last?.tension ?? null));
  // The moment another step is there, nothing of it has been played, told or hinted.
  const {
    played,
    told,
    hint,
    tension,
    before,
    over: open,
    paused,
    heard,
  } = stageAfter(stage, { is: "reached", ordinal });
  const setPlayed = useCallback((much: Played) => change({ is: "played", ordinal, played: much }), [ordinal]);
  const [keepsGoing, setKeepsGoing] = useState(keep.getItem(KEEP_GOING) === "yes");
  const [marked, setMarked] = useState(keep.getItem(MARKS) !== "no");
  const { pass, rest } = view.step;
  const [wanted] = useState(() => wishes(instrument));
  const over = useCallback(() => setPlayed("whole"), [setPlayed]);
  const context = useRef<() => AudioContext>(undefined);
  const ears = useEars(useCallback(() => context.current!(), []));
  const trust = useTrust(instrument, ears.is === "on");
  const click = useMemo(() => ({ ...wanted, alike: ears.is === "on" }), [wanted, ears.is]);
  // Measured is what is played by the clock on the wall.
  const listens = ears.is === "on" && speed === 1;
  const about = ({ metronome }: NonNullable<typeof pass>) => {
    const { id: runId, passageId, passage, section } = view;
    const of = { account, runId, ordinal, passageId, passage, section, metronome };
    return { family: instrument, confirmed: trust?.counts ?? NOTHING_CONFIRMED, of };
  };
  const started = ({ start: from, clicks }: Started) => {
    const toHear = listens ? run.toHear?.() : undefined;
    if (toHear && pass) ears.begin({ toHear, start: from, clicks, ...about(pass) });
  };
  // What was cut off by no fault of the player's counts as not begun.
  const interrupted = () => {
    ears.drop();
    setPlayed("no");
    change({ is: "told", hint: speak("run.soundInterrupted") });
  };
  const passing = usePass(pass, speed, click, { over, started, interrupted });
  const { playing, start, stop, cue, beat, playedSeconds, tempoNow } = passing;
  useLayoutEffect(() => {
    context.current = passing.context;
  });
  const line = useLine(ears, passing.context, click);
  const lineToHear = open === "microphone" && pass && listens ? run.toHear?.() : undefined;
  const onLine =
    lineToHear && pass && (JSON.parse(lineToHear) as ToHear).passes.length > 0
      ? () => line.play(lineToHear, about(pass))
      : undefined;
  // Between an answer and the step that follows, by the page or by the server, nothing else can be answered.
  const deciding = run.deciding ?? false;
  const between = run.settling || deciding;

  const onItsWay = useRef<{ clientId: string } & NonNullable<Outcome["send"]>>(undefined);

  useLayoutEffect(() => {
    onItsWay.current = undefined;
    change({ is: "reached", ordinal });
  }, [ordinal]);

  /** What was played of the pass at hand: nothing where it was not begun. */
  const soFar = () => (playing || played !== "no" ? playedSeconds() : 0);

  const { send } = run;
  // What is heard of a pass that was answered before it was measured goes after its answer.
  const answered = useRef<{ ordinal: number; clientId: string; sent: Sent }>(undefined);
  const [takes, setTakes] = useState<KeptTake[]>([]);
  const say = (sent: NonNullable<Outcome["send"]>, taken = false) => {
    stop();
    const known = heard && heard !== "measuring" ? heard.heard : undefined;
    const measured = known?.takes.map((take) => take.measured);
    const event: Sent = { ...sent, tension, seconds: null, ...(measured && { measured, taken }) };
    const clientId = send(event, undefined, known?.heard && { ...known.heard, taken });
    if (clientId === undefined) return;
    onItsWay.current = { clientId, ...sent };
    answered.current = { ordinal, clientId, sent: event };
  };
  const follow = (outcome: Outcome) => {
    change({ is: "told", told: outcome.told, hint: outcome.hint });
    if (outcome.send) say(outcome.send);
  };
  /** Answers as it was heard, without a hand or by one. */
  const asHeard = (answer: Suggested, taken: boolean) => say({ kind: "JUDGED", ...answer }, taken);

  const measured = useRef<(ordinal: number, caught: Caught | undefined) => void>(undefined);
  useEffect(() => {
    measured.current = (of, one) => {
      change({ is: "heard", ordinal: of, heard: one });
      if (one) {
        const takes = takesOf(one, Date.now());
        setTakes(takes);
        // A browser that keeps nothing shows the last ones still.
        keepTakes(takes).catch(() => undefined);
      }
      const before = answered.current;
      if (one && before?.ordinal === of && !before.sent.measured)
        run.measuredLater?.(
          { ...before.sent, measured: one.heard.takes.map((take) => take.measured) },
          before.clientId,
        );
    };
  });
  const { end: endOfListening, listening } = ears;
  useEffect(() => {
    if (playing || !listening()) return;
    change({ is: "heard", ordinal, heard: "measuring" });
    void endOfListening().then((one) => measured.current?.(ordinal, one));
  }, [playing, ordinal, listening, endOfListening]);
  const suggested = (played !== "no" && heard && heard !== "measuring" && heard.heard.suggested) || undefined;
  // A word two steps from what was heard may be a key that was missed: it is asked about once.
  const [doubted, setDoubted] = useState<number>();
  const isFarFromHeard = (key: Key) =>
    pass?.ask === "VERDICT" &&
    ((key === "clean" && suggested?.verdict === "BROKE") || (key === "broke" && suggested?.verdict === "CLEAN"));
  const judge = (key: Key) => {
    if (!pass || between || !(playing || played !== "no")) return;
    if (isFarFromHeard(key) && doubted !== ordinal) {
      setDoubted(ordinal);
      return change({ is: "told", hint: speak("heard.didYouMean", { heard: suggested!.verdict }) });
    }
    const seconds = playedSeconds();
    const whole =
      played === "whole" ||
      (playing && pass.seconds - (pass.countIn * 60) / pass.tempo - seconds < LAST_MOMENT * speed);
    follow(ANSWERING[pass.ask].press(key, pass, told, { whole, seconds, tempo: tempoNow() }));
  };

  // What needs no word goes on by itself, and so does everything else while it is to keep going.
  const followed = useRef({ follow, asHeard });
  useEffect(() => {
    followed.current = { follow, asHeard };
  });
  const ask = pass?.ask;
  useEffect(() => {
    if (played !== "whole" || !ask || between || open) return;
    const end = ANSWERING[ask].end;
    if (end) return followed.current.follow(end(told));
    // Whoever was asked whether they mean it is waited for.
    if (!keepsGoing || heard === "measuring" || doubted === ordinal) return;
    const alone = heard?.heard.alone;
    const timer = setTimeout(
      () =>
        alone
          ? followed.current.asHeard(alone, true)
          : followed.current.follow({ send: { kind: "UNJUDGED", verdict: null, told: null } }),
      ((heard ? MOMENT : SILENCE) * 1000) / speed,
    );
    return () => clearTimeout(timer);
  }, [played, ask, told, keepsGoing, between, open, speed, heard, doubted, ordinal]);
  // Each step that is reached begins by itself once: the one that the page opens at waits for a hand, and so does one that
  // was stopped.
  const begun = useRef(ordinal);
  useEffect(() => {
    if (playing) begun.current = ordinal;
    if (keepsGoing && ask && !between && !open && begun.current !== ordinal) start();
  }, [playing, ordinal, keepsGoing, ask, between, open, start]);

  const felt = (figure: number) => {
    // Between two steps a tension belongs to the pass just played, also while its answer is on its way.
    if (between && onItsWay.current) {
      const { clientId, kind, verdict, told: figures } = onItsWay.current;
      change({ is: "felt", tension: figure });
      send({ kind, verdict, told: figures, tension: figure, seconds: null }, clientId);
    } else if (view.last && !playing && played === "no") {
      const { verdict, clientId } = view.last;
      change({ is: "felt before", tension: figure });
      send({ kind: verdict ? "JUDGED" : "UNJUDGED", verdict, told: null, tension: figure, seconds: null }, clientId);
    } else {
      change({ is: "felt", tension: figure });
    }
  };
  const simply = (kind: "BACKED_OFF" | "REST_ASKED") => {
    if (!pass || between) return;
    const seconds = soFar();
    stop();
    send({ kind, verdict: null, told: null, tension: null, seconds });
  };

  const cover = (over: Over) => {
    change({ is: "covered", over, paused: soFar() });
    stop();
  };

  function act(action: Action) {
    if (action.startsWith("tension")) return felt(Number(action.slice(-1)));
    switch (action) {
      case "start":
        if (!pass || between) return;
        const { ending } = ANSWERING[pass.ask];
        if (playing && ending) return judge(ending);
        if (playing) {
          stop();
          setPlayed("cut");
        } else {
          setPlayed("no");
          start();
        }
        return;
      case "clean":
      case "rough":
      case "broke":
        return judge(action);
      case "as-heard":
        if (suggested && !between) asHeard(suggested, false);
        return;
      case "microphone":
        return cover("microphone");
      case "rest":
        return simply("REST_ASKED");
      case "back-off":
        return simply("BACKED_OFF");
      case "symptom":
      case "pause":
        return cover(action);
      case "keep-going":
        keep.setItem(KEEP_GOING, keepsGoing ? "no" : "yes");
        return setKeepsGoing(!keepsGoing);
      case "marks":
        keep.setItem(MARKS, marked ? "no" : "yes");
        return setMarked(!marked);
      case "keys":
        return change({ is: "covered", over: "keys" });
    }
  }

  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  /** The same all along, so that what is drawn by it need not be drawn again. */
  const stableAct = useCallback((action: Action) => latest.current(action), []);

  // What needs no word is never asked about: it is on its way as soon as it is over.
  const asked = played === "cut" || (played === "whole" && ask && !ANSWERING[ask].end);
  // Until the next one is there, a step stays as it was answered.
  const state: StageState = rest ? "rest" : playing ? "playing" : asked ? "judge" : deciding ? "playing" : "ready";

  const close = () => {
    line.stop();
    change({ is: "uncovered" });
  };
  /** Ends the run, with what was played of the pass at hand. */
  const end = (kind: "STOPPED" | "SYMPTOM") => {
    close();
    send({ kind, verdict: null, told: null, tension: null, seconds: paused });
  };
  useKeys((event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    // What is written in a field is no key of the run.
    if (event.target instanceof HTMLInputElement) return;
    const pressed = actionOf(event);
    if (!pressed) return;
    if (open) {
      // What lies over the step has buttons of its own; only pedals, which reach none, are heard here.
      if (!pressed.startsWith("pedal-") || open === "keys" || open === "microphone") return;
      event.preventDefault();
      const meant = pedalled(pressed, open);
      if (meant === "close") close();
      else if (meant === "symptom") change({ is: "covered", over: "symptom" });
      else if (meant === "end") end(open === "symptom" ? "SYMPTOM" : "STOPPED");
      return;
    }
    const action = pedalled(pressed, state);
    if (!action || action === "close" || action === "end") return event.preventDefault();
    if (action === "tenser") {
      event.preventDefault();
      return felt(Math.min(MOST_TENSION, (tension ?? before ?? ASSUMED) + 1));
    }
    // A focused button keeps its own Space and Enter.
    if ((action === "start" || action === "as-heard") && event.target instanceof HTMLButtonElement) return;
    event.preventDefault();
    act(action);
  });

  // A break is said once when it is due: whoever plays set after set is not looking.
  const breakDue = view.step.rest?.reason === "BREAK";
  const saidBreak = useRef(cue);
  useEffect(() => {
    saidBreak.current = cue;
  });
  useEffect(() => {
    if (breakDue) saidBreak.current();
  }, [breakDue, ordinal]);

  const rested = (seconds: number) => {
    cue();
    send({ kind: "RESTED", verdict: null, told: null, tension: null, seconds });
  };
  return {
    state,
    playing,
    beat,
    mayBeClean: played !== "cut",
    hint,
    tension: state === "ready" || state === "rest" ? (tension ?? before) : tension,
    raised: asked && tension === null && before !== null && before >= RAISED ? before : undefined,
    told,
    keepsGoing,
    marked,
    sending: run.settling,
    open,
    close,
    end,
    rested,
    act: stableAct,
    ears,
    trust,
    heard: played === "no" ? undefined : heard,
    suggested,
    takes,
    line,
    onLine,
  };
}
