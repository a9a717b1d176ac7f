import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import type { Told } from '$lib/core/live/told';
import { onTold } from './live';

/**
 * Reads the page anew, by itself or because something was written; not while somebody is on the way to another one, for that would
 * call the way off. That one is read fresh in any case.
 *
 * @param what of the page; without it all of it
 */
export async function readAgain(what?: `app:${string}`): Promise<void> {
  if (navigating.to) return;
  await (what ? invalidate(what) : invalidateAll());
}

/** While something of one's own is on its way it is asked so often whether it has gone, ms. */
const WAIT = 300;
/** Where others write all the time the page is read anew at most so often, ms: soon enough to see, and no load to speak of. */
const AT_MOST_EVERY = 700;

/**
 * Reads the page anew whenever somebody wrote something that it may show: where it is seen, and nothing of one's own is on its way.
 * @param mine whether what was written may be on the page; without it, anything
 */
export function lookAgain(
  what: `app:${string}`,
  busy: () => boolean = () => false,
  mine: (told: Told) => boolean = () => true
): () => void {
  let stale = false;
  let reading = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last = -Infinity;
  async function look() {
    clearTimeout(timer);
    if (!stale || reading || document.visibilityState === 'hidden') return;
    const early = last + AT_MOST_EVERY - performance.now();
    if (early > 0 || busy()) {
      timer = setTimeout(() => void look(), Math.max(early, WAIT));
      return;
    }
    stale = false;
    reading = true;
    await readAgain(what).catch(() => {});
    reading = false;
    last = performance.now();
    void look();
  }
  const seen = () => void look();
  const end = onTold((told) => {
    if (!told.all && !mine(told)) return;
    stale = true;
    void look();
  });
  document.addEventListener('visibilitychange', seen);
  return () => {
    end();
    clearTimeout(timer);
    document.removeEventListener('visibilitychange', seen);
  };
}
