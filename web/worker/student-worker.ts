import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

/** Keeps the page of a student on the device: files of its build alone, since what it shows is kept by the page itself. */
declare const self: ServiceWorkerGlobalScope;
/** Filled in by the build: every file that a start needs with its hash, null where the name has it. */
declare const BUILD_FILES: { url: string; revision: string | null }[];

precacheAndRoute(BUILD_FILES, { cleanURLs: false, directoryIndex: '' });
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/my/')));

// Nothing is edited over a longer time here: a newer build takes over at once.
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
