import { api, given, Problem } from "../api/client";
import { isOpenInAnother } from "./atHand";
import { EventQueue, type Queued } from "./queue";
import { numberOf } from "./runs";
import { runs } from "./shelf";
import { windowId } from "./windowId";
import type { Schemas } from "../api/client";

type RunView = Schemas["RunView"];

/** With these the server says that an event comes to nothing; all else may still turn out either way. */
const SAYS_NO = new Set(["out-of-step", "over", "too-late"]);

const saysNo = (error: unknown): error is Problem =>
  error instanceof Problem && (SAYS_NO.has(error.code ?? "") || cannotBeRead(error));

const cannotBeRead = (refusal: Problem) => refusal.status === 422 || refusal.status === 400;

type Fate = "kept" | "refused" | "open";

/**
 * What a refusal comes to by what the server keeps of the run. A no alone settles nothing: it may have been said of an answer
 * that was taken before, or by a server that was behind.
 */
export function fate({ event, baseless }: Queued, refusal: Problem, { over, answers }: Schemas["HeardRun"]): Fate {
  const place = answers.findIndex((answer) => answer.clientId === event.clientId);
  if (place >= 0) {
    if (event.tension === answers[place]!.tension) return "kept";
    return over || place < answers.length - 1 || cannotBeRead(refusal) ? "refused" : "open";
  }
  // What stood before it is known not to come: then a server that has less is not behind.
  return over || baseless || answers.length > event.ordinal || cannotBeRead(refusal) ? "refused" : "open";
}

const ago = (queued: Queued) => Math.max(0, (Date.now() - queued.madeAt) / 1000);

async function sendAs(holder: string, run: string, queued: Queued): Promise<RunView> {
  const { measured = [], taken = null } = queued.event;
  const body = { ...queued.event, measured, taken, holder, secondsAgo: ago(queued) };
  const id = await numberOf(run);
  return given(api.POST("/api/runs/{id}/events", { params: { path: { id } }, body }));
}

const isTakenOver = (error: unknown) => error instanceof Problem && error.code === "taken-over";

/**
 * Sends an answer for this window, or else for the one in which it was given or the run was played before: that may be closed,
 * and still hold the run.
 */
async function send(run: string, queued: Queued): Promise<RunView> {
  const { holder } = queued.event;
  try {
    return await sendAs(windowId(), run, queued);
  } catch (error) {
    const before = holder === windowId() ? runs.get(run)?.holder : holder;
    if (!isTakenOver(error) || before === undefined || before === windowId()) throw error;
    // Whoever has taken it over in a window that is open goes on there.
    if (holder === windowId() && (await isOpenInAnother(run))) throw error;
    return sendAs(before, run, queued);
  }
}

/** Makes this window the one in which a run goes on. */
export async function takeOver(run: string) {
  const id = await numberOf(run);
  return given(api.POST("/api/runs/{id}/holder", { params: { path: { id } }, body: { holder: windowId() } }));
}

/**
 * As {@link sendQueued}, for a run that is open nowhere in this browser: where another window has taken it over and not gone on,
 * this one does, so that nothing waits for a window that is closed.
 */
export async function sendLeft(run: string, queue: EventQueue): Promise<Sent> {
  try {
    return await sendQueued(run, queue);
  } catch (error) {
    if (!isTakenOver(error)) throw error;
    await takeOver(run);
    return sendQueued(run, queue);
  }
}

const heard = async (run: string) =>
  given(api.GET("/api/runs/{id}/events", { params: { path: { id: await numberOf(run) } } }));

export interface Sent {
  view?: RunView;
  /** What was refused for good, in the server's words. */
  refused: string[];
}

/**
 * Sends what is on its way, one after the other. What the server has not shown to be kept or refused stays, and is thrown for
 * the caller to try again.
 */
export async function sendQueued(
  run: string,
  queue: EventQueue,
  onView: (view: RunView) => void = () => undefined,
): Promise<Sent> {
  const sent: Sent = { refused: [] };
  for (let queued = queue.first(); queued; queued = queue.first()) {
    try {
      sent.view = await send(run, queued);
      queue.confirmed(queued);
      onView(sent.view);
    } catch (error) {
      if (!saysNo(error)) throw error;
      const decided = fate(queued, error, await heard(run));
      if (decided === "open") throw error;
      if (decided === "refused") sent.refused.push(error.detail);
      // A tension that came too late leaves its answer where it is.
      if (decided === "refused" && error.code !== "too-late") queue.refused(queued);
      else queue.confirmed(queued);
    }
  }
  return sent;
}
