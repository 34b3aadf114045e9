const KEY = "tachylim.window";

/** Names this window for as long as it is open, reloads included. */
export function windowId(): string {
  const kept = sessionStorage.getItem(KEY);
  if (kept) return kept;
  const fresh = crypto.randomUUID();
  sessionStorage.setItem(KEY, fresh);
  return fresh;
}
