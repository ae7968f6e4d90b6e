/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from "workbox-precaching";
import { cacheNames } from "workbox-core";
import { addPlugins } from "workbox-precaching/addPlugins";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] };

// A response from a cache bears the address it was fetched from, which lacks the parameters that a worker is started with. Made anew, it takes that of the request.
addPlugins([{
  handlerWillRespond: async ({ request, response }) => {
    const starts = request.destination === "worker" || request.destination === "sharedworker";
    return starts ? new Response(response.body, { status: response.status, headers: response.headers }) : response;
  },
}]);
// Pages are asked for with parameters of their own (which log, which day); the page is the same.
precacheAndRoute(self.__WB_MANIFEST, { cleanURLs: false, directoryIndex: "", ignoreURLParametersMatching: [/^(?!_rsc$)/] });
cleanupOutdatedCaches();

// Where the browser can, what never changes comes straight from the cache and pages from whichever answers first, without waiting for this worker to start.
interface RoutingInstall extends ExtendableEvent { addRoutes?: (routes: object[]) => Promise<void> }
self.addEventListener("install", (event: RoutingInstall) => {
  if (event.addRoutes === undefined) return;
  const kept = (requestDestination: string) => ({ condition: { urlPattern: { pathname: "/_next/static/*" }, requestDestination }, source: { cacheName: cacheNames.precache } });
  event.waitUntil(event.addRoutes([...["script", "style", "font"].map(kept), { condition: { requestMode: "navigate" }, source: "race-network-and-fetch-handler" }]).catch(() => {}));
});

// A new version waits until no tab of the old one is left, or until the only tab asks for it.
self.addEventListener("message", (event) => {
  if (event.data !== "take over") return;
  event.waitUntil(self.clients.matchAll({ type: "window", includeUncontrolled: true }).then((tabs) => {
    if (tabs.length <= 1) return self.skipWaiting();
    event.ports[0]?.postMessage("others");
  }));
});
