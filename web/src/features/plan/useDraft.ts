import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, given } from "../../api/client";
import type { Wish } from "./blocks";

/** How long a change rests before it is stored, in milliseconds. */
const REST = 400;

/**
 * Stores a plan that was changed, so that it lasts over pages, reloads and devices: soon after each change, and at once when
 * the page is left.
 */
export function useDraft(wish: Wish, changed: boolean) {
  const queries = useQueryClient();
  const waiting = useRef<Wish>(undefined);
  const last = useRef(wish);
  const [failed, setFailed] = useState<unknown>();
  const onItsWay = useRef(Promise.resolve());
  const store = useCallback(
    async (body: Wish) => {
      try {
        await given(api.PUT("/api/drafts", { body, keepalive: true }));
        setFailed(undefined);
        await queries.invalidateQueries({ queryKey: ["drafts"] });
      } catch (error) {
        setFailed(error);
      }
    },
    [queries],
  );
  /** Stores what waits, after what is on its way: no draft comes late, when it has been begun. */
  const now = useCallback(() => {
    const body = waiting.current;
    waiting.current = undefined;
    if (body) onItsWay.current = onItsWay.current.then(() => store(body));
    return onItsWay.current;
  }, [store]);
  useEffect(() => {
    if (wish === last.current) return;
    last.current = wish;
    if (!changed) return;
    waiting.current = wish;
    const timer = setTimeout(() => void now(), REST);
    return () => clearTimeout(timer);
  }, [wish, changed, now]);
  useEffect(() => {
    // A page that is left waits for nothing.
    const leave = () => {
      const body = waiting.current;
      waiting.current = undefined;
      if (body) void store(body);
    };
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [store]);
  return {
    failed,
    now,
    /** Drops what was changed. */
    drop: async () => {
      waiting.current = undefined;
      await onItsWay.current;
      await given(api.DELETE("/api/drafts/{id}", { params: { path: { id: wish.sectionId } } }));
      await queries.invalidateQueries({ queryKey: ["drafts"] });
    },
  };
}
