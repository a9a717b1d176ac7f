import type { Along } from '$lib/core/offline/along';
import { together, type Told } from '$lib/core/live/told';
import { forget, keep, kept } from '../form/kept';
import { lookAtClock } from '../form/wire';
import { knownNow } from '../outbox/store';
import { onTold } from '../shell/live';
import { CACHES, dataOf } from './names';
import { lookAtStorage } from './storage.svelte';

/** What was written is taken along at most so often, ms: a device at rest asks for nothing. */
const AT_MOST_EVERY = 60_000;
/** Back from where there was no line, or opened anew: all of it is read again where it is older, ms. */
const OLD = 10 * 60_000;
const NAME = 'taken along';

/** What is on this device for when there is no signal, for a page to show. */
export const onDevice = $state<{
  /** How many pages, and since when; null: none yet. */
  taken: { pages: number; at: string } | null;
  /** On its way now. */
  busy: boolean;
}>({ taken: null, busy: false });

/** Somebody else is in, or nobody: what the one before saw is not theirs. */
export async function belongsTo(who: string): Promise<void> {
  if (!('caches' in globalThis) || kept('device', 'pages of') === who) return;
  forget('device', NAME);
  onDevice.taken = null;
  await Promise.all(Object.values(CACHES).map((name) => caches.delete(name)));
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

/** What to take now: of what was written since, or all of it. */
function wanted(along: readonly Along[], told: Told | null, known: Readonly<Record<string, true>>): Along[] {
  if (told === null || told.all) return [...along];
  return along.filter((a) => !known[a.path] || a.of === null || told.places.includes(a.of));
}

/**
 * Takes the pages along that its owner will want where there is no signal, and keeps them as the book has them, while this one is open.
 * @returns ends it
 */
export function keepAlong(): () => void {
  if (!navigator.serviceWorker) return () => {};
  let told: Told | null = null;
  let dirty = true;
  let last = -Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const over = new AbortController();
  const known: Record<string, true> = {};
  onDevice.taken = kept('device', NAME) as typeof onDevice.taken;

  async function run(): Promise<void> {
    clearTimeout(timer);
    if (
      !dirty ||
      onDevice.busy ||
      !navigator.serviceWorker.controller ||
      !navigator.onLine ||
      document.visibilityState === 'hidden'
    )
      return;
    const early = last + AT_MOST_EVERY - performance.now();
    if (early > 0) {
      timer = setTimeout(() => void run(), early);
      return;
    }
    const what = told;
    told = null;
    dirty = false;
    onDevice.busy = true;
    last = performance.now();
    const done = await takeAll(what);
    onDevice.busy = false;
    // Cut off in the middle: all of it, once there is a line again.
    if (!done) dirty = true;
  }
  async function takeAll(what: Told | null): Promise<boolean> {
    const response = await fetch('/api/along').catch(() => null);
    if (!response?.ok) return false;
    lookAtClock(response);
    void lookAtStorage();
    const { data: along } = (await response.json()) as { data: Along[] };
    for (const { path } of wanted(along, what, known)) {
      if (over.signal.aborted || !navigator.onLine || !(await take(path))) return false;
      known[path] = true;
    }
    onDevice.taken = { pages: along.length, at: knownNow().at };
    keep('device', NAME, onDevice.taken);
    return true;
  }

  const end = onTold((t) => {
    // A line that was opened says that anything may have been written: that is most often nothing.
    if (t.all && performance.now() - last < OLD) return;
    told = together(told, t);
    dirty = true;
    void run();
  });
  const seen = () => void run();
  document.addEventListener('visibilitychange', seen);
  window.addEventListener('online', seen);
  navigator.serviceWorker.addEventListener('controllerchange', seen);
  void navigator.serviceWorker.ready.then(() => {
    if (over.signal.aborted) return;
    // Not while the page itself is still being loaded.
    timer = setTimeout(seen, 1500);
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
