import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { DAY, meter, outing, reading } from '../../../../tests/core/rows';
import { totalAt } from '../hours/series';
import type { Reading } from '../hours/running';
import { STRAINS } from '../outing/outing';
import cases from '../worked-cases/meter_total.json';
import { clockOf, isHours, paceOf, recentOf } from './clock';
import { steps, type BookMeter, type BookOuting, type BookRows, type Step } from './steps';

const end = Infinity;
const workOutBook = (meters: BookMeter[], readings: Reading[], outings: BookOuting[]) => {
  const all = steps({ meters, readings, outings });
  return {
    clock: clockOf(all),
    learned: paceOf(recentOf(all)),
    steps: all,
    total: all.at(-1)?.hours ?? null
  };
};

describe('a machine’s book', () => {
  it('stands where the worked cases say', () => {
    for (const c of cases as { readings: { value: number }[]; expect_total_h: number[] }[]) {
      if (c.readings.some((r) => Object.keys(r).length > 1)) continue;
      const book = workOutBook(
        [meter('m')],
        c.readings.map((r, i) => reading(`r${i}`, i, Math.round(r.value * 100))),
        []
      );
      expect(book.clock.hours.total.map((t) => t / 100)).toEqual(c.expect_total_h);
    }
  });
  it('gives what was ridden to the strains of the outing that brought it', () => {
    const { clock } = workOutBook(
      [meter('m')],
      [reading('begin', 0, 1000), reading('a', 1, 1200), reading('b', 2, 1500), reading('c', 3, 1600)],
      [outing('a', 1, { strains: ['mud'] }), outing('b', 2, { strains: ['mud', 'dust'] }), outing('c', 3)]
    );
    expect([totalAt(clock.strains.mud!, end), totalAt(clock.strains.dust!, end)]).toEqual([500, 300]);
    expect(totalAt(clock.strains.mud!, 1 * DAY)).toBe(200);
    expect(clock.strains.heat).toBeUndefined();
  });
  it('never counts the years before its first reading as an outing’s', () => {
    const { clock, learned } = workOutBook(
      [meter('m')],
      [reading('a', 1, 90_000), reading('b', 2, 90_100)],
      [outing('a', 1, { strains: ['sand'] }), outing('b', 2)]
    );
    expect(totalAt(clock.strains.sand!, end)).toBe(0);
    expect(learned.perOuting).toBeNull();
  });
  // 3 h of mud were written down, the meter shows that it was 2.
  it('puts hours under strain right when a true reading lies below the estimates before it', () => {
    const { clock, total } = workOutBook(
      [meter('m')],
      [reading('begin', 0, 1000), reading('a', 1, null, { ridden: 300 }), reading('b', 2, 1200)],
      [outing('a', 1, { strains: ['mud'] }), outing('b', 2, { strains: ['mud'] })]
    );
    expect(total).toBe(1200);
    expect(totalAt(clock.strains.mud!, end)).toBe(200);
  });
  it('counts outings and races, known hours or not', () => {
    const { clock } = workOutBook(
      [meter('m')],
      [reading('a', 1, 100)],
      [outing('a', 1), outing('x', 2, { kind: 'race' }), outing('y', 3, { kind: 'moto' })]
    );
    expect([totalAt(clock.outings, end), totalAt(clock.races, end), totalAt(clock.races, 2 * DAY)]).toEqual([
      3, 2, 1
    ]);
  });
  it('tells hours at planned events from the rest', () => {
    const { steps: all } = workOutBook(
      [meter('m')],
      [reading('begin', 0, 1000), reading('a', 1, 1200), reading('b', 2, 1500), reading('c', 3, 1600)],
      [outing('a', 1), outing('b', 2, { eventId: 'e' }), outing('c', 3)]
    );
    expect(all.filter(isHours).map((s) => s.planned)).toEqual([0, 0, 300, 300]);
  });
});

describe('distance', () => {
  const odometer = (more: Partial<BookMeter> = {}) => meter('o', { counts: 'distance', ...more });
  const km = (id: string, day: number, value: number) => reading(id, day, value * 100, { meterId: 'o' });
  it('is the odometer’s where one is fitted, whatever riders note', () => {
    const { clock } = workOutBook(
      [meter('m'), odometer()],
      [km('a', 1, 1000), km('b', 3, 1080)],
      [outing('x', 2, { distance: 9900 })]
    );
    expect([totalAt(clock.distance, 1 * DAY), totalAt(clock.distance, end)]).toEqual([100_000, 108_000]);
  });
  it('is the riders’ where none is, and goes on from the odometer when that has come off', () => {
    const noted = [outing('x', 2, { distance: 3000 }), outing('y', 5, { distance: 4000 })];
    expect(totalAt(workOutBook([meter('m')], [], noted).clock.distance, end)).toBe(7000);
    const off = odometer({ removedAt: 4 * DAY, lastValue: 110_000 });
    const { clock } = workOutBook([meter('m'), off], [km('a', 1, 1000)], noted);
    expect(totalAt(clock.distance, end)).toBe(114_000);
  });
  it('is not known where nobody ever noted one', () =>
    expect(
      totalAt(workOutBook([meter('m')], [reading('a', 1, 100)], [outing('a', 1)]).clock.distance, end)
    ).toBeNull());
});

