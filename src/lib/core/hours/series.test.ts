import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countOf, runningHours, seriesOf } from '../../../../tests/core/running';
import type { Meter, Reading } from './running';
import { fittedSeries, reaches, totalAt, type Fitting, type Series } from './series';

const series = (...points: [at: number, total: number][]): Series => ({
  at: points.map((p) => p[0]),
  total: points.map((p) => p[1])
});

describe('a series', () => {
  const s = series([10, 100], [20, 250], [20, 260], [30, 400]);
  it.each([
    [5, 100],
    [10, 100],
    [19, 100],
    [20, 260],
    [29, 260],
    [1e15, 400]
  ])('stands still between its moments: at %i it is %i', (t, total) => expect(totalAt(s, t)).toBe(total));
  it('of nothing is not known', () => {
    expect(totalAt(series(), 5)).toBeNull();
    expect(reaches(series(), 5)).toBe(false);
    expect([reaches(s, 9), reaches(s, 10)]).toEqual([false, true]);
  });
  it('counts events from where the book begins', () => {
    const races = countOf([30, 10, 20], 5);
    expect([4, 9, 10, 25, 99].map((t) => totalAt(races, t))).toEqual([0, 0, 1, 2, 3]);
    expect(totalAt(countOf([], 5), 99)).toBe(0);
    expect(totalAt(countOf([3], 5), 99)).toBe(1);
  });
});

describe('a component', () => {
  const a = series([0, 1000], [10, 1500], [20, 2500], [30, 2600]);
  const b = series([0, 9000], [15, 9100], [25, 9400]);
  it('has what it brought along and the hours of every machine while fitted', () => {
    const engine = fittedSeries(
      300,
      [
        { host: a, from: 10, to: 20 },
        { host: b, from: 20, to: null }
      ],
      0
    );
    // 10 h on the first, between its readings of 15 and 25 h; then 3 h on the second.
    expect(totalAt(engine, 5)).toBe(300);
    expect(totalAt(engine, 20)).toBe(1300);
    expect(totalAt(engine, 99)).toBe(1600);
  });
  it('takes a reading at the moment of the swap to what comes off', () => {
    const off = fittedSeries(0, [{ host: a, from: 5, to: 20 }], 0);
    const on = fittedSeries(0, [{ host: a, from: 20, to: null }], 0);
    expect([totalAt(off, 99), totalAt(on, 99)]).toEqual([1500, 100]);
  });
  it('sits in an engine that moves, and goes along', () => {
    const engine = fittedSeries(
      0,
      [
        { host: a, from: 0, to: 20 },
        { host: b, from: 20, to: null }
      ],
      0
    );
    expect(totalAt(fittedSeries(50, [{ host: engine, from: 10, to: null }], 0), 99)).toBe(50 + 1000 + 300);
  });
  it('on the shelf stands still, and one fitted before the book began counts from its first reading', () => {
    expect(totalAt(fittedSeries(700, [], 3), 99)).toBe(700);
    expect(totalAt(fittedSeries(700, [{ host: a, from: -50, to: null }], 3), 99)).toBe(2300);
  });
  it('cannot be in two places at once', () =>
    expect(() =>
      fittedSeries(
        0,
        [
          { host: a, from: 0, to: 20 },
          { host: b, from: 10, to: null }
        ],
        0
      )
    ).toThrow(/overlap/));
});

