import { type PrecacheEntry, Serwist } from 'serwist';

/** Put in by the build: every page and every file that pages load, with what tells one build's from another's. */
declare const precached: (PrecacheEntry | string)[];

/** Queries that pages read for themselves; the page is the same whatever they say. */
const ownQueries = [/^icon\./, /^job$/, /^firm$/, /^to$/, /^invitation$/, /^token$/, /^owner$/];

/**
 * Keeps the whole application on the device: pages open and load again without a network, visited before or not. Logs
 * are not its business (they are in IndexedDB), nor is the API. A new version waits until every page of the old one is
 * closed, or until somebody asks for it.
 */
const worker = new Serwist({
  precacheEntries: precached,
  precacheOptions: { cleanupOutdatedCaches: true, ignoreURLParametersMatching: ownQueries },
  skipWaiting: false,
  clientsClaim: true,
  navigationPreload: false,
});

/** What the DOM library does not know yet (Service Worker Static Routing API). */
interface InstallEvent extends Event {
  addRoutes?(
    rules: readonly {
      readonly condition: { readonly urlPattern?: string; readonly requestDestination?: 'worker' };
      readonly source: 'cache' | 'fetch-event';
    }[],
  ): Promise<void>;
}

// Where a browser can, it takes files of the build out of the cache by itself: one question less for each of them.
self.addEventListener('install', (event) => {
  const routes = (event as InstallEvent).addRoutes?.([
    { condition: { requestDestination: 'worker' }, source: 'fetch-event' },
    { condition: { urlPattern: '/_next/static/*' }, source: 'cache' },
  ]);
  // One that knows other rules is answered as before.
  routes?.catch(() => {});
});

interface FetchEvent extends Event {
  readonly request: Request;
  respondWith(response: Promise<Response>): void;
}

/**
 * The engine's own worker is told what to load by the fragment of its address. An answer out of a cache carries an
 * address without one, so it is wrapped in one that carries none: then the request's own counts.
 */
async function workerScript(request: Request): Promise<Response> {
  const kept = await caches.match(request, { ignoreVary: true });
  if (kept === undefined) return fetch(request);
  return new Response(await kept.blob(), { headers: kept.headers });
}
self.addEventListener('fetch', (event) => {
  const { request } = event as FetchEvent;
  if (request.destination !== 'worker') return;
  (event as FetchEvent).respondWith(workerScript(request));
  event.stopImmediatePropagation();
});

worker.addEventListeners();
