import { useEffect, useRef, useState } from "react";
import { keep } from "../../keep";
import { restBegan } from "./queue";

interface Props {
  runId: number;
  ordinal: number;
  seconds: number;
  speed: number;
  onOver: (seconds: number) => void;
}

/** Counts a rest down. It ends by itself and cannot be cut short. */
export function RestCountdown({ runId, ordinal, seconds, speed, onOver }: Props) {
  const [left, setLeft] = useState(seconds);
  const whenOver = useRef(onOver);
  useEffect(() => {
    whenOver.current = onOver;
  });
  useEffect(() => {
    const before = ((Date.now() - restBegan(runId, ordinal, keep, Date.now())) / 1000) * speed;
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
  }, [runId, ordinal, seconds, speed]);
  return (
    <span role="timer" aria-label="Seconds of rest left">
      {Math.ceil(left)}
    </span>
  );
}
