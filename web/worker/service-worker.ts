/**
 * Keeps the application on the device, so that it starts without a network. Only files of the build and the page
 * itself: data are kept by the application's own stores.
 *
 * A new build waits until no tab uses the old one; until then both the old page and its files come from its own cache.
 */
declare const self: ServiceWorkerGlobalScope;
/** Filled in by the build: every file of it, and a name that changes with any of them. */
declare const BUILD_FILES: string[];
declare const BUILD_NAME: string;

const CACHE = `doceo-${BUILD_NAME}`;
const PAGE = '/';
/** A page that the network does not bring in this time comes from the device, milliseconds. */
const PAGE_WAIT_MS = 2500;

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([PAGE, ...BUILD_FILES])));
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names
            .filter((name) => name.startsWith('doceo-') && name !== CACHE)
            .map((name) => caches.delete(name)),
        ),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(page(request));
  else if (BUILD_FILES.includes(url.pathname)) event.respondWith(file(request));
});

/** The page of the server when it answers soon, else the one on the device; all addresses have the same page. */
async function page(request: Request): Promise<Response> {
  const kept = await (await caches.open(CACHE)).match(PAGE);
  if (!kept) return fetch(request);
  try {
    // By its address: a request of a navigation cannot be given a time limit.
    const fresh = await fetch(request.url, {
      credentials: 'same-origin',
      signal: AbortSignal.timeout(PAGE_WAIT_MS),
    });
    return fresh.ok ? fresh : kept;
  } catch {
    return kept;
  }
}

async function file(request: Request): Promise<Response> {
  return (await (await caches.open(CACHE)).match(request, { ignoreSearch: true })) ?? fetch(request);
}
export {};
