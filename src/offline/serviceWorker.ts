/// <reference lib="webworker" />
import { cacheNames } from "workbox-core";
import { cleanupOutdatedCaches, PrecacheController, PrecacheRoute, type PrecacheEntry } from "workbox-precaching";
import { registerRoute } from "workbox-routing";
import type { KeptStanding, RoomQuestion, ServiceMessage } from "./messages";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[]; __BYTES: number };

const controller = new PrecacheController({
  // A response from a cache bears the address it was fetched from, which lacks the parameters that a worker is started
  // with. Made anew, it takes that of the request.
  plugins: [
    {
      handlerWillRespond: async ({ request, response }) => {
        const starts = request.destination === "worker" || request.destination === "sharedworker";
        return starts ? new Response(response.body, { status: response.status, headers: response.headers }) : response;
      },
    },
  ],
});
controller.addToCacheList(self.__WB_MANIFEST);
// Pages are asked for with parameters of their own (which log, which day); the page is the same.
registerRoute(
  new PrecacheRoute(controller, { cleanURLs: false, directoryIndex: "", ignoreURLParametersMatching: [/^(?!_rsc$)/] }),
);
cleanupOutdatedCaches();

// Where the browser can, what never changes comes straight from the cache and pages from whichever answers first,
// without waiting for this worker to start.
interface RoutingInstall extends ExtendableEvent {
  addRoutes?: (routes: object[]) => Promise<void>;
}
self.addEventListener("install", (event: RoutingInstall) => {
  event.waitUntil(
    hasRoom(self.__BYTES).then((room) => {
      // Without room nothing is begun: a cache that fails for it makes the browser clear everything it keeps for these
      // pages.
      if (!room) throw new Error("there is no room to keep the application for use without a network");
      return controller.install(event);
    }),
  );
  if (event.addRoutes === undefined) return;
  const kept = (requestDestination: string) => ({
    condition: { urlPattern: { pathname: "/_next/static/*" }, requestDestination },
    source: { cacheName: cacheNames.precache },
  });
  event.waitUntil(
    event
      .addRoutes([
        ...["script", "style", "font"].map(kept),
        { condition: { requestMode: "navigate" }, source: "race-network-and-fetch-handler" },
      ])
      .catch(() => {}),
  );
});
self.addEventListener("activate", (event) => {
  event.waitUntil(controller.activate(event));
});

self.addEventListener("message", (event) => {
  const message = event.data as ServiceMessage;
  // A new version waits until no tab of the old one is left, or until the only tab asks for it.
  if (message === "take over") event.waitUntil(takeOver(event.ports[0]));
  // What is kept can be emptied by hand or by the browser; it is looked at whenever a page has opened, and what is
  // missing is fetched again.
  if (message === "is it whole") event.waitUntil(made().then((standing) => event.ports[0]?.postMessage(standing)));
});

async function takeOver(answer: MessagePort | undefined): Promise<void> {
  const tabs = await self.clients.matchAll({ type: "window", includeUncontrolled: true });
  if (tabs.length <= 1) return self.skipWaiting();
  answer?.postMessage("others");
}

/** Fetches what is missing of what should be kept, and tells how it stands afterwards. */
async function made(): Promise<KeptStanding> {
  const before = await missing();
  if (before.length > 0 && (await hasRoom(self.__BYTES))) {
    await refill(before);
  }
  return { files: controller.getCachedURLs().length, missing: (await missing()).length };
}

async function missing(): Promise<string[]> {
  const cache = await caches.open(controller.strategy.cacheName);
  const held = new Set((await cache.keys()).map(({ url }) => url));
  return controller.getCachedURLs().filter((url) => !held.has(controller.getCacheKeyForURL(url)!));
}

/** Puts in the cache what is not there; without a network it stays missing. */
async function refill(urls: readonly string[]): Promise<void> {
  const cache = await caches.open(controller.strategy.cacheName);
  await Promise.all(
    urls.map(async (url) => {
      const response = await fetch(url, { cache: "reload", credentials: "same-origin" }).catch(() => null);
      if (response?.ok) await cache.put(controller.getCacheKeyForURL(url)!, response);
    }),
  );
}

/**
 * Asks the pages of this application, which can find out without harm, whether there is room. Where none answers there
 * is none.
 */
async function hasRoom(bytes: number): Promise<boolean> {
  const pages = await self.clients.matchAll({ type: "window", includeUncontrolled: true });
  const asked = pages.map(
    (page) =>
      new Promise<boolean>((resolve) => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = ({ data }: MessageEvent<boolean>) => resolve(data);
        setTimeout(() => resolve(false), 8000);
        page.postMessage({ room: bytes } satisfies RoomQuestion, [port2]);
      }),
  );
  return (
    asked.length > 0 &&
    (await Promise.any(
      asked.map((answer) =>
        answer.then((yes) => {
          if (!yes) throw new Error("no room");
          return true;
        }),
      ),
    ).catch(() => false))
  );
}
