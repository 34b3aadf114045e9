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
  /** Stores what waits; the page may be gone before it arrives. */
  const now = useCallback(async () => {
    const body = waiting.current;
    if (!body) return;
    waiting.current = undefined;
    try {
      await given(api.PUT("/api/drafts", { body, keepalive: true }));
      setFailed(undefined);
      await queries.invalidateQueries({ queryKey: ["drafts"] });
    } catch (error) {
      setFailed(error);
    }
  }, [queries]);
  useEffect(() => {
    if (wish === last.current) return;
    last.current = wish;
    if (!changed) return;
    waiting.current = wish;
    const timer = setTimeout(() => void now(), REST);
    return () => clearTimeout(timer);
  }, [wish, changed, now]);
  useEffect(() => {
    const leave = () => void now();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [now]);
  return {
    failed,
    now,
    /** Drops what was changed. */
    drop: async () => {
      waiting.current = undefined;
      await given(api.DELETE("/api/drafts/{id}", { params: { path: { id: wish.sectionId } } }));
      await queries.invalidateQueries({ queryKey: ["drafts"] });
    },
  };
}
