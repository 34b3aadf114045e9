import { useEffect, type RefObject } from "react";
import { useLocation } from "react-router";
import { say } from "../words/say";

/** The address whose heading has been reached; nothing before the first page is there. */
let reached: string | undefined;

/** Says what page this is; whoever has come to it from another one finds the focus on its heading. */
export function useArrival(title: string, heading?: RefObject<HTMLElement | null>) {
  const { pathname } = useLocation();
  useEffect(() => {
    document.title = say("common.pageTitle", { title });
  }, [title]);
  useEffect(() => {
    const moved = reached !== undefined && reached !== pathname;
    reached = pathname;
    if (moved) heading?.current?.focus({ preventScroll: true });
  }, [pathname, heading]);
}
