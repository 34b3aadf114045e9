import { api, given, type Schemas } from "../api/client";
import { packedRun, workoutOf } from "./packedRuns";
import { EventQueue } from "./queue";
import { answers, packed, runs } from "./shelf";
import { windowId } from "./windowId";

type RunView = Schemas["RunView"];

/**
 * A run as this browser knows it, to be gone on with where there is no network: all that it was folded from when it was last
 * taken up, and how it was shown then. What was answered since lies beside it.
 */
export interface KeptRun {
  /** How the run is called in addresses: its number, or which packed workout it was begun from. */
  id: string;
  view: RunView;
  score: Schemas["RunBasis"];
  /** The window that it was played in last. */
  holder: string;
  /** When a packed workout was begun, in milliseconds; null of what the server began. */
  begunAt: number | null;
  over: boolean;
}

/** The numbers of runs that were begun from packed workouts, as the server has told them. */
const begun = new Map<string, number>();

/** The number by which the server knows a run; one that was begun without a network is begun there now, when it was. */
export async function numberOf(run: string): Promise<number> {
  const workout = workoutOf(run);
  if (workout === undefined) return Number(run);
  const known = begun.get(run);
  if (known !== undefined) return known;
  // Where that is no longer kept, since somebody has signed out, the first answer tells it.
  const answered = new EventQueue(run).played().map(({ madeAt }) => madeAt);
  const begunAt = runs.get(run)?.begunAt ?? Math.min(Date.now(), ...answered);
  const secondsAgo = Math.max(0, (Date.now() - begunAt) / 1000);
  const { id } = await given(
    api.POST("/api/packed/{id}/run", {
      params: { path: { id: workout } },
      body: { holder: windowId(), secondsAgo },
    }),
  );
  begun.set(run, id);
  return id;
}

/** Takes note of where a run stood when it was taken up; what was answered before that and has arrived is in there. */
export function keepRun(id: string, view: RunView, score: Schemas["RunBasis"]) {
  const { holder = windowId(), begunAt = null } = runs.get(id) ?? {};
  runs.put({ id, view, score, holder, begunAt, over: false });
  new EventQueue(id).playedBefore(score.events.length);
}

/** Takes note that it is this window in which a run is played. */
export function playedHere(id: string) {
  const kept = runs.get(id);
  if (kept && kept.holder !== windowId()) runs.put({ ...kept, holder: windowId() });
}

/** Takes note that nothing more is played of a run. */
export function runIsOver(id: string) {
  const kept = runs.get(id);
  if (kept && !kept.over) runs.put({ ...kept, over: true });
}

/** Takes note of which run is open by what the server says: all others of which nothing waits were ended elsewhere. */
export function onlyOpenIs(open: number | null) {
  const waiting = EventQueue.runs();
  runs
    .all()
    .filter(({ id, over, begunAt }) => !over && begunAt === null && id !== String(open) && !waiting.includes(id))
    .forEach(({ id }) => runIsOver(id));
}

/** Lets go of a run that is over on the server as well, once all of it has arrived. */
export function forgetRun(id: string) {
  if (new EventQueue(id).all().length > 0) return;
  runs.remove(id);
  answers.all().forEach((answer) => answer.run === id && answers.change(answer.id, ({ sent }) => sent === true));
}

/** The run that was being played here last, where it is not over. */
export const openRun = () =>
  runs
    .all()
    .filter(({ over }) => !over)
    .at(-1)?.id;

/** Begins the workout that was taken along; nothing where it is another one, or where it has been played. */
export function beginPacked(wish: Schemas["PlanWish"]): string | undefined {
  const [kept] = packed.all();
  if (!kept || kept.wish !== JSON.stringify(wish)) return undefined;
  const { id, instrument, focus, basis } = kept.workout;
  const run = packedRun(id);
  const before = runs.get(run);
  if (before) return before.over ? undefined : run;
  const view = { id: 0, instrument, focus, ordinal: 0, held: true, last: null, measured: false, note: "" };
  // Where it stands first is for the core to say.
  runs.put({
    id: run,
    view: view as unknown as RunView,
    score: basis,
    holder: windowId(),
    begunAt: Date.now(),
    over: false,
  });
  return run;
}
