import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { everyOrder, madeUp, madeUpApart, madeUpTurns } from '../../../../tests/core/every-order';
import { LoopError, OPENING_COSTS, orderWork, type Bench, type Op } from './order';

const op = (id: string, work: number, more: Partial<Op> = {}): Op => ({
  id,
  jobs: [id.split('-')[0]!],
  work,
  wait: 0,
  needs: [],
  during: [],
  engine: 'any',
  heats: false,
  behind: [],
  covered: [],
  ...more
});
const bench = (ops: Op[], more: Partial<Bench> = {}): Bench => ({
  ops,
  covers: [],
  apart: [],
  engine: 'cold',
  cool: 7200,
  ...more
});
const ids = (b: Bench) => orderWork(b).placed.map((p) => p.id);

describe('the order of a visit', () => {
  it('does something else while the oil drains', () => {
    const s = orderWork(
      bench([
        op('oil-out', 60, { wait: 600 }),
        op('oil-in', 120, { needs: ['oil-out'] }),
        op('chain', 300),
        op('air', 240)
      ])
    );
    expect(s.placed[0]!.id).toBe('oil-out');
    expect(s.elapsed).toBe(780);
    expect(s.attended).toBe(720);
    expect(s.bound).toBe(s.elapsed);
  });
  it('cold work first, then warm up, then the oil', () => {
    const order = ids(
      bench([
        op('oil', 60, { engine: 'warm', needs: ['warm'] }),
        op('warm', 60, { heats: true, wait: 240 }),
        op('valves', 1800, { engine: 'cold' }),
        op('chain', 300)
      ])
    );
    expect(order.indexOf('valves')).toBeLessThan(order.indexOf('warm'));
    expect(order.indexOf('warm')).toBeLessThan(order.indexOf('oil'));
    // The chain is done while the engine warms.
    expect(order.indexOf('chain')).toBeLessThan(order.indexOf('oil'));
  });
  it('one opening for everything behind a cover', () => {
    const s = orderWork(
      bench(
        [
          op('a', 60, { behind: ['skid'] }),
          op('b', 60),
          op('c', 60, { behind: ['skid'], engine: 'warm', needs: ['warm'] }),
          op('warm', 60, { heats: true })
        ],
        { covers: [{ id: 'skid', open: 120, close: 120, openNeeds: [], closeNeeds: ['b'] }] }
      )
    );
    const order = s.placed.map((p) => p.id);
    expect(order.filter((x) => x.startsWith('open:'))).toEqual(['open:skid']);
    expect(order.indexOf('open:skid')).toBeLessThan(order.indexOf('a'));
    expect(order.at(-1)).toBe('close:skid');
  });
  it('opens twice only where a ride in between wants the cover on', () => {
    const ride = op('warm-ride', 600, { heats: true, covered: ['seat'] });
    const covers = [{ id: 'seat', open: 60, close: 60, openNeeds: [], closeNeeds: [] }];
    const twice = orderWork(
      bench(
        [
          ride,
          op('valves', 900, { engine: 'cold', behind: ['seat'] }),
          op('oil', 60, { engine: 'warm', needs: ['warm-ride'], behind: ['seat'] })
        ],
        { covers }
      )
    );
    expect(twice.placed.map((p) => p.id)).toEqual([
      'open:seat',
      'valves',
      'close:seat',
      'warm-ride',
      'open:seat#2',
      'oil',
      'close:seat#2'
    ]);
    const once = orderWork(
      bench(
        [
          ride,
          op('air', 900, { behind: ['seat'] }),
          op('oil', 60, { engine: 'warm', needs: ['warm-ride'], behind: ['seat'] })
        ],
        { covers }
      )
    );
    expect(once.placed.filter((p) => p.id.startsWith('open:'))).toHaveLength(1);
  });
  it('takes a warm engine as it comes: the oil at once, the cold work when it has cooled', () => {
    const b = bench(
      [
        op('warm', 60, { heats: true, wait: 240 }),
        op('oil', 600, { engine: 'warm', needs: ['warm'] }),
        op('valves', 900, { engine: 'cold' })
      ],
      { engine: 'warm' }
    );
    const s = orderWork(b);
    expect(s.placed.map((p) => p.id)).toEqual(['oil', 'valves']);
    expect(s.elapsed).toBe(600 + 7200 + 900);
  });
  it('does not measure cold after a run that was put in between', () => {
    // The run is not needed for the valves, nor the valves for the run: it comes after them, or two hours of cooling do.
    const s = orderWork(
      bench([
        op('warm', 60, { heats: true }),
        op('oil', 60, { engine: 'warm', needs: ['warm'], wait: 1200 }),
        op('run', 60, { heats: true, needs: ['oil'] }),
        op('valves', 300, { engine: 'cold', needs: ['oil'] })
      ])
    );
    // 60 + 60, then either 1,200 of draining, the run and 7,200 of cooling, or 7,200 of cooling, the valves and the run.
    expect(s.placed.map((p) => p.id)).toEqual(['warm', 'oil', 'valves', 'run']);
    expect([s.elapsed, s.bound]).toEqual([120 + 7200 + 300 + 60, 7680]);
  });
  it('claims no more than it compared: two rides that could change places, a cover behind each', () => {
    const covers = [{ id: 'seat', open: 60, close: 60, openNeeds: [], closeNeeds: [] }];
    const ride = (id: string) => op(id, 600, { covered: ['seat'] });
    const s = orderWork(bench([ride('one'), ride('two'), op('a', 60, { behind: ['seat'] })], { covers }));
    expect(s.bound).toBeLessThanOrEqual(s.elapsed);
  });
  it('stays with a job where it costs nothing', () => {
    const order = ids(bench([op('a-1', 60), op('b-1', 60), op('a-2', 60), op('b-2', 60)]));
    expect(order).toEqual(['a-1', 'a-2', 'b-1', 'b-2']);
  });
  it('says which steps wait for one another in a circle', () => {
    const loop = bench([
      op('a', 1, { needs: ['c'] }),
      op('b', 1, { needs: ['a'] }),
      op('c', 1, { needs: ['b'] })
    ]);
    expect(() => orderWork(loop)).toThrow(LoopError);
    expect(() => orderWork(loop)).toThrow(/circle/);
  });
  it('has nothing to say about nothing', () => {
    expect(orderWork(bench([]))).toMatchObject({ placed: [], elapsed: 0, attended: 0, bound: 0 });
  });
});

