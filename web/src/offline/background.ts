import { whereClosed } from "../outbox/atHand";
import { workoutOf } from "../outbox/packedRuns";
import { EventQueue, type Queued } from "../outbox/queue";
import { answers, layOut, runs, whoseWait } from "../outbox/shelf";

/**
 * Sends what was answered and is open in no window, as the windows it was given in would. What is not simply taken waits for a
 * page, which knows what to do about it. Fails where there is no network after all: then the browser tries it later.
 */
export async function sendUnseen() {
  for (const account of await whoseWait()) {
    await layOut(account);
    await Promise.all([answers.read(), runs.read()]);
    try {
      for (const run of EventQueue.runs()) await whereClosed(run, () => sendRun(run));
    } finally {
      // Behind all that was written.
      await answers.read();
    }
  }
}

async function sendRun(run: string) {
  const queue = new EventQueue(run);
  let id: number | undefined;
  for (let queued = queue.first(); queued; queued = queue.first()) {
    id ??= await numberOf(run, queued);
    const { measured = [], taken = null } = queued.event;
    const body = { ...queued.event, measured, taken, secondsAgo: ago(queued.madeAt) };
    if (id === undefined || !(await posted(`/api/runs/${id}/events`, body))) return;
    queue.confirmed(queued);
  }
}

const ago = (at: number) => Math.max(0, (Date.now() - at) / 1000);

/** The number of a run; of one that was begun from a packed workout the server tells it. */
async function numberOf(run: string, { event, madeAt }: Queued): Promise<number | undefined> {
  const workout = workoutOf(run);
  if (workout === undefined) return Number(run);
  const begunAt = runs.get(run)?.begunAt ?? madeAt;
  const begun = await posted(`/api/packed/${workout}/run`, { holder: event.holder, secondsAgo: ago(begunAt) });
  return begun?.id;
}

interface Cookies {
  get(name: string): Promise<{ value: string } | null>;
}

const TOKEN = "XSRF-TOKEN";
const token = () => (self as unknown as { cookieStore?: Cookies }).cookieStore?.get(TOKEN);

/** What the server answers; nothing where it refuses. */
async function posted(path: string, body: object): Promise<{ id: number } | undefined> {
  if (!(await token())) await fetch("/api/greeting");
  const sent = decodeURIComponent((await token())?.value ?? "");
  const response = await fetch(path, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-XSRF-TOKEN": sent },
    body: JSON.stringify(body),
  });
  if (response.status >= 500) throw new Error(`The server is away: ${response.status}`);
  return response.ok ? ((await response.json()) as { id: number }) : undefined;
}
