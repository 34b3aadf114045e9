import { useLayoutEffect, useRef } from "react";
import { useLocation, useNavigationType } from "react-router";
import { keepOfWindow } from "../keep";

/** So long it is waited until a page is as long as it was, in milliseconds. */
const PATIENCE_MS = 2_000;

/** The first entry of every window has the same key: an address belongs to it. */
const placeOf = (key: string, pathname: string) => `tachylim.scroll.${key}${pathname}`;

/** Pages begin at their top; whoever goes back finds them where they were. */
export function useScroll() {
  const { key, pathname } = useLocation();
  const back = useNavigationType() === "POP";
  const last = useRef<string>(undefined);
  useLayoutEffect(() => {
    // The same page with other things chosen in its address stays where it is.
    const stays = last.current === pathname;
    last.current = pathname;
    window.history.scrollRestoration = "manual";
    const wanted = back ? Number(keepOfWindow.getItem(placeOf(key, pathname)) ?? 0) : 0;
    const until = performance.now() + PATIENCE_MS;
    let frame = 0;
    const go = () => {
      window.scrollTo(0, wanted);
      // What is below has to arrive first; whoever scrolls meanwhile is left alone.
      if (window.scrollY < wanted - 1 && performance.now() < until) frame = requestAnimationFrame(go);
    };
    if (!stays) go();
    const stop = () => cancelAnimationFrame(frame);
    const remember = () => keepOfWindow.setItem(placeOf(key, pathname), String(Math.round(window.scrollY)));
    window.addEventListener("wheel", stop, { passive: true });
    window.addEventListener("touchmove", stop, { passive: true });
    window.addEventListener("scrollend", remember);
    return () => {
      stop();
      window.removeEventListener("wheel", stop);
      window.removeEventListener("touchmove", stop);
      window.removeEventListener("scrollend", remember);
    };
  }, [key, pathname, back]);
}
