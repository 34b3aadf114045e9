import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, given, NoConnection, Problem, type Schemas } from "../../api/client";
import { EventQueue, type EventWish } from "./queue";
import { windowId } from "./windowId";

export type RunView = Schemas["RunView"];

/** Whether the run can go on here, and if not why. */
export type Link = "loading" | "ok" | "offline" | "elsewhere" | "signed-out" | "gone";

const RETRY_MS = 1500;

/** The run on the server, and the answers that are on their way there. */
export function useRun(id: number) {
  const [view, setView] = useState<RunView>();
  const [link, setLink] = useState<Link>("loading");
  const [notice, setNotice] = useState("");
  const [waiting, setWaiting] = useState(0);
  const queue = useMemo(() => new EventQueue(id, localStorage), [id]);
  const busy = useRef(false);

  const fail = useCallback((error: unknown) => {
    if (error instanceof NoConnection) setLink("offline");
    else if (error instanceof Problem && error.code === "taken-over") setLink("elsewhere");
    else if (error instanceof Problem && (error.status === 401 || error.status === 403)) setLink("signed-out");
    else if (error instanceof Problem && error.status === 404) setLink("gone");
    else setNotice(error instanceof Error ? error.message : "");
  }, []);

  const load = useCallback(async () => {
    const fresh = await given(api.GET("/api/runs/{id}", { params: { path: { id }, query: { holder: windowId() } } }));
    setView(fresh);
    setLink(fresh.held || fresh.step.ended ? "ok" : "elsewhere");
  }, [id]);

  /** Sends what is queued, in order; what does not arrive stays queued. */
  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (let event = queue.first(); event; event = queue.first()) {
        const body: EventWish = { ...event, holder: windowId() };
        try {
          setView(await given(api.POST("/api/runs/{id}/events", { params: { path: { id } }, body })));
          setLink("ok");
          setNotice("");
          queue.confirmed(event.clientId);
        } catch (error) {
          const settled = error instanceof Problem && (error.code === "out-of-step" || error.code === "over" || error.status === 422);
          if (!settled) throw error;
          // The server knows better where the run stands: go on from there.
          queue.confirmed(event.clientId);
          setNotice(error.detail);
          await load();
        }
      }
    } catch (error) {
      fail(error);
    } finally {
      busy.current = false;
      setWaiting(queue.all().length);
    }
  }, [id, queue, load, fail]);

  useEffect(() => {
    load().then(flush, fail);
  }, [load, flush, fail]);

  useEffect(() => {
    if (link !== "offline") return;
    const again = () => void (view || queue.first() ? (queue.first() ? flush() : load().catch(fail)) : load().catch(fail));
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [link, view, queue, flush, load, fail]);

  const send = useCallback(
    (event: Omit<EventWish, "holder" | "clientId" | "ordinal">, correcting?: string) => {
      if (!view) return;
      queue.add({ ...event, clientId: correcting ?? crypto.randomUUID(), holder: windowId(), ordinal: view.ordinal });
      setWaiting(queue.all().length);
      void flush();
    },
    [view, queue, flush],
  );

  const takeOver = useCallback(async () => {
    try {
      setView(await given(api.POST("/api/runs/{id}/holder", { params: { path: { id } }, body: { holder: windowId() } })));
      setLink("ok");
      void flush();
    } catch (error) {
      fail(error);
    }
  }, [id, flush, fail]);

  return { view, link, notice, waiting, send, takeOver };
}
