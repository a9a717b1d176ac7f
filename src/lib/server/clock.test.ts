import { describe, expect, it } from 'vitest';
import { totalAt } from '../core/hours/series';
import type { Reading } from '../core/hours/running';
import cases from '../core/worked-cases/meter_total.json';
import { workOutBook, type BookMeter } from './clock';

const DAY = 86_400_000;
const meter = (id: string, more: Partial<BookMeter> = {}): BookMeter => ({
  id,
  counts: 'hours',
  fittedAt: 0,
  firstValue: 0,
  removedAt: null,
  lastValue: null,
  ...more
});
const reading = (id: string, day: number, value: number | null, more: Partial<Reading> = {}): Reading => ({
  id,
  meterId: 'm',
  at: day * DAY,
  value,
  ridden: value === null ? 100 : null,
  struck: false,
  ...more
});
const outing = (id: string, day: number, more: Partial<Parameters<typeof workOutBook>[2][number]> = {}) => ({
  id,
  at: day * DAY,
  kind: 'ride',
  eventId: null,
  distance: null,
  strains: [],
  ...more
});
const end = Infinity;

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
  it('takes no strain back when a true reading lies below the estimates before it', () => {
    const { clock, running } = workOutBook(
      [meter('m')],
      [reading('begin', 0, 1000), reading('a', 1, null, { ridden: 300 }), reading('b', 2, 1200)],
      [outing('a', 1, { strains: ['mud'] }), outing('b', 2, { strains: ['mud'] })]
    );
    expect(running.total).toBe(1200);
    expect(totalAt(clock.strains.mud!, end)).toBe(300);
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
    const { atEvents } = workOutBook(
      [meter('m')],
      [reading('begin', 0, 1000), reading('a', 1, 1200), reading('b', 2, 1500), reading('c', 3, 1600)],
      [outing('a', 1), outing('b', 2, { eventId: 'e' }), outing('c', 3)]
    );
    expect(atEvents).toEqual([0, 0, 300, 300]);
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
