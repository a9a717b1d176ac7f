/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { version } from '$service-worker';
import { clientsClaim, type WorkboxPlugin } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';
import { stickerKind, stickerPlace } from '$lib/core/paper/labels';
import { CACHES, DATA, dataOf, FRAME, SHELL } from '$lib/ui/offline/names';
import { frameOf, keyOf, notHere, saidOf, whole } from '$lib/ui/offline/nodes';

/**
 * Opens the app where the server cannot be asked: the app itself is kept, and the data of the pages that were opened or taken along,
 * as the server last gave them. The server is asked first, always; what is written goes by another way (the outbox).
 */
declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: (string | { url: string; revision: string | null })[];
};

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute([...self.__WB_MANIFEST, { url: SHELL, revision: version }]);

/** After so long without an answer what is kept is shown, s: a signal that is there and carries nothing is the worst of all. */
const PATIENCE = 6;
/** The server is not there, or cannot reach its database. */
const isAway = (status: number): boolean => status >= 502 && status <= 504;

const json = (body: string, status = 200): Response =>
  new Response(body, { status, headers: { 'content-type': 'application/json' } });
const pages = (): Promise<Cache> => caches.open(CACHES.pages);
const frame = async (): Promise<string | null> => (await (await pages()).match(FRAME))?.text() ?? null;

/** An answer of a server that is away is none: what is kept goes before it. */
const awayIsNone: WorkboxPlugin = {
  fetchDidSucceed: async ({ response }) => {
    if (isAway(response.status)) throw new Error(`away: ${response.status}`);
    return response;
  }
};
/** Whether a page is of a visit that was begun here, and that the server has not shown yet. */
const isBegunHere = async (key: string): Promise<boolean> =>
  (await (await caches.open(CACHES.begun)).match(key)) !== undefined;
/** A visit that was begun here goes by what is kept of it until the server has it: that it has none yet is no answer. */
const begunHere: WorkboxPlugin = {
  fetchDidSucceed: async ({ request, response }) => {
    const key = keyOf(request.url);
    if (!(await isBegunHere(key))) return response;
    const said = saidOf(await response.clone().text());
    if (said === 'no such page') throw new Error('not there yet');
    if (said !== 'fault') await (await caches.open(CACHES.begun)).delete(key);
    return response;
  }
};
const wholePages: WorkboxPlugin = {
  cacheKeyWillBeUsed: async ({ request }) => keyOf(request.url),
  cacheWillUpdate: async ({ request, response }) => {
    if (!response.ok || !response.headers.get('content-type')?.includes('application/json')) return null;
    const text = await response.clone().text();
    // A visit that is closed, a machine that is at the bench: what was kept of the page as it was leads nowhere.
    if (saidOf(text) === 'elsewhere') await (await pages()).delete(keyOf(request.url));
    const fresh = frameOf(text);
    if (fresh) await (await pages()).put(FRAME, json(fresh));
    const body = whole(text, fresh ?? (await frame()));
    return body === null ? null : json(body);
  },
  handlerDidError: async ({ request }) => {
    const { body, status } = notHere(await frame(), request.url);
    return json(body, status);
  }
};
registerRoute(
  ({ url }) => url.pathname.endsWith(DATA),
  new NetworkFirst({
    cacheName: CACHES.pages,
    networkTimeoutSeconds: PATIENCE,
    plugins: [
      awayIsNone,
      begunHere,
      wholePages,
      new ExpirationPlugin({ maxEntries: 2000, maxAgeSeconds: 60 * 86_400, purgeOnQuotaError: true })
    ]
  })
);
registerRoute(
  ({ url }) => (url.pathname === '/api/machines' || url.pathname === '/api/timers') && url.search === '',
  new NetworkFirst({
    cacheName: CACHES.pages,
    networkTimeoutSeconds: PATIENCE,
    plugins: [awayIsNone]
  })
);
registerRoute(
  // A photo never changes.
  ({ url }) => /^\/api\/photos\/[0-9a-f-]+$/.test(url.pathname),
  new CacheFirst({
    cacheName: CACHES.photos,
    plugins: [new ExpirationPlugin({ maxEntries: 300, purgeOnQuotaError: true })]
  })
);

/** What the server says to it; null: it is away, or nothing came of it. */
async function asked(request: Request): Promise<Response | null> {
  const patience = new AbortController();
  const timer = setTimeout(() => patience.abort(), PATIENCE * 1000);
  const response = await fetch(request, { signal: patience.signal }).catch(() => null);
  clearTimeout(timer);
  return response && !isAway(response.status) ? response : null;
}
/** Opens a page: as the server gives it, else the empty document, which then shows what is kept. */
const open = async ({ request, url }: { request: Request; url: URL }): Promise<Response> => {
  const response = await asked(request);
  const data = new URL(dataOf(url.pathname), url.origin).href;
  if (response && !(response.status === 404 && (await isBegunHere(data)))) return response;
  return (await matchPrecache(SHELL)) ?? response ?? Response.error();
};
/** What a sticker's code opens: the server knows whether it is one of the team; without it, the page it would lead to. */
registerRoute(
  new NavigationRoute(
    async ({ request, url }) => {
      const [, , letter = '', id = ''] = url.pathname.split('/');
      const kind = stickerKind(letter);
      const response = await asked(request);
      if (response) return response;
      return kind ? Response.redirect(new URL(stickerPlace(kind, id), url.origin)) : Response.error();
    },
    { allowlist: [/^\/s\//] }
  )
);
registerRoute(
  // Papers, lists and what only the server can answer are no pages.
  new NavigationRoute(open, { denylist: [/^\/api\//, /\.(pdf|csv|ics|zip|json)$/, /^\/s\//] })
);
