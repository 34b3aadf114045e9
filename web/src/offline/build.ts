import { useSyncExternalStore } from "react";
import { bell } from "../bell";
import { keepOfWindow } from "../keep";
import { isOpenHere, LEFT } from "../outbox/atHand";
import { KEPT } from "./seen";

/** On every answer: the script that a page of the server's own build begins with. */
const PAGE = "Tachylim-Page";
const LATER = "tachylim.later";

const mine = globalThis.document?.querySelector<HTMLScriptElement>('script[type="module"]')?.src.split("/").at(-1);
let newer: string | undefined;
const { ring, hear } = bell();

/** Takes note of a server that is of another build than this page. */
export function compare({ headers }: Response) {
  const served = headers.get(PAGE);
  if (!import.meta.env.PROD || !served || headers.has(KEPT)) return;
  const now = served === mine ? undefined : served;
  if (now === newer) return;
  newer = now;
  ring();
}

const unsaid = () => (newer && keepOfWindow.getItem(LATER) !== newer ? newer : undefined);

/** Whether the server is of a newer build, until that was put off: it is said once, and the page works until then. */
export const useNewer = () => useSyncExternalStore(hear, () => unsaid() !== undefined);

export function putOff() {
  if (newer) keepOfWindow.setItem(LATER, newer);
  ring();
}

const workers = () => (import.meta.env.PROD && "serviceWorker" in navigator ? import("./install") : undefined);

/** Goes on in a newer build, between workouts. */
export const renewBetweenWorkouts = () => void workers()?.then((here) => here.renewBetweenWorkouts());

/** Keeps the application in this browser, where browsers can. */
export function settleIn() {
  // Where a workout is left it counts as open for a moment longer than the page that shows it.
  window.addEventListener(LEFT, renewBetweenWorkouts);
  // A browser that keeps nothing works as long as there is a network.
  workers()
    ?.then(({ installed }) => installed)
    .catch(() => undefined);
}

/** Has what waits sent once there is a network, should no page be open by then. */
export const sendUnseenLater = () =>
  void workers()
    ?.then((here) => here.sendUnseenLater())
    .catch(() => undefined);

/** Loads the page anew, in the newest build. */
export async function renew() {
  const here = await workers();
  if (here) await here.renew();
  else window.location.reload();
}

const LOADED = "tachylim.loaded-anew";
const AGAIN_MS = 30_000;

let leaving = false;

/**
 * A part of the page that is no longer to be had, since there is a newer build: the page is loaded anew, but not for ever, not
 * where it is only the network that is missing, and not under the hands of somebody who plays.
 */
export function loadAnew(): boolean {
  if (!import.meta.env.PROD || !navigator.onLine || isOpenHere()) return false;
  if (leaving) return true;
  const last = Number(keepOfWindow.getItem(LOADED) ?? 0);
  if (Date.now() - last < AGAIN_MS || keepOfWindow.onlyHere) return false;
  keepOfWindow.setItem(LOADED, String(Date.now()));
  leaving = true;
  window.location.reload();
  return true;
}
