import type { Day } from '../time/day';
import { JUDGED_BY } from '../judged/by';

/** A finding as far as telling it from others goes. */
export interface Alike {
  id: string;
  what: string;
  /** What of a round it is about, and the fastener it is about; null: neither. */
  check: string | null;
  fastenerId: string | null;
  day: Day;
  /** When it was written down, ms: of two on one day, which was first. */
  at: number;
}

/**
 * What a finding is about, so that the same thing found again is known: the fastener or the check it hangs on; else its words,
 * without what is different each time (figures, and what follows a colon).
 */
export function aboutWhat(f: Pick<Alike, 'what' | 'check' | 'fastenerId'>): string {
  if (f.fastenerId) return `fastener ${f.fastenerId}`;
  if (f.check) return `check ${f.check}`;
  const words = f.what
    .split(':')[0]!
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^\p{L}\s]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return `words ${words || f.what.trim().toLowerCase()}`;
}

/** The days on which the same was found before, the latest first; each finding's by its id. */
export function foundBefore(findings: readonly Alike[]): Map<string, Day[]> {
  const groups = new Map<string, Alike[]>();
  for (const f of findings) {
    const key = aboutWhat(f);
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  const before = new Map<string, Day[]>();
  for (const group of groups.values()) {
    const inOrder = [...group].sort(
      (a, b) => a.day.localeCompare(b.day) || a.at - b.at || a.id.localeCompare(b.id)
    );
    for (const [i, f] of inOrder.entries())
      before.set(
        f.id,
        inOrder
          .slice(0, i)
          .map((x) => x.day)
          .reverse()
      );
  }
  return before;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth'];
/** From the second time on: `for the third time`. Null: the first. */
export const timesInWords = (before: number): string | null =>
  before === 0 ? null : `for the ${ORDINALS[before] ?? `${before + 1}th`} time`;
/** So often it is no chance any more: the cause is looked for. */
export const OFTEN = JUDGED_BY.work.often.is;
