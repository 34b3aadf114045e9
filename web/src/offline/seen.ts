/** Where the service worker keeps what the server has answered, for when it cannot be reached. */
export const SEEN = "tachylim-seen";

/** On an answer that was seen before: when the server gave it. */
export const KEPT = "Tachylim-Kept";

/** Forgets all that was seen: somebody signs out, or somebody else is here. Missing over plain HTTP, where nothing is kept. */
export async function forgetSeen() {
  if ("caches" in globalThis) await caches.delete(SEEN);
}
