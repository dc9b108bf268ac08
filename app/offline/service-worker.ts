import { cleanupOutdatedCaches, type PrecacheEntry, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

// Away from the network: the application as it was built is stored whole, and answers where the network does not.

declare const self: ServiceWorkerGlobalScope;
/** Put in when it is built (tools/build.mjs): what is stored, and a name that changes with any of it. */
declare const FILES: readonly PrecacheEntry[];
declare const SAMPLES: readonly string[];
declare const VERSION: string;

/** The page of this version, with the policy header and nonce it came with: it fits the files of this version only. */
const PAGE = `page-${VERSION}`;
/** Recorded sounds never change, and are too many to wait for: an application without them works. */
const SOUNDS = 'samples-1';

self.addEventListener('install', (event) => event.waitUntil(keepPage()));
self.addEventListener('activate', (event) => event.waitUntil(takeOver()));
self.addEventListener('message', ({ data }) => {
  // The pianist takes the new version when it suits.
  if (data === 'take-new-version') void self.skipWaiting();
  if (data === 'store-sounds') void storeSounds();
});

precacheAndRoute([...FILES]);
cleanupOutdatedCaches();

/** A view: from the network, and from the store without one. */
registerRoute(
  new NavigationRoute(async ({ request }) => {
    const answer = await fetch(request).catch(() => null);
    if (answer?.ok) return answer;
    const stored = await (await caches.open(PAGE)).match('/');
    return stored ?? answer ?? Response.error();
  }),
);

registerRoute(
  ({ url }) => url.origin === self.location.origin && url.pathname.startsWith('/samples/'),
  async ({ request }) => (await (await caches.open(SOUNDS)).match(request.url)) ?? fetch(request),
);

async function keepPage(): Promise<void> {
  const answer = await fetch('/', { cache: 'no-store' });
  if (!answer.ok) throw new Error(`The page could not be stored: the server said ${answer.status}.`);
  await (await caches.open(PAGE)).put('/', answer);
}

/** Pages of versions that are gone are of no use any more. */
async function takeOver(): Promise<void> {
  const old = (await caches.keys()).filter((name) => name.startsWith('page-') && name !== PAGE);
  await Promise.all(old.map((name) => caches.delete(name)));
  await self.clients.claim();
}

/** Stores what sounds are missing, one after the other, and says how many there are; a full disk keeps those it has. */
async function storeSounds(): Promise<void> {
  const cache = await caches.open(SOUNDS);
  let stored = 0;
  for (const path of SAMPLES) {
    try {
      if (!(await cache.match(path))) await cache.add(path);
      stored++;
    } catch {
      // No room, or no network any more: said below, by the number.
      break;
    }
  }
  for (const client of await self.clients.matchAll())
    client.postMessage({ kind: 'sounds-stored', stored, of: SAMPLES.length });
}
