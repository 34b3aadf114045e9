import { useEffect, useRef, useState } from "react";
import { keep } from "../../keep";
import { KeyHint } from "../../ui/Button";
import { useKeys } from "../../ui/useKeys";
import { actionOf, keyOf } from "./keys";
import { restBegan } from "../../outbox/queue";
import { say } from "../../words/say";

interface Props {
  run: string;
  ordinal: number;
  seconds: number;
  speed: number;
  /** Whether the player may say that it is over: away from the instrument there is nothing to recover from. */
  mayEnd: boolean;
  onOver: (seconds: number) => void;
}

/** How many seconds before its end a rest is counted aloud. */
const COUNTED = [10, 3];

/** Counts a rest down. It ends by itself; what the hands need cannot be cut short. */
export function RestCountdown({ run, ordinal, seconds, speed, mayEnd, onOver }: Props) {
  const [left, setLeft] = useState(seconds);
  const whenOver = useRef(onOver);
  useEffect(() => {
    whenOver.current = onOver;
  });
  // Whoever listens hears when it is nearly over, and not each second.
  const spoken = COUNTED.filter((one) => left <= one && seconds > one).at(-1);
  const end = () => onOver(Math.max(0, seconds - left));
  useKeys((event) => {
    const action = actionOf(event);
    if (!mayEnd || event.repeat || (action !== "start" && action !== "pedal-1")) return;
    if (event.target instanceof HTMLButtonElement) return;
    event.preventDefault();
    // The same key must not begin what comes next, too.
    event.stopImmediatePropagation();
    end();
  });
  useEffect(() => {
    const before = ((Date.now() - restBegan(run, ordinal, keep, Date.now())) / 1000) * speed;
    // From here on by a clock that nobody can set.
    const from = performance.now();
    let over = false;
    const tick = () => {
      const rested = before + ((performance.now() - from) / 1000) * speed;
      setLeft(Math.max(0, seconds - rested));
      if (rested >= seconds && !over) {
        over = true;
        whenOver.current(Math.min(86_400, Math.max(seconds, rested)));
      }
    };
    tick();
    const timer = setInterval(tick, 100);
    return () => clearInterval(timer);
  }, [run, ordinal, seconds, speed]);
  return (
    <>
      <span role="timer" aria-label={say("run.secondsOfRestLeft")}>
        {Math.ceil(left)}
      </span>
      <span role="status" className="sr-only">
        {spoken !== undefined && say("run.secondsLeft", { seconds: spoken })}
      </span>
      {mayEnd && (
        <button
          type="button"
          onClick={end}
          className="mt-4 flex min-h-11 items-center gap-2 rounded-[5px] border border-night-soft px-4 text-lg leading-normal font-semibold tracking-normal"
        >
          <KeyHint>{keyOf("start")}</KeyHint> {say("run.done")}
        </button>
      )}
    </>
  );
}
