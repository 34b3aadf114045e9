import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, given, NoConnection, Problem, type Schemas } from "../../api/client";
import { keep } from "../../keep";
import { sendQueued, waitBefore } from "./outbox";
import { EventQueue, type EventWish } from "./queue";
import { windowId } from "./windowId";

export type RunView = Schemas["RunView"];

/** Whether the run can go on here, and if not why. */
export type Link = "loading" | "ok" | "offline" | "elsewhere" | "signed-out" | "gone";

/** The run on the server, and the answers that are on their way there. Whatever is not settled is tried again. */
export function useRun(id: number) {
  const [view, setView] = useState<RunView>();
  const [link, setLink] = useState<Link>("loading");
  const [notice, setNotice] = useState("");
  const [waiting, setWaiting] = useState(0);
  const queue = useMemo(() => new EventQueue(id, keep), [id]);
  const busy = useRef(false);
  const attempt = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const again = useRef<() => void>(() => undefined);

  const load = useCallback(async () => {
    const fresh = await given(api.GET("/api/runs/{id}", { params: { path: { id }, query: { holder: windowId() } } }));
    setView(fresh);
    setLink(fresh.held || fresh.step.ended ? "ok" : "elsewhere");
  }, [id]);

  /** Ends that wait for the player; everything else waits for the next try. */
  const fail = useCallback((error: unknown) => {
    if (error instanceof Problem && error.code === "taken-over") return setLink("elsewhere");
    if (error instanceof Problem && (error.status === 401 || error.status === 403)) return setLink("signed-out");
    if (error instanceof Problem && error.status === 404) return setLink("gone");
    if (error instanceof NoConnection || (error instanceof Problem && error.status >= 500)) setLink("offline");
    else if (error instanceof Problem) setNotice(error.detail);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => again.current(), waitBefore(attempt.current++, error));
  }, []);

  /** Sends what is queued; then, or when nothing was, asks where the run stands. */
  const bringUp = useCallback(
    async (ask: boolean) => {
      if (busy.current) return;
      busy.current = true;
      clearTimeout(timer.current);
      try {
        const arrived = (fresh: RunView) => {
          setView(fresh);
          setLink("ok");
          setNotice("");
        };
        const { refused } = await sendQueued(id, queue, arrived);
        // Where something was refused the server knows better where the run stands: go on from there.
        if (ask || refused.length > 0) await load();
        if (refused.length > 0) setNotice(refused.join(" "));
        attempt.current = 0;
      } catch (error) {
        fail(error);
      } finally {
        busy.current = false;
        setWaiting(queue.all().length);
      }
    },
    [id, queue, load, fail],
  );

  useEffect(() => {
    again.current = () => void bringUp(true);
    void bringUp(true);
    const online = () => void bringUp(true);
    window.addEventListener("online", online);
    return () => {
      clearTimeout(timer.current);
      window.removeEventListener("online", online);
    };
  }, [bringUp]);

  const send = useCallback(
    (event: Omit<EventWish, "holder" | "clientId" | "ordinal" | "secondsAgo">, correcting?: string) => {
      if (!view) return;
      const clientId = correcting ?? crypto.randomUUID();
      queue.add({ ...event, clientId, holder: windowId(), ordinal: view.ordinal, secondsAgo: null });
      setWaiting(queue.all().length);
      // What is added while another answer is on its way is sent right behind it.
      void bringUp(false);
      return clientId;
    },
    [view, queue, bringUp],
  );

  const takeOver = useCallback(async () => {
    try {
      setView(
        await given(api.POST("/api/runs/{id}/holder", { params: { path: { id } }, body: { holder: windowId() } })),
      );
      setLink("ok");
      void bringUp(false);
    } catch (error) {
      fail(error);
    }
  }, [id, bringUp, fail]);

  return { view, link, notice, waiting, send, takeOver };
}
