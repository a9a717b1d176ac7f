import { invalidateAll } from '$app/navigation';
import { outbox } from './outbox.svelte';
import type { Kept } from './store';

/**
 * Follows what had to wait at a place: once it is in the book, the page is read anew, and then it is no longer held in its fields.
 * @param settle of one that is in the book
 * @returns ends it
 */
export function followLate(place: string, settle: (kept: Kept) => void): () => void {
  const late: Kept[] = [];
  return outbox.listen(place, {
    became: (kept, sent) => {
      if (sent.ok && kept.waited) late.push(kept);
      // What was refused after it waited stays where it can be looked at.
      return false;
    },
    taken: async () => {
      if (late.length === 0) return;
      await invalidateAll();
      late.splice(0).forEach(settle);
    }
  });
}
