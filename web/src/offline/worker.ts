import { clientsClaim } from "workbox-core";
import { ExpirationPlugin } from "workbox-expiration";
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";
import { sendUnseen } from "./background";
import { KEPT, SEEN } from "./seen";
import { SYNC } from "./sync";

interface SyncEvent extends Event {
  tag: string;
  waitUntil(done: Promise<unknown>): void;
}

declare const self: Window & {
  __WB_MANIFEST: PrecacheEntry[];
  skipWaiting(): Promise<void>;
  addEventListener(type: "sync", hear: (event: SyncEvent) => void): void;
};

/** The page waits ten seconds for an answer: what was seen before has to be there by then. */
const PATIENCE_SECONDS = 8;
const MOST_ANSWERS = 250;
const LONGEST_SECONDS = 14 * 24 * 60 * 60;

/** What only the server can say at the moment, and what is too large or too private to be left in a browser. */
const NOT_KEPT = /^\/api\/(runs|packed|sessions|storage|backup|exports?|openapi|calendar|takes\/trust)\b|\/export$/;

// The build of this worker is kept whole: a page never meets files of another one.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL("/index.html"), { denylist: [/^\/(api|calendar|actuator)\b/] }),
);

/** Answers of a server that is there; a proxy that says it is not is no answer. */
const answered = ({ response }: { response: Response }) => {
  if (response.status >= 502 && response.status <= 504) throw new Error("The server is away");
  return Promise.resolve(response);
};

/** Says of an answer that was seen before when that was. */
function dated({ cachedResponse }: { cachedResponse?: Response }) {
  if (!cachedResponse) return Promise.resolve(null);
  const headers = new Headers(cachedResponse.headers);
  headers.set(KEPT, headers.get("Date") ?? "");
  return Promise.resolve(new Response(cachedResponse.body, { status: cachedResponse.status, headers }));
}

const good = ({ response }: { response: Response }) => Promise.resolve(response.status === 200 ? response : null);

registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith("/api/") && !NOT_KEPT.test(url.pathname),
  new NetworkFirst({
    cacheName: SEEN,
    networkTimeoutSeconds: PATIENCE_SECONDS,
    matchOptions: { ignoreVary: true },
    plugins: [
      { fetchDidSucceed: answered, cacheWillUpdate: good, cachedResponseWillBeUsed: dated },
      new ExpirationPlugin({ maxEntries: MOST_ANSWERS, maxAgeSeconds: LONGEST_SECONDS }),
    ],
  }),
);

// A new build waits until a page says that nobody is playing.
self.addEventListener("message", ({ data }: MessageEvent<{ type?: string } | null>) => {
  if (data?.type === "SKIP_WAITING") void self.skipWaiting();
});

// There is a network again, and perhaps no page.
self.addEventListener("sync", (event) => {
  if (event.tag === SYNC) event.waitUntil(sendUnseen());
});
clientsClaim();
