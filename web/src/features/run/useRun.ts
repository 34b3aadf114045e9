import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, given, NoConnection, Problem, type Schemas } from "../../api/client";
import { sendUnseenLater } from "../../offline/build";
import { sendQueued, takeOver as takenOver } from "../../outbox/answers";
import { holdOpen, isOpenInAnother } from "../../outbox/atHand";
import { EventQueue, type EventWish, type Queued } from "../../outbox/queue";
import { forgetRun, keepRun, numberOf, playedHere, runIsOver } from "../../outbox/runs";
import { waitBefore } from "../../outbox/patience";
import { runs } from "../../outbox/shelf";
import { core } from "../../core/core";
import { LocalRun } from "./localRun";
import { windowId } from "../../outbox/windowId";

export type RunView = Schemas["RunView"];

/** Whether the run can go on here, and if not why. */
export type Link = "loading" | "ok" | "offline" | "elsewhere" | "signed-out" | "gone";

/** So often a run may be looked for in vain before it is taken to be gone. */
const GONE_AFTER = 2;

const sameStep = (one: RunView, other: RunView) =>
  one.ordinal === other.ordinal && JSON.stringify(one.step) === JSON.stringify(other.step);

/** What comes next by the page's own copy; nothing where that cannot tell, whatever the reason: then the server does. */
async function goOn(run: LocalRun | undefined, event: Parameters<LocalRun["after"]>[0], now: RunView) {
  try {
    return run?.ordinal === now.ordinal ? await run.after(event, now) : undefined;
  } catch {
    return undefined;
  }
}

/** Where the page stands after all that was answered, what comes meanwhile included. */
async function behind(run: LocalRun | undefined, answers: () => Queued[], from: RunView) {
  let now: RunView | undefined = from;
  for (let i = 0; now && i < answers().length; i++) {
    const { event, heard } = answers()[i]!;
    now = await goOn(run, { ...event, heard }, now);
  }
  return now;
}

/** All that has happened in a run: what the page needs to go on with it by itself. */
const scoreOf = (id: number) => given(api.GET("/api/runs/{id}/score", { params: { path: { id } } }));

const ENDING: EventWish["kind"][] = ["STOPPED", "SYMPTOM"];

/**
 * The run on the server, and the answers that are on their way there. Whatever is not settled is tried again. Meanwhile the
 * page goes on by itself; where the server sees it otherwise, it goes on from there.
 */
