import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

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

precacheAndRoute(BUILD_FILES);
cleanupOutdatedCaches();
// All addresses have the same page. The API is no page, and files that are missing are missing.
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/'), {
    denylist: [/^\/api\//, /^\/my\//, /^\/metrics$/, /\.\w+$/],
  }),
);

self.addEventListener('message', (event) => {
  const { type } = event.data as { type?: string };
  if (type === 'SKIP_WAITING') void self.skipWaiting();
  if (type === 'COUNT_TABS')
    event.waitUntil(
      self.clients.matchAll({ type: 'window' }).then((tabs) => event.ports[0]?.postMessage(tabs.length)),
    );
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