/** Books as they may be: meters replaced and dead, readings late, struck and estimated, outings with and without hours. */
const aBook: fc.Arbitrary<BookRows> = fc
  .record({
    /** When the first came into the book, in days, and what it stood at then. */
    begun: fc.constantFrom(0, 0, 4),
    stated: fc.constantFrom(0, 500),
    swaps: fc.uniqueArray(fc.integer({ min: 5, max: 95 }), { maxLength: 3 }),
    unread: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
    dark: fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 20 }), fc.boolean()), {
      maxLength: 1
    }),
    odometer: fc.option(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 61, max: 99 })), {
      nil: null
    }),
    days: fc.array(
      fc.record({
        at: fc.integer({ min: 0, max: 100 }),
        more: fc.integer({ min: 0, max: 300 }),
        how: fc.constantFrom('meter', 'meter', 'meter', 'ridden', 'nothing', 'before the meter'),
        struck: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
        outing: fc.boolean(),
        race: fc.boolean(),
        event: fc.boolean(),
        distance: fc.option(fc.integer({ min: 1, max: 9000 }), { nil: null }),
        strains: fc.subarray([...STRAINS]),
        id: fc.uuid()
      }),
      { maxLength: 40 }
    )
  })
  .map(({ begun, stated, swaps, unread, dark, odometer, days }) => {
    const marks = [...swaps].sort((a, b) => a - b);
    const meters: BookMeter[] = [begun, ...marks].map((from, i) => ({
      id: `m${i}`,
      counts: 'hours',
      fittedAt: from * DAY,
      firstValue: i === 0 ? stated : i * 10,
      removedAt: marks[i] === undefined ? null : marks[i] * DAY,
      lastValue: marks[i] === undefined || unread[i] ? null : i * 10 + 2000,
      dead: dark.flatMap(([days, long, counted]) => {
        const at = (from + days) * DAY;
        return marks[i] !== undefined && at >= marks[i] * DAY
          ? []
          : [{ from: at, to: at + long * DAY, counted }];
      })
    }));
    if (odometer)
      meters.push({
        id: 'o',
        counts: 'distance',
        fittedAt: odometer[0] * DAY,
        firstValue: 500,
        removedAt: odometer[1] * DAY,
        lastValue: 90_000,
        dead: []
      });
    const readings: Reading[] = [];
    const outings: BookOuting[] = [];
    for (const d of days) {
      const at = d.at * DAY;
      const meter =
        d.how === 'before the meter'
          ? meters[0]!
          : (meters.filter((m) => m.counts === 'hours').findLast((m) => m.fittedAt <= at) ?? meters[0]!);
      if (d.how !== 'nothing')
        readings.push({
          id: d.id,
          meterId: meter.id,
          at,
          value: d.how === 'ridden' ? null : meter.firstValue + d.at * 20 + d.more,
          ridden: d.how === 'ridden' ? d.more : null,
          struck: d.struck
        });
      if (odometer && d.distance && d.at > odometer[0] && d.at < odometer[1] && !d.outing)
        readings.push({
          id: `${d.id}o`,
          meterId: 'o',
          at,
          value: 600 + d.at * 100,
          ridden: null,
          struck: d.struck
        });
      if (d.outing)
        outings.push({
          id: d.id,
          at,
          kind: d.race ? 'race' : 'ride',
          eventId: d.event ? 'e' : null,
          distance: d.distance,
          strains: d.strains
        });
    }
    return { meters, readings, outings };
  });

/** From where on steps have to be worked out again when something is written at `since`: as the server looks it up. */
const stale = (whole: readonly Step[], since: number) =>
  Math.min(
    since,
    ...whole.flatMap((s) => (s.at >= since && s.correctedFrom !== null ? [s.correctedFrom] : []))
  );

/** Works a book out again from `since` on, with the steps that stood before it was changed. */
function resumed(book: BookRows, stood: readonly Step[], since: number): Step[] {
  for (let from = stale(stood, since); ;) {
    const after = stood.findLast((s) => s.at < from) ?? null;
    if (!after) return steps(book);
    const tail = {
      meters: book.meters,
      readings: book.readings.filter((r) => r.at >= from),
      outings: book.outings.filter((o) => o.at >= from)
    };
    const rest = steps(tail, after, from);
    if ('backTo' in rest) from = rest.backTo;
    else return [...stood.filter((s) => s.at < from), ...rest];
  }
}

describe('a step is a checkpoint', () => {
  it('from any of them on, the rest is worked out as the whole was', () => {
    fc.assert(
      fc.property(aBook, fc.integer({ min: -1, max: 101 }), (book, day) => {
        const whole = steps(book);
        expect(resumed(book, whole, day * DAY)).toEqual(whole);
      }),
      { numRuns: 400 }
    );
  });
  it('what is written at a moment, late or struck out, is worked out from there as from the first line', () => {
    fc.assert(
      fc.property(
        aBook,
        aBook,
        fc.integer({ min: 0, max: 100 }),
        fc.boolean(),
        (book, other, day, strike) => {
          const since = day * DAY;
          const late = other.readings
            .filter((r) => r.at >= since && r.meterId === 'm0')
            .map((r) => ({ ...r, id: `${r.id}x` }));
          const readings = strike
            ? book.readings.map((r) => (r.at >= since ? { ...r, struck: !r.struck } : r))
            : [...book.readings, ...late];
          const changed = { ...book, readings };
          expect(resumed(changed, steps(book), since)).toEqual(steps(changed));
        }
      ),
      { numRuns: 400 }
    );
  });
  it('does not mind in which order the rows come', () => {
    fc.assert(
      fc.property(aBook, (book) => {
        const reversed = {
          meters: [...book.meters].reverse(),
          readings: [...book.readings].reverse(),
          outings: [...book.outings].reverse()
        };
        expect(steps(reversed)).toEqual(steps(book));
      }),
      { numRuns: 300 }
    );
  });
});