describe('properties', () => {
  /** A machine's book: a meter read so many times, each later and higher. */
  const aMachine = fc
    .array(fc.record({ gap: fc.integer({ min: 1, max: 50 }), more: fc.integer({ min: 0, max: 900 }) }), {
      minLength: 1,
      maxLength: 12
    })
    .map((steps) => {
      let at = 0;
      let total = 0;
      return series(...steps.map((s): [number, number] => [(at += s.gap), (total += s.more)]));
    });
  const end = (s: Series) => totalAt(s, Infinity) ?? 0;

  it('swapping an engine there and back at one moment changes nothing', () => {
    fc.assert(
      fc.property(aMachine, aMachine, fc.integer({ min: -10, max: 700 }), (a, b, at) => {
        const stays: Fitting[] = [{ host: a, from: -100, to: null }];
        const swapped: Fitting[] = [
          { host: a, from: -100, to: at },
          { host: b, from: at, to: at },
          { host: a, from: at, to: null }
        ];
        expect(end(fittedSeries(0, swapped, 0))).toBe(end(fittedSeries(0, stays, 0)));
      })
    );
  });
  it('what two machines ran is what their two engines ran, however they were swapped', () => {
    fc.assert(
      fc.property(
        aMachine,
        aMachine,
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 1, max: 300 }),
        (a, b, first, gap) => {
          const [s, t] = [first, first + gap];
          const x = fittedSeries(
            0,
            [
              { host: a, from: -1, to: s },
              { host: b, from: s, to: t },
              { host: a, from: t, to: null }
            ],
            0
          );
          const y = fittedSeries(
            0,
            [
              { host: b, from: -1, to: s },
              { host: a, from: s, to: t },
              { host: b, from: t, to: null }
            ],
            0
          );
          expect(end(x) + end(y)).toBe(end(a) - a.total[0]! + (end(b) - b.total[0]!));
        }
      )
    );
  });

  const meter: Meter = { id: 'm', fittedAt: 0, firstValue: 0, removedAt: null, lastValue: null };
  const aBook = fc
    .array(
      fc.record({
        gap: fc.integer({ min: 1, max: 50 }),
        more: fc.integer({ min: 0, max: 900 }),
        struck: fc.boolean()
      }),
      { minLength: 1, maxLength: 12 }
    )
    .map((steps) => {
      let at = 0;
      let value = 0;
      return steps.map((s, i): Reading => ({
        id: `r${i}`,
        meterId: 'm',
        at: (at += s.gap),
        value: (value += s.more),
        ridden: null,
        struck: s.struck
      }));
    });
  it('adding a later reading never lowers running hours', () => {
    fc.assert(
      fc.property(aBook, fc.integer({ min: 0, max: 500 }), (book, more) => {
        const last = book.at(-1)!;
        const later: Reading = {
          ...last,
          id: 'z',
          at: last.at + 1,
          value: last.value! + more,
          struck: false
        };
        expect(runningHours([meter], [...book, later]).total!).toBeGreaterThanOrEqual(
          runningHours([meter], book).total ?? 0
        );
      })
    );
  });
  it('the order of entry does not matter, to the machine or to its engine', () => {
    fc.assert(
      fc.property(
        aBook.chain((book) =>
          fc.tuple(fc.constant(book), fc.shuffledSubarray(book, { minLength: book.length }))
        ),
        fc.integer({ min: 0, max: 300 }),
        ([book, shuffled], at) => {
          const engine = (readings: Reading[]) =>
            fittedSeries(0, [{ host: seriesOf(runningHours([meter], readings)), from: at, to: null }], 0);
          expect(end(engine(shuffled))).toBe(end(engine(book)));
        }
      )
    );
  });
  it('hours of a component over a fitting are never negative, wherever it begins and ends', () => {
    fc.assert(
      fc.property(
        aBook,
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 5000 }),
        (book, from, long, brought) => {
          const host = seriesOf(runningHours([meter], book));
          for (const to of [from + long, null]) {
            const mine = fittedSeries(brought, [{ host, from, to }], 0);
            expect(Math.min(...mine.total)).toBeGreaterThanOrEqual(brought);
            expect(mine.total).toEqual([...mine.total].sort((x, y) => x - y));
          }
        }
      )
    );
  });
  it('a reading struck out counts as if it had never been written', () => {
    fc.assert(
      fc.property(aBook, (book) => {
        const without = book.filter((r) => !r.struck);
        expect(seriesOf(runningHours([meter], book))).toEqual(seriesOf(runningHours([meter], without)));
      })
    );
  });
});
