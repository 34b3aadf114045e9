import { keepOfWindow } from "../keep";

const KEY = "tachylim.window";

/** Names this window for as long as it is open, reloads included where the browser keeps anything. */
export function windowId(): string {
  const kept = keepOfWindow.getItem(KEY);
  if (kept) return kept;
  const fresh = crypto.randomUUID();
  keepOfWindow.setItem(KEY, fresh);
  return fresh;
}
