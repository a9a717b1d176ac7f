import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/meter_total.json';
import { questionReading } from './doubt';
import { hoursOrRidden } from './form';
import { centihours, showHours } from './hours';
import { runningHours } from '../../../../tests/core/running';
import type { Meter, Reading } from './running';
import { doubtInWords } from './words';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

describe('showHours', () => {
  it.each([
    [3840, '38.4'],
    [25, '0.25'],
    [-130, '-1.3'],
    [0, '0.0'],
    [100, '1.0'],
    [-5, '-0.05'],
    [123456, '1234.56']
  ])('%i reads %s', (c, text) => expect(showHours(c)).toBe(text));
  it('never drifts: a meter in tenths comes back as written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99999 }), (tenths) => {
        expect(Number(showHours(centihours(tenths / 10)))).toBe(tenths / 10);
      })
    );
  });
});

/** Turns a worked case (values and swaps in order) into a book of meters and readings. */
function book(rows: { value?: number; replaced?: boolean; old_final?: number; new_start?: number }[]): {
  meters: Meter[];
  readings: Reading[];
} {
  const meters: Meter[] = [{ id: 'm0', fittedAt: 0, firstValue: 0, removedAt: null, lastValue: null }];
  const readings: Reading[] = [];
  rows.forEach((row, i) => {
    const at = (i + 1) * DAY;
    const current = meters.at(-1)!;
    if (row.replaced) {
      current.removedAt = at;
      current.lastValue = centihours(row.old_final!);
      meters.push({
        id: `m${meters.length}`,
        fittedAt: at,
        firstValue: centihours(row.new_start!),
        removedAt: null,
        lastValue: null
      });
    } else {
      readings.push({
        id: `r${String(i).padStart(4, '0')}`,
        meterId: current.id,
        at,
        value: centihours(row.value!),
        ridden: null,
        struck: false
      });
    }
  });
  return { meters, readings };
}

describe('runningHours', () => {
  it.each(cases.map((c, i) => [i, c] as const))('worked case %i', (_, { readings: rows, expect_total_h }) => {
    for (let n = 1; n <= rows.length; n++) {
      const { meters, readings } = book(rows.slice(0, n));
      expect(runningHours(meters, readings).total).toBe(centihours(expect_total_h[n - 1]!));
    }
  });

  const meter: Meter = { id: 'a', fittedAt: 0, firstValue: 0, removedAt: null, lastValue: null };
  const read = (id: string, at: number, value: number | null, ridden: number | null = null): Reading => ({
    id,
    meterId: 'a',
    at,
    value,
    ridden,
    struck: false
  });

  it('says unknown, not zero, when nothing was ever read', () => {
    expect(runningHours([meter], []).total).toBeNull();
    expect(runningHours([], []).total).toBeNull();
  });

  // 10.0, then 1.5 and 2.0 ridden: the meter shows 13.0, so 3.0 of 3.5 were ridden, 1.29 of the first 1.5.
  it('adds hours ridden as estimates until a true reading takes their place, and puts them right', () => {
    const { points } = runningHours(
      [meter],
      [read('1', 1, 1000), read('2', 2, null, 150), read('3', 3, null, 200), read('4', 4, 1300)]
    );
    expect(points.map((p) => [p.total, p.estimated])).toEqual([
      [1000, false],
      [1129, true],
      [1300, true],
      [1300, false]
    ]);
  });

  it('passes over what was struck out', () => {
    const wrong = { ...read('2', 2, 9000), struck: true };
    expect(runningHours([meter], [read('1', 1, 1000), wrong]).total).toBe(1000);
  });

  it('goes on from the last point when the old meter could not be read', () => {
    const dead = { ...meter, removedAt: 5, lastValue: null };
    const fresh: Meter = { id: 'b', fittedAt: 5, firstValue: 20, removedAt: null, lastValue: null };
    const next: Reading = { ...read('9', 6, 120), meterId: 'b' };
    expect(runningHours([dead, fresh], [read('1', 1, 1000), next]).total).toBe(1100);
  });

  it('refuses a reading of somebody else’s meter', () => {
    expect(() => runningHours([meter], [{ ...read('1', 1, 5), meterId: 'z' }])).toThrow(RangeError);
  });

  it('does not care in which order the book was filled', () => {
    const points = fc.array(
      fc.record({
        at: fc.integer({ min: 1, max: 50 }),
        n: fc.integer({ min: 0, max: 5000 }),
        ridden: fc.boolean()
      }),
      { maxLength: 12 }
    );
    fc.assert(
      fc.property(points, fc.infiniteStream(fc.nat()), (rows, chance) => {
        const readings = rows.map((r, i) =>
          read(`r${i}`, r.at, r.ridden ? null : r.n, r.ridden ? r.n : null)
        );
        const shuffled = readings
          .map((r) => ({ r, k: chance.next().value }))
          .sort((a, b) => a.k - b.k)
          .map((x) => x.r);
        expect(runningHours([meter], shuffled)).toEqual(runningHours([meter], readings));
      })
    );
  });

  it('a later true reading never lowers running hours, over any swaps of meter', () => {
    const steps = fc.array(
      fc.record({
        more: fc.integer({ min: 0, max: 900 }),
        swapTo: fc.option(fc.integer({ min: 0, max: 90_000 }))
      }),
      { maxLength: 20 }
    );
    fc.assert(
      fc.property(steps, (list) => {
        const rows: Parameters<typeof book>[0] = [];
        let shown = 0;
        for (const s of list) {
          shown += s.more;
          if (s.swapTo === null) rows.push({ value: shown / 100 });
          else {
            rows.push({ replaced: true, old_final: shown / 100, new_start: s.swapTo / 100 });
            shown = s.swapTo;
          }
        }
        const { meters, readings } = book(rows);
        const totals = runningHours(meters, readings).points.map((p) => p.total);
        expect(totals).toEqual([...totals].sort((a, b) => a - b));
        expect(runningHours(meters, readings).total ?? 0).toBe(list.reduce((sum, s) => sum + s.more, 0));
      })
    );
  });
});

