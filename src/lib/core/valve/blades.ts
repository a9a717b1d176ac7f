import { verdict, type Limits, type Span, type Verdict } from './clearance';

/** What to do next at a valve that is measured with blades. */
export type Next =
  | { what: 'certain'; verdict: Exclude<Verdict, 'undecided'> }
  /** Which blade to try, µm; and how many more that is likely to take, this one among them. */
  | { what: 'try'; blade: number; expected: number }
  /** No blade of the set lies in between that could tell: the house rule decides. */
  | { what: 'borderline' };

/** How likely each clearance is before it is measured: any weight, by whole µm. */
export type Likely = (um: number) => number;

/** Nothing known: as likely to be anywhere up to twice the upper limit. */
export const anywhere =
  ({ hi }: Limits): Likely =>
  (um) =>
    um <= 2 * hi ? 1 : 0;

/** How far a valve is likely to have moved since its last check, µm: it closes up more than it opens. */
const CLOSES = 30;
const OPENS = 15;
/** What nothing speaks for is not left out: something may have gone wrong. */
const HARDLY = 1e-4;

/** It was so many µm last time: most likely near it. */
export const near = (last: number, limits: Limits): Likely => {
  const possible = anywhere(limits);
  return (um) => {
    const off = um - last;
    return possible(um) * (Math.exp(off <= 0 ? off / CLOSES : -off / OPENS) + HARDLY);
  };
};

/**
 * Which blade next, so that the verdict takes the fewest tries to be expected. Every order of asking is compared, from the
 * smallest bracket up.
 *
 * @param span what is known so far
 * @param blades of the set, µm, in any order
 * @param likely where it may be
 */
export function nextBlade(span: Span, limits: Limits, blades: readonly number[], likely: Likely): Next {
  const sure = verdict(span, limits);
  if (sure !== 'undecided') return { what: 'certain', verdict: sure };
  if (span.closed) return { what: 'borderline' };
  const between = [...new Set(blades)].filter((b) => b > span.from && b < span.to).sort((a, b) => a - b);
  // The ends of every bracket that can come of them.
  const ends = [span.from, ...between, span.to];
  const last = ends.length - 1;
  const up = Number.isFinite(span.to) ? span.to : Math.max(2 * limits.hi, (between.at(-1) ?? 0) + 1) + 1;
  const weight = ends.map((end, i) => {
    let sum = 0;
    for (let um = end; i < last && um < Math.min(ends[i + 1]!, up); um++) sum += likely(um);
    return sum;
  });
  const sums = [0];
  for (const w of weight) sums.push(sums.at(-1)! + w);
  const within = (i: number, j: number) => sums[j]! - sums[i]!;
  const memo = new Map<number, { cost: number; blade: number | null }>();
  const sureAt = (i: number, j: number) =>
    verdict({ from: ends[i]!, to: ends[j]!, closed: false }, limits) !== 'undecided';
  /** Whether any bracket between two ends brings a verdict: else no blade is worth asking for. */
  const decides = (i: number, j: number): boolean => {
    for (let k = i; k < j; k++) for (let l = k + 1; l <= j; l++) if (sureAt(k, l)) return true;
    return false;
  };
  /** Tries to be expected between two ends, weighed by how likely it lies there at all. */
  const best = (i: number, j: number): { cost: number; blade: number | null } => {
    const key = i * ends.length + j;
    const known = memo.get(key);
    if (known) return known;
    let found: { cost: number; blade: number | null } = { cost: 0, blade: null };
    if (!sureAt(i, j) && decides(i, j))
      for (let k = i + 1; k < j; k++) {
        const cost = within(i, j) + best(i, k).cost + best(k, j).cost;
        if (found.blade === null || cost < found.cost) found = { cost, blade: k };
      }
    memo.set(key, found);
    return found;
  };
  const { cost, blade } = best(0, last);
  if (blade === null) return { what: 'borderline' };
  const all = within(0, last);
  return { what: 'try', blade: ends[blade]!, expected: all > 0 ? cost / all : 1 };
}
