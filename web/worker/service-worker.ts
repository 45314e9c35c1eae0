import { cleanupOutdatedCaches, PrecacheController, PrecacheRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { type Pack, unpack } from './unpack';

/**
 * Keeps the application on the device, so that it starts without a network. Only files of the build and the page
 * itself: data are kept by the application's own stores.
 *
 * The page comes from the same build as its files, always: from the device once it is kept there. A newer build waits
 * until the application says that it may take over.
 */
declare const self: ServiceWorkerGlobalScope;
/** Filled in by the build: every file of it with its hash, null where the name has it; the page among them. */
declare const BUILD_FILES: { url: string; revision: string | null }[];
/** Those together that a page does not load at once. */
declare const BUILD_PACK: Pack;

const kept = new PrecacheController();
kept.addToCacheList(BUILD_FILES);
registerRoute(new PrecacheRoute(kept));
cleanupOutdatedCaches();
// All addresses have the same page. The API is no page, and files that are missing are missing.
registerRoute(
  new NavigationRoute(kept.createHandlerBoundToURL('/'), {
    denylist: [/^\/api\//, /^\/my\//, /^\/metrics$/, /\.\w+$/],
  }),
);

self.addEventListener('install', (event) =>
  event.waitUntil(
    // What could not be had together is fetched one by one.
    unpack(BUILD_PACK, kept.strategy.cacheName)
      .catch(() => undefined)
      .then(() => kept.install(event)),
  ),
);
self.addEventListener('activate', (event) =>
  event.waitUntil(kept.activate(event).then(() => self.clients.claim())),
);
self.addEventListener('message', (event) => {
  const { type } = event.data as { type?: string };
  if (type === 'SKIP_WAITING') void self.skipWaiting();
  if (type === 'COUNT_TABS')
    event.waitUntil(
      self.clients.matchAll({ type: 'window' }).then((tabs) => event.ports[0]?.postMessage(tabs.length)),
    );
});
