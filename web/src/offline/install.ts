import { Workbox } from "workbox-window";
import { isAnyOpen, isOpenHere } from "../outbox/atHand";
import { SYNC } from "./sync";

/** How long a new build may take to arrive before the page is loaded without it, in milliseconds. */
const ARRIVES_MS = 20_000;

const worker = new Workbox("/worker.js");
let waits = false;
const arrived = new Promise<void>((resolve) =>
  worker.addEventListener("waiting", () => {
    waits = true;
    resolve();
  }),
);
worker.addEventListener("controlling", ({ isUpdate }) => {
  // The files of the build before are no longer kept: the page goes on in the new one, but for one in which somebody plays.
  if (isUpdate && !isOpenHere()) window.location.reload();
});

/** Keeps the application in this browser, so that it opens without a network. */
export const installed = worker.register();

/** Goes on in a new build where one has arrived and nobody is playing in any window of this browser. */
export async function renewBetweenWorkouts() {
  if (waits && !(await isAnyOpen())) worker.messageSkipWaiting();
}

/** Loads the page anew, in the newest build. */
export async function renew() {
  try {
    await worker.update();
    const registration = await installed;
    const longest = new Promise<void>((resolve) => setTimeout(resolve, ARRIVES_MS));
    if (registration?.installing) await Promise.race([arrived, longest]);
  } catch {
    // Without a network the page stays what it is.
  }
  if (waits) worker.messageSkipWaiting();
  else window.location.reload();
}

interface Syncs {
  sync?: { register(tag: string): Promise<void> };
}

/** Has what waits sent once there is a network, also where no page is open by then: as far as the browser can. */
export async function sendUnseenLater() {
  const registration = (await installed) as (ServiceWorkerRegistration & Syncs) | undefined;
  await registration?.sync?.register(SYNC);
}
