import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DAY, meter, reading } from '../../../../tests/core/rows';
import type { Reading } from '../hours/running';
import { isHours } from './clock';
import { EVER, steps, type BookMeter } from './steps';

describe('time ridden', () => {
  const ridden = (id: string, day: number, hours: number, meterId = 'm') =>
    reading(id, day, null, { ridden: hours, meterId });
  const totals = (rows: BookMeter[], readings: Reading[]) =>
    steps({ meters: rows, readings, outings: [] })
      .filter(isHours)
      .map((s) => s.hours);
  const dead = (from: number, to: number | null, counted = false) => ({
    from: from * DAY,
    to: to === null ? null : to * DAY,
    counted
  });

  // 38.4 when it went dark, 3 x 2 h ridden, 38.9 once it read again: 38.4 + 6.0 + 0.5.
  it('on a dead meter stays when the meter reads again', () => {
    const rides = [ridden('b', 2, 200), ridden('c', 3, 200), ridden('d', 4, 200)];
    const book = [reading('a', 0, 3840), ...rides, reading('e', 6, 3890)];
    expect(totals([meter('m', { dead: [dead(1, 5)] })], book)).toEqual([3840, 4040, 4240, 4440, 4490]);
    // It had gone on counting in the dark: what it shows is what was ridden, 0.5 h of the 6.
    expect(totals([meter('m', { dead: [dead(1, 5, true)] })], book)).toEqual([3840, 3857, 3873, 3890, 3890]);
  });
  it('on a dead meter stays when that is replaced, read or unread', () => {
    const fresh = meter('n', { fittedAt: 5 * DAY, firstValue: 20 });
    for (const lastValue of [null, 3840]) {
      const old = meter('m', { dead: [dead(1, 5)], removedAt: 5 * DAY, lastValue });
      const book = [reading('a', 0, 3840), ridden('b', 2, 600), reading('e', 6, 120, { meterId: 'n' })];
      expect(totals([old, fresh], book).at(-1)).toBe(4540);
    }
  });
  // 10.0; a chain is fitted after 3 h ridden, 2 h more follow; the meter shows 13.0: 3 of 5 h, so the chain has 1.2.
  it('that was too much is put right for what was fitted meanwhile', () => {
    const book = [reading('a', 0, 1000), ridden('b', 1, 300), ridden('c', 2, 200), reading('d', 3, 1300)];
    expect(totals([meter('m')], book)).toEqual([1000, 1180, 1300, 1300]);
  });
  it('before the first reading of a book is put right too', () =>
    expect(totals([meter('m')], [ridden('a', 1, 300), reading('b', 2, 150)])).toEqual([150, 150]));
  // 30.2 h stated on day 10, with no meter to read: 2 h and 3 h that were ridden before are in them, 1 h after comes on top.
  it('before the hours of a machine were stated is in them', () => {
    const stated = meter('m', { fittedAt: 10 * DAY, firstValue: 3020 });
    const after = [ridden('d', 10, 0), ridden('e', 12, 100)];
    expect(totals([stated], after)).toEqual([3020, 3120]);
    const book = [ridden('a', 3, 200), ridden('b', 7, 300), ...after];
    expect(totals([stated], book)).toEqual([2720, 3020, 3020, 3120]);
    // Written down later, one by one, the book comes to the same.
    const rows = { meters: [stated], readings: book, outings: [] };
    expect(steps(rows, steps(rows)[0]!, 7 * DAY)).toEqual({ backTo: EVER });
    const stood = steps(rows).findLast((s) => s.at < 12 * DAY)!;
    expect(steps({ ...rows, readings: after.slice(1) }, stood, 12 * DAY)).toEqual(steps(rows).slice(-1));
    // More than was stated: what was written down ride by ride is counted.
    expect(totals([stated], [ridden('a', 3, 2400), ridden('b', 7, 1000), ...after]).at(-1)).toBe(3500);
  });
  it('leaves what was ridden on a dead meter alone when the rest is put right', () => {
    const book = [reading('a', 0, 1000), ridden('b', 1, 200), ridden('c', 3, 600), reading('d', 5, 1100)];
    // 2 h before it went dark, of which the meter counted 1; 6 h in the dark.
    expect(totals([meter('m', { dead: [dead(2, 4)] })], book)).toEqual([1000, 1100, 1700, 1700]);
  });

  it('never lets running hours fall, whatever the meter then shows, and a chain never counts below zero', () => {
    const rides = fc.array(
      fc.record({
        meter: fc.integer({ min: 0, max: 200 }),
        ridden: fc.option(fc.integer({ min: 0, max: 400 }), { nil: null })
      }),
      { minLength: 1, maxLength: 25 }
    );
    fc.assert(
      fc.property(rides, fc.integer({ min: 0, max: 25 }), (list, fitted) => {
        let shown = 1000;
        const book = list.map((r, i) => {
          shown += r.meter;
          return r.ridden === null
            ? reading(`r${String(i).padStart(2, '0')}`, i, shown)
            : ridden(`r${String(i).padStart(2, '0')}`, i, r.ridden);
        });
        const all = totals([meter('m', { firstValue: 1000 })], book) as number[];
        expect(all).toEqual([...all].sort((a, b) => a - b));
        expect(all.at(-1)! - all[Math.min(fitted, all.length - 1)]!).toBeGreaterThanOrEqual(0);
      })
    );
  });
});