describe('against every order there is', () => {
  it('proves a knot that only reading backwards undoes', () => {
    const s = orderWork(madeUp(192262, 7, [2, 5], 2));
    expect(s.elapsed).toBe(s.bound);
  });
  it('is as short as the shortest, and proves it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 2, max: 3 }),
        fc.integer({ min: 0, max: 1 }),
        (seed, jobs, covers) => {
          const b = madeUp(seed, jobs, [1, 2], covers);
          const found = orderWork(b);
          const openings = found.placed.filter((p) => p.id.startsWith('open:')).length;
          expect(found.elapsed + openings * OPENING_COSTS).toBe(everyOrder(b).cost);
          expect(found.bound).toBe(found.elapsed);
        }
      ),
      { numRuns: 150 }
    );
  });
  it('is as short as the shortest where the engine is cold and hot in turn, as it comes cold and as it comes warm', () => {
    for (const engine of ['cold', 'warm'] as const)
      fc.assert(
        fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
          const b = madeUpTurns(seed, engine);
          const { cost } = everyOrder(b);
          // Nothing in it warms what is done warm: there is nothing to hold it against.
          fc.pre(cost < Infinity);
          const found = orderWork(b);
          expect([found.elapsed, found.bound]).toEqual([cost, cost]);
        }),
        { numRuns: 300 }
      );
  });
  it('is as short as the shortest where things are opened that must be shut while it runs', () => {
    let two = 0;
    for (const engine of ['cold', 'warm'] as const)
      fc.assert(
        fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
          const b = madeUpApart(seed, engine);
          const { cost } = everyOrder(b);
          fc.pre(cost < Infinity);
          if (b.apart.length > 2) two++;
          const found = orderWork(b);
          expect([found.elapsed, found.bound]).toEqual([cost, cost]);
        }),
        { numRuns: 200 }
      );
    expect(two).toBeGreaterThan(20);
  });
  it('keeps every rule it was given', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 4, max: 12 }), (seed, jobs) => {
        const b = madeUp(seed, jobs, [2, 5], 2);
        const s = orderWork(b);
        const at = new Map(s.placed.map((p) => [p.id, p]));
        let t = 0;
        for (const p of s.placed) {
          expect(p.start).toBeGreaterThanOrEqual(t);
          t = p.end;
        }
        for (const o of b.ops) {
          const p = at.get(o.id);
          if (!p) continue;
          for (const n of o.needs) if (at.has(n)) expect(p.start).toBeGreaterThanOrEqual(at.get(n)!.over);
          for (const c of o.behind) {
            const inside = ['', '#2', '#3'].some(
              (k) =>
                at.has(`open:${c}${k}`) &&
                at.get(`open:${c}${k}`)!.end <= p.start &&
                at.get(`close:${c}${k}`)!.start >= p.end
            );
            expect(inside).toBe(true);
          }
        }
        const hot = b.ops.filter((o) => at.has(o.id) && (o.heats || o.engine === 'warm'));
        for (const c of b.ops.filter((o) => o.engine === 'cold')) {
          const p = at.get(c.id)!;
          for (const h of hot)
            if (at.get(h.id)!.end <= p.start)
              expect(p.start - at.get(h.id)!.end).toBeGreaterThanOrEqual(b.cool);
          if (b.engine === 'warm') expect(p.start).toBeGreaterThanOrEqual(b.cool);
        }
        expect(s.bound).toBeLessThanOrEqual(s.elapsed);
      }),
      { numRuns: 40 }
    );
  });
});
