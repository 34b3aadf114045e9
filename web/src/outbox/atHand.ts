// Missing where a page comes over plain HTTP from another machine: then every window counts as the only one.
const locks = (globalThis.navigator as Partial<Navigator> | undefined)?.locks;

const PREFIX = "tachylim.run.";
const nameOf = (run: string) => PREFIX + run;

/** Tells this window that a workout was left: what of it still waits is sent from elsewhere. */
export const LEFT = "tachylim.left";

let openHere = 0;

/** Whether a workout is open in this window. */
export const isOpenHere = () => openHere > 0;

/** Says to all windows of this browser that a workout is open in one: until the end that it gives. */
export function holdOpen(run: string): () => void {
  let close: () => void = () => undefined;
  openHere++;
  const closed = new Promise<void>((resolve) => (close = resolve));
  const held = locks?.request(nameOf(run), { mode: "shared" }, () => closed);
  return () => {
    close();
    openHere--;
    void Promise.resolve(held).then(() => window.dispatchEvent(new Event(LEFT)));
  };
}

/** Whether any workout is open, in any window. */
export async function isAnyOpen(): Promise<boolean> {
  const held = (await locks?.query())?.held ?? [];
  return isOpenHere() || held.some(({ name }) => name?.startsWith(PREFIX));
}

/** Whether it is open in another window than this one, where it is open as well. */
export async function isOpenInAnother(run: string): Promise<boolean> {
  const held = (await locks?.query())?.held ?? [];
  return held.filter(({ name }) => name === nameOf(run)).length > 1;
}

/** Does something for a workout that is open in no window, and keeps others from doing it meanwhile; nothing where it is. */
export function whereClosed<T>(run: string, does: () => Promise<T>): Promise<T | undefined> {
  if (!locks) return does();
  return locks.request(nameOf(run), { ifAvailable: true }, (lock) => (lock ? does() : undefined)) as Promise<
    T | undefined
  >;
}
