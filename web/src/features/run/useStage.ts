import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { useKeys } from "../../ui/useKeys";
import { type Action, actionOf } from "./keys";
import { usePass } from "./usePass";
import type { RunView, useRun } from "./useRun";

export const VERDICTS = { clean: "CLEAN", rough: "ROUGH", broke: "BROKE" } as const;
type Verdict = (typeof VERDICTS)[keyof typeof VERDICTS];

/** A verdict may come this much before the last beat is over, in seconds. */
const LAST_MOMENT = 0.8;

/** What lies over the step while it is asked about. */
export type Over = "pause" | "symptom" | "keys" | undefined;

/** Where a step stands: ready to be played, playing, to be judged, or a rest. */
export type StageState = "ready" | "playing" | "judge" | "rest";

type Run = Pick<ReturnType<typeof useRun>, "waiting" | "send">;

/** What can be done at the step at hand, and where it stands; how it looks is somebody else's. */
export function useStage(run: Run, view: RunView, speed: number) {
  const [played, setPlayed] = useState<"no" | "cut" | "whole">("no");
  const [hint, setHint] = useState("");
  const [tension, setTension] = useState(view.last?.tension ?? 1);
  const [open, setOpen] = useState<Over>();
  const [paused, setPaused] = useState(0);
  const { pass, rest } = view.step;
  const over = useCallback(() => setPlayed("whole"), []);
  const { playing, start, stop, beat, playedSeconds } = usePass(pass, speed, over);
  const sending = run.waiting > 0;

  const onItsWay = useRef<{ clientId: string; verdict: Verdict }>(undefined);

  useLayoutEffect(() => {
    onItsWay.current = undefined;
    setPlayed("no");
    setHint("");
  }, [view.ordinal]);

  /** What was played of the pass at hand: nothing where it was not begun. */
  const soFar = () => (playing || played !== "no" ? playedSeconds() : 0);

  const { send } = run;
  const judge = (verdict: Verdict) => {
    if (!pass || sending || !(playing || played !== "no")) return;
    const whole =
      played === "whole" ||
      (playing && pass.seconds - (pass.countIn * 60) / pass.tempo - playedSeconds() < LAST_MOMENT * speed);
    if (verdict === "CLEAN" && !whole)
      return setHint("A clean pass goes to its end. Play it again, or say rough or broke.");
    stop();
    const clientId = send({ kind: "JUDGED", verdict, tension, seconds: null });
    onItsWay.current = clientId === undefined ? undefined : { clientId, verdict };
  };
  const felt = (figure: number) => {
    setTension(figure);
    // Between two steps a tension belongs to the pass just judged, also while its answer is on its way.
    if (sending && onItsWay.current) {
      send(
        { kind: "JUDGED", verdict: onItsWay.current.verdict, tension: figure, seconds: null },
        onItsWay.current.clientId,
      );
    } else if (view.last && !playing && played === "no") {
      send({ kind: "JUDGED", verdict: view.last.verdict, tension: figure, seconds: null }, view.last.clientId);
    }
  };
  const simply = (kind: "BACKED_OFF" | "REST_ASKED") => {
    if (!pass || sending) return;
    const seconds = soFar();
    stop();
    send({ kind, verdict: null, tension: null, seconds });
  };

  function act(action: Action) {
    if (action.startsWith("tension")) return felt(Number(action.slice(-1)));
    switch (action) {
      case "start":
        if (!pass || sending) return;
        setHint("");
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
        return judge(VERDICTS[action]);
      case "rest":
        return simply("REST_ASKED");
      case "back-off":
        return simply("BACKED_OFF");
      case "symptom":
      case "pause":
        setPaused(soFar());
        stop();
        return setOpen(action);
      case "keys":
        return setOpen("keys");
    }
  }

  useKeys((event) => {
    if (open || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const action = actionOf(event);
    if (!action) return;
    // A focused button keeps its own Space and Enter.
    if (action === "start" && event.target instanceof HTMLButtonElement) return;
    event.preventDefault();
    act(action);
  });

  const state: StageState = rest ? "rest" : playing ? "playing" : played !== "no" ? "judge" : "ready";
  const close = () => setOpen(undefined);
  /** Ends the run, with what was played of the pass at hand. */
  const end = (kind: "STOPPED" | "SYMPTOM") => {
    close();
    send({ kind, verdict: null, tension: null, seconds: paused });
  };
  const rested = (seconds: number) => send({ kind: "RESTED", verdict: null, tension: null, seconds });
  return { state, playing, beat, mayBeClean: played !== "cut", hint, tension, sending, open, close, end, rested, act };
}

/** Keeps the screen on while somebody plays. */
export function useWakefulScreen() {
  useEffect(() => {
    // A screen that goes dark in mid-pass would be in the way; where it cannot be kept on, nothing is lost.
    let lock: WakeLockSentinel | undefined;
    navigator.wakeLock?.request("screen").then(
      (granted) => (lock = granted),
      () => undefined,
    );
    return () => void lock?.release();
  }, []);
}