describe('questionReading', () => {
  const rate = { perDay: 30, spreadPerRootDay: 40, days: 84 };
  const last = { value: 3840, at: 0 };
  const ask = (value: number, at: number, more = {}) =>
    questionReading(value, at, { last, rate, now: at, ...more });

  it('takes an ordinary reading silently', () => expect(ask(4010, 3 * DAY)).toEqual([]));
  it('takes the very first reading silently', () => expect(ask(999900, DAY, { last: null })).toEqual([]));
  it('questions a lower one, and offers what may have happened', () => {
    expect(ask(3480, DAY)).toMatchObject([
      { kind: 'lower than the last', settlements: ['earlier one was wrong', 'meter was replaced'] }
    ]);
  });
  it('refuses one ahead of the clock', () => {
    expect(ask(3900, 2 * DAY, { now: DAY })).toMatchObject([{ kind: 'ahead of the clock', settlements: [] }]);
  });
  it('questions more hours than have gone by', () => {
    expect(ask(3840 + 500, 2 * HOUR).map((d) => d.kind)).toContain('more than the clock');
  });
  it('names the slip that would make it fit', () => {
    const [first] = ask(39_200, DAY);
    expect(first).toMatchObject({ kind: 'unit slip', slip: 'decimal sign', would: 3920 });
    expect(doubtInWords(first!)).toBe('Was the decimal sign left out? 39.2 h would fit.');
    expect(ask(392_000, DAY)[0]).toMatchObject({ kind: 'unit slip', would: 3920 });
    // 39.2 h are 2352 minutes.
    expect(ask(235_200, DAY)[0]).toMatchObject({ kind: 'unit slip', slip: 'minutes', would: 3920 });
  });
  it('questions a jump far past the usual rate, though the clock would allow it', () => {
    expect(ask(3840 + 4500, 14 * DAY).map((d) => d.kind)).toEqual(['unusual jump']);
  });
  it('does not question a long day without history to judge it by', () =>
    expect(ask(3840 + 700, DAY, { rate: null })).toEqual([]));
  it('refuses a late entry above the one that follows it', () => {
    expect(ask(3900, DAY, { next: { value: 3880, at: 2 * DAY } })).toMatchObject([
      { kind: 'higher than the next', settlements: [] }
    ]);
  });
  it('gives a day’s grace where only the day is known', () => {
    expect(ask(3840 + 500, 2 * HOUR, { dayOnly: true })).toEqual([]);
    expect(ask(3840 + 3000, 2 * HOUR, { dayOnly: true }).map((d) => d.kind)).toContain('more than the clock');
  });
  it('judges a late entry only against the clock', () => expect(ask(100, -DAY, { now: 0 })).toEqual([]));
});

describe('hours as people type them', () => {
  it.each([
    ["+20'", { as: 'ridden', value: 33 }],
    ['+2h30', { as: 'ridden', value: 250 }],
    ['+45 min', { as: 'ridden', value: 75 }],
    ['38,4', { as: 'meter', value: 3840 }],
    ['1:30', { as: 'meter', value: 150 }],
    ['~', { as: 'estimate' }],
    ['', { as: 'nothing' }]
  ])('%j is %j', (typed, said) => expect(hoursOrRidden.parse(typed)).toEqual(said));
  it.each(["2'30", "+2'30", '1,2.5', '35/45', '10²', '++2', '2h75'])('%j is none', (typed) =>
    expect(hoursOrRidden.safeParse(typed).success).toBe(false)
  );
});
