import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/plan_shims.json';
import { planShims, type PlanInput, type PlanValve } from './plan';

const asInput = (c: (typeof cases)[number]): PlanInput => ({
  valves: c.valves,
  stock: c.stock as unknown as Record<number, number>,
  buyable: c.buyable,
  touch: c.touch as PlanInput['touch']
});

/** What a plan is worth by the wishes in their order, told from what it fits and not from what it says of itself. */
function worth(
  { valves, stock, buyable }: PlanInput,
  plan: ReturnType<typeof planShims>
): [number, number, number] {
  const by = new Map(valves.map((v) => [v.id, v]));
  const left = new Map(Object.entries(stock).map(([s, n]) => [Number(s), n]));
  const out = new Set(plan.fits.map((f) => f.id));
  const taken = new Set<string>();
  let [outOfSpec, bought, deviation] = [0, 0, 0];
  for (const f of plan.fits) {
    const v = by.get(f.id)!;
    if (f.from === 'bought') {
      expect(buyable).toContain(f.shim);
      bought += 1;
    } else if (f.from === 'drawer') {
      left.set(f.shim, left.get(f.shim)! - 1);
      expect(left.get(f.shim)).toBeGreaterThanOrEqual(0);
    } else {
      const of = f.of ?? f.id;
      expect(out.has(of) && !taken.has(of) && by.get(of)!.shim === f.shim).toBe(true);
      taken.add(of);
    }
    const clearance = v.measured + v.shim - f.shim;
    expect(f.predicted).toBe(clearance);
    if (clearance < v.lo || clearance > v.hi) outOfSpec += 1;
    deviation += Math.abs(clearance - v.target);
  }
  return [outOfSpec, bought, deviation];
}

/** The best of every way to fit them, each tried. */
function everyWay({ valves, stock, buyable, touch }: PlanInput): [number, number, number] {
  const open = valves.filter((v) => touch === 'all' || v.measured < v.lo || v.measured > v.hi);
  const pool: { size: number; count: number }[] = [];
  const add = (size: number, count: number) => {
    const there = pool.find((p) => p.size === size);
    if (there) there.count += count;
    else pool.push({ size, count });
  };
  for (const v of open) add(v.shim, 1);
  for (const [s, n] of Object.entries(stock)) add(Number(s), n);
  let best: [number, number, number] = [Infinity, Infinity, Infinity];
  const less = (a: readonly number[], b: readonly number[]) => {
    const i = a.findIndex((x, k) => x !== b[k]);
    return i >= 0 && a[i]! < b[i]!;
  };
  const go = (i: number, so: [number, number, number]) => {
    if (!less(so, best) && i < open.length && so[0] > best[0]) return;
    const v = open[i];
    if (!v) {
      if (less(so, best)) best = so;
      return;
    }
    const next = (shim: number, bought: number) => {
      const c = v.measured + v.shim - shim;
      go(i + 1, [so[0] + (c < v.lo || c > v.hi ? 1 : 0), so[1] + bought, so[2] + Math.abs(c - v.target)]);
    };
    for (const p of pool)
      if (p.count > 0) {
        p.count -= 1;
        next(p.size, 0);
        p.count += 1;
      }
    for (const b of buyable) next(b, 1);
  };
  go(0, [0, 0, 0]);
  return best;
}

const head = (most: number) =>
  fc
    .record({
      valves: fc.array(
        fc.record({
          measured: fc.integer({ min: 20, max: 300 }),
          shim: fc.integer({ min: 70, max: 90 }),
          side: fc.boolean()
        }),
        { minLength: 1, maxLength: most }
      ),
      stock: fc.dictionary(
        fc.integer({ min: 70, max: 90 }).map((n) => String(n * 25)),
        fc.integer({ min: 0, max: 2 }),
        { maxKeys: 4 }
      ),
      buyable: fc.uniqueArray(
        fc.integer({ min: 70, max: 90 }).map((n) => n * 25),
        { maxLength: 4 }
      ),
      touch: fc.constantFrom('all' as const, 'out-of-spec' as const),
      loose: fc.boolean()
    })
    .map(({ valves, stock, buyable, touch, loose }): PlanInput => ({
      valves: valves.map((v, i): PlanValve => {
        const [lo, hi] = v.side ? [110, 160] : [210, 260];
        return {
          id: `v${i}`,
          measured: v.measured,
          shim: v.shim * 25,
          lo,
          hi,
          target: loose ? hi - 10 : (lo + hi) / 2
        };
      }),
      stock: stock as unknown as Record<number, number>,
      buyable,
      touch
    }));

describe('the shim plan', () => {
  it.each(cases.map((c, i) => [i + 1, c] as const))('worked case %i', (_, c) => {
    const input = asInput(c);
    const plan = planShims(input);
    expect(plan).toMatchObject({
      outOfSpec: c.expect.out_of_spec,
      bought: c.expect.bought,
      deviation: c.expect.deviation
    });
    expect(worth(input, plan)).toEqual([c.expect.out_of_spec, c.expect.bought, c.expect.deviation]);
    expect(plan.untouched.toSorted()).toEqual(c.expect.untouched.toSorted());
  });

  it('is the best of every way to fit them, on two thousand heads', () => {
    fc.assert(
      fc.property(head(4), (input) => {
        const plan = planShims(input);
        const is = worth(input, plan);
        expect(is).toEqual([plan.outOfSpec, plan.bought, plan.deviation]);
        expect(is).toEqual(everyWay(input));
      }),
      { numRuns: 2000 }
    );
  });

  it('moves nothing that may as well stay, and says from where everything comes', () => {
    // Two alike: each keeps its own, though they could be swapped for nothing.
    const v = (id: string, measured: number, shim: number): PlanValve => ({
      id,
      measured,
      shim,
      lo: 110,
      hi: 160,
      target: 135
    });
    expect(
      planShims({
        valves: [v('L', 135, 1800), v('R', 135, 1800)],
        stock: { 1800: 4 },
        buyable: [1800],
        touch: 'all'
      }).fits.map((f) => f.from)
    ).toEqual(['itself', 'itself']);
    // L is 50 tight, R 50 loose: each wants the other's.
    const swap = planShims({
      valves: [v('L', 85, 1850), v('R', 185, 1800)],
      stock: {},
      buyable: [],
      touch: 'all'
    });
    expect(swap.fits).toEqual([
      { id: 'L', shim: 1800, predicted: 135, from: 'another valve', of: 'R' },
      { id: 'R', shim: 1850, predicted: 135, from: 'another valve', of: 'L' }
    ]);
    // Left alone, what is in its limits keeps its shim, and it goes nowhere.
    const alone = planShims({
      valves: [v('L', 85, 1850), v('R', 150, 1800)],
      stock: {},
      buyable: [],
      touch: 'out-of-spec'
    });
    expect(alone).toMatchObject({ untouched: ['R'], outOfSpec: 1, bought: 0 });
    expect(alone.fits[0]).toMatchObject({ id: 'L', shim: 1850, from: 'itself' });
  });

  it('has nothing to do where all is well or nothing is open', () => {
    expect(planShims({ valves: [], stock: {}, buyable: [], touch: 'all' })).toEqual({
      fits: [],
      untouched: [],
      outOfSpec: 0,
      bought: 0,
      deviation: 0
    });
    expect(() =>
      planShims({
        valves: Array.from({ length: 33 }, (_, i) => ({
          id: `${i}`,
          measured: 1,
          shim: 1800,
          lo: 110,
          hi: 160,
          target: 135
        })),
        stock: {},
        buyable: [],
        touch: 'all'
      })
    ).toThrow(RangeError);
  });
});
