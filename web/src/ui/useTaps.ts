import { type KeyboardEvent, useRef, useState } from "react";

/**
 * Taps on a button or a key, in seconds, as they came and not as the page got to them. A silence longer than
 * {@link silence} begins anew.
 *
 * A finger counts where it comes down, and a key does not count again while it is held.
 */
export function useTaps(silence: number) {
  const times = useRef<number[]>([]);
  const [count, setCount] = useState(0);
  const tap = ({ timeStamp }: { timeStamp: number }) => {
    const now = timeStamp / 1000;
    const before = times.current.at(-1);
    times.current = before !== undefined && now - before > silence ? [now] : [...times.current, now];
    setCount(times.current.length);
  };
  /** The taps so far, after which there are none. */
  const take = () => {
    const taken = times.current;
    times.current = [];
    setCount(0);
    return taken;
  };
  const button = {
    onPointerDown: tap,
    onKeyDown: (event: KeyboardEvent) => {
      if ((event.key === " " || event.key === "Enter") && !event.repeat) tap(event);
    },
  };
  return { count, take, button };
}
