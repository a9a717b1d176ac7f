import { toTake, type Along } from '$lib/core/offline/along';
import { together, type Told } from '$lib/core/live/told';
import { forget, keep, kept } from '../base/kept';
import { lookAtClock } from '../base/wire';
import { store } from './store';
import { onTold } from '../base/live';
import { shell } from '../base/page.svelte';
import { CACHES, dataOf } from './names';
import { onDevice } from './on-device.svelte';
import { lookAtStorage } from './storage.svelte';

/** What was written is taken along at most so often, ms: a device at rest asks for nothing. */
const AT_MOST_EVERY = 60_000;
/** Younger than that it need not be read again only because a page of the app was opened, ms. */
const YOUNG = 10 * 60_000;
/** Not while the page itself is still being loaded, ms. */
const AFTER_THE_PAGE = 1500;
const NAME = 'taken along';
const LOCK = 'hour-trail along';

/** Somebody else is in, or nobody: what the one before saw is not theirs. */
export async function belongsTo(who: string): Promise<void> {
  if (!('caches' in globalThis) || kept('device', 'pages of') === who) return;
  forget('device', NAME);
  onDevice.taken = null;
  await Promise.all([
    ...Object.values(CACHES).map((name) => caches.delete(name)),
    store.clearTaken().catch(() => {})
  ]);
  keep('device', 'pages of', who);
}

/** The server is not there, or cannot reach its database. */
const AWAY = 502;
/** Asks for one page's data; the service worker keeps them. @returns whether the server answered */
async function take(path: string): Promise<boolean> {
  try {
    const response = await fetch(dataOf(path));
    await response.arrayBuffer();
    return response.status < AWAY;
  } catch {
    return false;
  }
}

/** The addresses that are on the device. */
async function inCache(): Promise<Set<string>> {
  const keys = await (await caches.open(CACHES.pages)).keys();
  return new Set(keys.map(({ url }) => new URL(url).pathname + new URL(url).search));
}

/**
 * Takes the pages along that its owner will want where there is no signal, and keeps them as the book has them, while this one is open.
 * @returns ends it
 */
export function keepAlong(): () => void {
  if (!navigator.serviceWorker) return () => {};
  onDevice.taken = kept('device', NAME) as typeof onDevice.taken;
  const age = () => Date.now() - Date.parse(onDevice.taken?.at ?? '');
  let told: Told | null = null;
  let dirty = !(age() < YOUNG);
  let last = -Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const over = new AbortController();
  /** Asked for here; what is no page (a machine with no such part) is not asked for again each time. */
  const asked = new Set<string>();

  async function run(): Promise<void> {
    clearTimeout(timer);
    if (
      !dirty ||
      onDevice.busy ||
      !navigator.serviceWorker.controller ||
      document.visibilityState === 'hidden'
    )
      return;
    const early = last + AT_MOST_EVERY - performance.now();
    if (early > 0) {
      timer = setTimeout(seen, early);
      return;
    }
    last = performance.now();
    onDevice.busy = true;
    // Of several windows one does it, for all of them.
    await navigator.locks.request(LOCK, { ifAvailable: true }, async (mine) => {
      if (!mine) return;
      const what = told;
      told = null;
      dirty = false;
      // Cut off in the middle: all of it, once there is a line again.
      if (!(await takeAll(what))) dirty = true;
    });
    onDevice.busy = false;
  }
  async function takeAll(what: Told | null): Promise<boolean> {
    const response = await fetch('/api/along').catch(() => null);
    if (!response?.ok) return false;
    lookAtClock(response);
    void lookAtStorage();
    const { data: along } = (await response.json()) as { data: Along[] };
    const there = await inCache();
    for (const { path } of toTake(along, what, (p) => asked.has(p) || there.has(dataOf(p)))) {
      if (over.signal.aborted || !(await take(path))) return false;
      asked.add(path);
    }
    onDevice.taken = { pages: along.length, at: new Date().toISOString() };
    keep('device', NAME, onDevice.taken);
    return true;
  }

  const end = onTold((t) => {
    // A line that was merely opened says that anything may have been written; one that was lost means it.
    if (t.all && !shell.away && age() < YOUNG) return;
    // What nobody knows of yet wants all of it in any case.
    if (!dirty) told = t;
    else if (told) told = together(told, t);
    dirty = true;
    void run();
  });
  const seen = () => void run();
  document.addEventListener('visibilitychange', seen);
  window.addEventListener('online', seen);
  navigator.serviceWorker.addEventListener('controllerchange', seen);
  void navigator.serviceWorker.ready.then(() => {
    if (!over.signal.aborted) timer = setTimeout(seen, AFTER_THE_PAGE);
  });
  return () => {
    over.abort();
    clearTimeout(timer);
    end();
    document.removeEventListener('visibilitychange', seen);
    window.removeEventListener('online', seen);
    navigator.serviceWorker.removeEventListener('controllerchange', seen);
  };
}
