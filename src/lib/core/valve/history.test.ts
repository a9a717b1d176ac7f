import { describe, expect, it } from 'vitest';
import { pastChecks, type ShimRow } from './history';
import { isCold } from './cold';
import { NOTHING } from './check';
import type { Measured } from './clearance';
import { changeBy, readCount, toOrder } from './drawer';

const V = '1-inlet-left';
const shim = (stamp: number, at: number, more: Partial<ShimRow> = {}): ShimRow => ({
  valve: V,
  stamp,
  measured: null,
  why: 'read',
  checkId: null,
  at,
  ...more
});
const check = (id: string, at: number) => ({ id, day: '2026-05-01', hours: at, at });
const of = (checks: ReturnType<typeof check>[], shims: ShimRow[]) =>
  pastChecks(checks, [], shims).map((p) => [p.shims[V]?.stamp, p.fitted[V]?.stamp]);

describe('which shim sat there', () => {
  it('is the one before what a check fitted, and what it fitted last', () => {
    const shims = [
      shim(1850, 5),
      shim(1800, 10, { why: 'fitted', checkId: 'a' }),
      // Not right: another one.
      shim(1775, 11, { why: 'fitted', checkId: 'a' })
    ];
    expect(of([check('b', 20), check('a', 12)], shims)).toEqual([
      [1775, undefined],
      [1850, 1775]
    ]);
  });

  it('is the one that was read later, where nothing was fitted in between', () => {
    expect(of([check('a', 12)], [shim(1850, 30)])).toEqual([[1850, undefined]]);
    // Fitted later: what sat there before nobody knows.
    expect(of([check('a', 12)], [shim(1850, 30, { why: 'fitted', checkId: 'b' })])).toEqual([
      [undefined, undefined]
    ]);
    expect(of([check('a', 12)], [])).toEqual([[undefined, undefined]]);
    // Read anew by micrometer since: the same shim, known better.
    expect(of([check('a', 12)], [shim(1850, 5), shim(1850, 30, { measured: 1846 })])).toEqual([
      [1850, undefined]
    ]);
  });
});

describe('what was measured', () => {
  it('is the latest of a stage, and nothing where it was taken back', () => {
    const reading = (measured: Measured) => ({ checkId: 'a', valve: V, stage: 'left' as const, measured });
    const [first, nothing] = [{ by: 'reading', at: 120 } as const, NOTHING];
    const left = (...all: Measured[]) => pastChecks([check('a', 12)], all.map(reading), [])[0]!.left[V];
    expect(left(first)).toEqual(first);
    expect(left(first, nothing)).toBeUndefined();
    expect(left(first, nothing, { by: 'reading', at: 130 })).toEqual({ by: 'reading', at: 130 });
  });
});

describe('an engine', () => {
  it('is cold overnight, and not where nobody knows', () => {
    expect(isCold(0, 8 * 3_600_000, 8)).toBe(true);
    expect(isCold(0, 8 * 3_600_000 - 1, 8)).toBe(false);
    expect(isCold(null, 8 * 3_600_000, 8)).toBe(false);
  });
});

describe('a drawer', () => {
  it('is short of a size by all that lie there of it, measured or not', () => {
    const size = (stamp: number | null, measured: number | null, count: number, least: number) => ({
      across: 8000,
      stamp,
      measured,
      count,
      least
    });
    // Three of 1.775 wanted: one by its stamp, one that measures 1.771.
    expect(toOrder([size(1775, null, 1, 3), size(1775, 1771, 1, 3)])).toEqual([
      { across: 8000, stamp: 1775, missing: 1 }
    ]);
    expect(toOrder([size(1775, 1771, 1, 3)])).toEqual([{ across: 8000, stamp: 1775, missing: 2 }]);
    expect(toOrder([size(1775, null, 0, 2), size(1800, null, 5, 2), size(null, 1802, 1, 0)])).toEqual([
      { across: 8000, stamp: 1775, missing: 2 }
    ]);
    // Counted below nothing: none lie there.
    expect(toOrder([size(1775, null, -1, 2)])).toMatchObject([{ missing: 2 }]);
  });

  it('is counted as people write it', () => {
    expect(readCount('+2')).toEqual({ what: 'more', count: 2 });
    expect(readCount('−1')).toEqual({ what: 'less', count: 1 });
    expect(readCount(' 3 ')).toEqual({ what: 'is', count: 3 });
    expect(readCount('0')).toEqual({ what: 'is', count: 0 });
    for (const typed of ['', '+0', '-0', '1.5', '+', '501', 'two', '--1'])
      expect(readCount(typed)).toBeNull();
    expect(changeBy({ what: 'is', count: 3 }, 5)).toBe(-2);
    expect(changeBy({ what: 'less', count: 3 }, 2)).toBeNull();
  });
});
