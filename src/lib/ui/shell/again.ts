import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

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

/** Looks again every so often for as long as it is used: where the page is seen, the line is up and nothing of one's own is on its way. */
export function lookAgain(
  what: `app:${string}`,
  everyMs: number,
  busy: () => boolean = () => false
): () => void {
  const timer = setInterval(() => {
    const held = busy();
    if (!held && document.visibilityState === 'visible' && navigator.onLine) void readAgain(what);
  }, everyMs);
  return () => clearInterval(timer);
}