export function useRun(id: string) {
  const [view, setView] = useState<RunView>();
  const [link, setLink] = useState<Link>("loading");
  const [notice, setNotice] = useState("");
  const [waiting, setWaiting] = useState(0);
  const queue = useMemo(() => new EventQueue(id), [id]);
  const busy = useRef(false);
  const attempt = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const again = useRef<() => void>(() => undefined);
  const local = useRef<LocalRun>(undefined);
  const [alone, setAlone] = useState(false);
  const shown = useRef<RunView>(undefined);
  /** What comes after an answer that was given, while that is worked out. */
  const turn = useRef<Promise<void>>(undefined);
  const [deciding, setDeciding] = useState(false);

  const play = useCallback((taken: LocalRun | undefined) => {
    local.current = taken;
    setAlone(taken !== undefined);
  }, []);
  const show = useCallback((next: RunView) => {
    shown.current = next;
    setView(next);
  }, []);

  /** Shows what the server says, unless the page is further by now; and goes on from there where the two differ. */
  const hear = useCallback(
    async (fresh: RunView) => {
      await turn.current;
      const now = shown.current;
      const ahead = queue.all().length > 0;
      if (now && ahead && local.current) return;
      // A step that is the same stays the same thing: it may be playing.
      const agrees = now !== undefined && sameStep(now, fresh);
      const latest = agrees ? { ...fresh, step: now.step } : fresh;
      show(latest);
      if (fresh.step.ended) forgetRun(id);
      if (fresh.step.ended || !fresh.held) play(undefined);
      else if (!ahead && (!agrees || !local.current)) {
        play(undefined);
        try {
          const score = await scoreOf(fresh.id);
          // The core plays one run at a time: only the last that is taken up, and only where the server is no further.
          if (shown.current !== latest || latest.ordinal !== score.events.length) return;
          const taken = await LocalRun.of(core, score);
          if (taken) keepRun(id, latest, score);
          // What was answered while the core was on its way here is not answered again: the page goes on behind it.
          const next = await behind(taken, () => queue.all(), latest);
          if (!next || shown.current !== latest) return;
          play(taken);
          if (next !== latest) show(next);
        } catch {
          // Without it the run goes on step by step with the server, as long as that can be reached.
        }
      }
    },
    [id, queue, show, play],
  );

  const load = useCallback(
    async (heir: boolean) => {
      const number = await numberOf(id);
      const asked = (holder: string) =>
        given(api.GET("/api/runs/{id}", { params: { path: { id: number }, query: { holder } } }));
      const told = await asked(windowId());
      // Whoever has the answers of a window that was closed goes on in its place, and so does whoever comes after it here.
      const before = runs.get(id)?.holder;
      const follows = async () =>
        heir || (before !== undefined && !(await isOpenInAnother(id)) && (await asked(before)).held);
      const fresh = !told.held && !told.step.ended && (await follows()) ? await takenOver(id) : told;
      if (fresh.held) playedHere(id);
      setLink(fresh.held || fresh.step.ended ? "ok" : "elsewhere");
      void hear(fresh);
    },
    [id, hear],
  );

  /** Goes on where this browser knows the run to stand, while the server cannot be reached. */
  const takeUp = useCallback(async () => {
    const kept = runs.get(id);
    if (!kept || shown.current) return;
    if (await isOpenInAnother(id)) return setLink("elsewhere");
    const taken = await LocalRun.of(core, kept.score);
    if (!taken) return;
    const since = () => queue.played().filter(({ event }) => event.ordinal >= kept.score.events.length);
    const now = await behind(taken, since, taken.opening(kept.view));
    if (!now || shown.current) return;
    play(taken);
    show(now);
  }, [id, queue, play, show]);

  /** Ends that wait for the player; everything else waits for the next try. */
  const fail = useCallback(
    (error: unknown) => {
      if (error instanceof Problem && error.code === "taken-over") return setLink("elsewhere");
      if (error instanceof Problem && (error.status === 401 || error.status === 403)) return setLink("signed-out");
      // A server that is behind does not know it yet: gone is what stays away.
      if (error instanceof Problem && error.status === 404 && attempt.current >= GONE_AFTER) return setLink("gone");
      if (error instanceof NoConnection || (error instanceof Problem && error.status >= 500)) {
        setLink("offline");
        sendUnseenLater();
        takeUp().catch(() => undefined);
      } else if (error instanceof Problem) setNotice(error.detail);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => again.current(), waitBefore(attempt.current++, error));
    },
    [takeUp],
  );

  /** Sends what is queued; then, or when nothing was, asks where the run stands. */
  const bringUp = useCallback(
    async (ask: boolean) => {
      if (busy.current) return;
      busy.current = true;
      clearTimeout(timer.current);
      try {
        const arrived = (fresh: RunView) => {
          setLink("ok");
          setNotice("");
          setWaiting(queue.all().length);
          void hear(fresh);
        };
        const left = queue.all().some(({ event }) => event.holder !== windowId());
        const { refused } = await sendQueued(id, queue, arrived);
        const heir = left && refused.length === 0 && !(await isOpenInAnother(id));
        // Where something was refused the server knows better where the run stands: go on from there.
        if (refused.length > 0) play(undefined);
        if (ask || refused.length > 0) await load(heir);
        if (refused.length > 0) setNotice(refused.join(" "));
        attempt.current = 0;
        busy.current = false;
      } catch (error) {
        busy.current = false;
        fail(error);
        return setWaiting(queue.all().length);
      }
      // What was added while it was asked where the run stands goes right behind.
      const added = queue.all().length;
      setWaiting(added);
      if (added > 0) again.current();
    },
    [id, queue, load, fail, hear, play],
  );

  useEffect(() => holdOpen(id), [id]);

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

  /** Works out what comes after an answer, one after another. */
  const decide = useCallback(
    (event: Parameters<LocalRun["after"]>[0]) => {
      const run = local.current;
      if (!run) return;
      const mine = (turn.current ?? Promise.resolve()).then(async () => {
        const now = shown.current!;
        const next = local.current === run ? await goOn(run, event, now) : undefined;
        if (turn.current === mine) {
          turn.current = undefined;
          setDeciding(false);
        }
        setWaiting(queue.all().length);
        if (local.current !== run || shown.current !== now) return;
        if (next) show(next);
        else play(undefined);
        if (next?.step.ended) runIsOver(id);
      });
      turn.current = mine;
      setDeciding(true);
    },
    [id, queue, show, play],
  );

  const send = useCallback(
    (
      event: Omit<EventWish, "holder" | "clientId" | "ordinal" | "secondsAgo">,
      correcting?: string,
      heard?: Schemas["Hearing"],
    ) => {
      const now = shown.current;
      if (!now) return;
      // Between two steps there is nothing to answer; whoever stops, stops.
      if (turn.current && correcting === undefined && !ENDING.includes(event.kind)) return;
      const clientId = correcting ?? crypto.randomUUID();
      // An answer that is put right stays what it was but for its tension.
      const before = queue.played().find((queued) => queued.id === correcting)?.event;
      queue.add(
        before
          ? { ...before, tension: event.tension }
          : { ...event, clientId, holder: windowId(), ordinal: now.ordinal, secondsAgo: null },
        heard,
      );
      decide({ ...event, clientId, heard });
      if (!local.current) setWaiting(queue.all().length);
      // What comes next is drawn first. What is added while another answer is on its way is sent right behind it.
      setTimeout(() => void bringUp(false));
      return clientId;
    },
    [queue, bringUp, decide],
  );

  /** What was measured of an answer that went before: nothing of what comes next changes, nor what is being played. */
  const measuredLater = useCallback(
    (answer: Omit<EventWish, "holder" | "clientId" | "ordinal" | "secondsAgo">, clientId: string) => {
      const now = shown.current;
      if (!now) return;
      const before = queue.played().find((queued) => queued.id === clientId)?.event;
      // A tension that was put right meanwhile stays.
      queue.add(
        before
          ? { ...before, measured: answer.measured }
          : { ...answer, tension: null, clientId, holder: windowId(), ordinal: now.ordinal, secondsAgo: null },
      );
      setWaiting(queue.all().length);
      void bringUp(false);
    },
    [queue, bringUp],
  );

  const takeOver = useCallback(async () => {
    try {
      const taken = await takenOver(id);
      playedHere(id);
      setLink("ok");
      void hear(taken);
      void bringUp(false);
    } catch (error) {
      fail(error);
    }
  }, [id, bringUp, fail, hear]);

  /** What a microphone is to hear of the step that is shown; nothing where the page does not know. */
  const toHear = useCallback(
    () => (local.current?.ordinal === shown.current?.ordinal ? local.current?.toHear : undefined),
    [],
  );

  /** Whether the next step has to wait for what is on its way. */
  const settling = waiting > 0 && !alone;
  return { id, view, link, notice, waiting, settling, deciding, alone, send, measuredLater, takeOver, toHear };
}
