import type { Entry } from './entry';

/**
 * When each entry was done, ms: at its moment, and never before what its device had written or knew of when it wrote it, whatever
 * clocks and slow lines make of it.
 * Without a moment (still on its way, by a clock that nobody has compared) it is after all others.
 */
export function momentsOf(entries: readonly Entry[]): Map<string, number> {
  const moments = new Map<string, number>();
  // What was known when an entry was written has come in before it.
  for (const e of [...entries].sort((a, b) => a.seq - b.seq)) moments.set(e.id, momentOf(e, moments));
  return moments;
}
/** The same of one, after those it may have known of. */
export function momentOf(
  e: Pick<Entry, 'at' | 'seen' | 'after'>,
  known: ReadonlyMap<string, number>
): number {
  const at = e.at === '' ? Infinity : Date.parse(e.at);
  return Math.max(at, ...[e.seen, e.after].map((id) => known.get(id ?? '') ?? at));
}

/** Entries as they were done, not as they came in: what waited on a device for a signal goes where it belongs. */
export function inTurn(entries: readonly Entry[]): Entry[] {
  const moments = momentsOf(entries);
  return [...entries].sort((a, b) => {
    const [x, y] = [moments.get(a.id)!, moments.get(b.id)!];
    return x === y ? a.seq - b.seq : x - y;
  });
}
