import type { Entry, NewEntry } from '$lib/core/visit/entry';
import type { Sent } from '../base/wire';
import { store, type Kept, type Taken } from '../offline/store';

const entryOf = (kept: Kept, sent: Sent<unknown>): Taken[] => {
  if (kept.kind !== 'visit.enter' || !sent.ok) return [];
  const { visitId, entry } = kept.body as { visitId: string; entry: NewEntry };
  const stamp = sent.data as Pick<Entry, 'seq' | 'at' | 'by'>;
  return [{ id: entry.id, visitId, entry: { ...entry, ...stamp } as Entry }];
};

/**
 * Keeps what the server has taken of visits on this device too. A page that is opened without a signal is as it was when it was last
 * read: what was written since, and is no longer in the outbox, would be missing on it, and be done once more.
 */
export async function keepTaken(list: readonly { kept: Kept; sent: Sent<unknown> }[]): Promise<void> {
  const entries = list.flatMap(({ kept, sent }) => entryOf(kept, sent));
  // Where the browser keeps nothing there is no page of before either.
  if (entries.length > 0) await store.keepTaken(entries).catch(() => {});
}

/**
 * What the server has taken of a visit and its page does not have.
 * @param has the ids that the page has: what is kept of those is dropped
 */
export async function takenSince(visitId: string, has: readonly string[]): Promise<Entry[]> {
  const there = await store.takenAt(visitId).catch(() => []);
  const known = there.filter((t) => has.includes(t.id)).map((t) => t.id);
  if (known.length > 0) await store.dropTaken(known).catch(() => {});
  return there.filter((t) => !has.includes(t.id)).map((t) => t.entry);
}

/** The visit is over: nothing of it need be kept. */
export async function forgetTaken(visitId: string): Promise<void> {
  const there = await store.takenAt(visitId).catch(() => []);
  if (there.length > 0) await store.dropTaken(there.map((t) => t.id)).catch(() => {});
}
