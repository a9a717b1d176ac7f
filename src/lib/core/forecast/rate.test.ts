import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rateOfUse, type RateOfUse } from './rate';
import { daysUntil } from './until';

/** Ridden once a week for twelve weeks. */
const weekly = (perDay: number, spreadPerRootDay: number): RateOfUse => ({
  perDay,
  spreadPerRootDay,
  days: 84,
  rides: 12,
  lump: 7 * perDay,
  season: null
});
const UNREAD = 0.15;

describe('a rate that nothing single bends', () => {
  const weeks = Array.from({ length: 13 }, (_, w) => ({ day: w * 7, total: w * 210 }));
  it('is not bent by one wild week', () => {
    const wild = weeks.map((p) => ({ ...p, total: p.total + (p.day > 40 ? 2000 : 0) }));
    expect(rateOfUse(wild, 84)!.perDay).toBeLessThan(75);
    expect(rateOfUse(wild, 84)!.perDay).toBeGreaterThanOrEqual(30);
  });
  it('leaves what was ridden at planned events to the calendar', () => {
    const withRaces = weeks.map((p, i) => ({ ...p, total: p.total + i * 300, planned: i * 300 }));
    expect(rateOfUse(withRaces, 84)!.perDay).toBeCloseTo(30, 9);
  });
  it('a planned weekend brings the date forward, and widens the range', () => {
    const rate = weekly(30, 20);
    const plain = daysUntil(900, rate);
    const busy = daysUntil(900, rate, [{ from: 5, to: 6, hours: 600 }]);
    expect(busy.late).toBeLessThan(plain.early);
    expect(busy.early).toBeGreaterThan(5);
    expect(daysUntil(900, rate, [{ from: 90, to: 91, hours: 600 }])).toEqual(plain);
  });
  it('names no date years away', () => expect(daysUntil(1_000_000, weekly(1, 1)).late).toBe(Infinity));
});

describe('rate of use', () => {
  const steady = Array.from({ length: 13 }, (_, w) => ({ day: w * 7, total: w * 210 }));

  it('finds a steady rate, in lumps of a week, with half a ride of chance', () => {
    const rate = rateOfUse(steady, 84)!;
    expect(rate).toMatchObject({ days: 84, rides: 12, lump: 210, season: null });
    expect(rate.perDay).toBeCloseTo(30, 9);
    // Twelve rides that do not stray, and half a one of 30 x 210 a day.
    expect(rate.spreadPerRootDay ** 2).toBeCloseTo((30 * 210 * 0.5) / 12.5, 6);
    // Ten days at that rate; ridden once a week, it may be half a week sooner or later even so.
    expect(daysUntil(300, rate)).toEqual({ early: 6, late: 14 });
  });
  it('takes a weekend for one ride, and every day of a daily rider for one', () => {
    const days = (list: number[]) => [0, ...list].map((day, i) => ({ day, total: i * 100 }));
    const weekends = rateOfUse(days([6, 7, 13, 14, 20, 21, 27, 28, 34, 35]), 35)!;
    expect(weekends).toMatchObject({ rides: 5, lump: 200 });
    const daily = rateOfUse(days(Array.from({ length: 35 }, (_, i) => i + 1)), 35)!;
    expect(daily).toMatchObject({ rides: 35, lump: 100 });
  });
  it('is not fooled by straight lines: the same hours in fewer, longer rides have the wider range', () => {
    const every = (days: number) =>
      Array.from({ length: 84 / days + 1 }, (_, i) => ({ day: i * days, total: i * days * 30 }));
    const width = (days: number) => {
      const { early, late } = daysUntil(900, rateOfUse(every(days), 84)!);
      return late - early;
    };
    expect(width(7)).toBeGreaterThan(width(2));
    expect(width(14)).toBeGreaterThan(width(7));
  });
  it('stood longer than usual since the last ride: that is a chance too', () => {
    // Ridden weekly, then not for five weeks.
    const stood = rateOfUse(steady.slice(0, 8), 84)!;
    expect(stood.perDay).toBeCloseTo((7 * 210) / 84, 9);
    expect(stood.spreadPerRootDay).toBeGreaterThan(2 * rateOfUse(steady, 84)!.spreadPerRootDay);
  });
  it('says too little history plainly', () => {
    expect(rateOfUse(steady.slice(0, 3), 14)).toBeNull();
    expect(rateOfUse([], 84)).toBeNull();
    expect(
      rateOfUse(
        [
          { day: 0, total: 0 },
          { day: 84, total: 100 }
        ],
        84
      )
    ).toBeNull();
  });
  it('knows nothing of a machine that stood still', () => {
    expect(
      rateOfUse(
        Array.from({ length: 8 }, (_, i) => ({ day: i * 10, total: 500 })),
        80
      )
    ).toBeNull();
  });
  it('is nothing for a machine that only races, whose hours the calendar then foretells', () => {
    // Every other week a race of 3 h that was planned, and not an hour besides.
    const races = Array.from({ length: 7 }, (_, i) => ({ day: i * 14, total: i * 300, planned: i * 300 }));
    const rate = rateOfUse(races, 84)!;
    expect(rate).toMatchObject({ perDay: 0, spreadPerRootDay: 0 });
    const next = [10, 30, 50].map((from) => ({ from, to: from, hours: 300 }));
    // 5 h: 3 h after ten days, 6 h after thirty; 6 h less 1.28 fifths of each is 4.9, so it may take the third.
    expect(daysUntil(500, rate, next)).toEqual({ early: 30, late: 50 });
    expect(daysUntil(500, rate).late).toBe(Infinity);
  });
  it('is the mean where most weeks saw no use', () => {
    // Read every week, ridden for 3 h in the last of twelve.
    const once = Array.from({ length: 13 }, (_, w) => ({ day: w * 7, total: w < 12 ? 500 : 800 }));
    expect(rateOfUse(once, 84)!.perDay).toBeCloseTo(300 / 84, 9);
  });
  it('looks at the last twelve weeks, not at last year', () => {
    const busyOnce = [
      { day: -400, total: 0 },
      { day: -300, total: 90_000 },
      ...steady.map((p) => ({ day: p.day, total: p.total + 90_000 }))
    ];
    expect(rateOfUse(busyOnce, 84)!.perDay).toBeCloseTo(30, 9);
  });
  it('the range holds the plain answer, widens with spread, and grows with the hours', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        // From rides that never stray to rides by pure chance.
        fc.double({ min: 0, max: Math.sqrt(7), noNaN: true }),
        fc.integer({ min: 1, max: 20_000 }),
        (perDay, spread, left) => {
          const rate = weekly(perDay, spread * perDay);
          const { early, late } = daysUntil(left, rate);
          // To the middle of a day, and a ride in seven that is not read yet.
          expect(early).toBeLessThanOrEqual(Math.ceil(left / perDay + 0.5));
          expect(late).toBeGreaterThanOrEqual((left - UNREAD * rate.lump) / perDay - 0.5 - 1e-6);
          expect(daysUntil(left * 2, rate).early).toBeGreaterThanOrEqual(early);
        }
      )
    );
  });
  it('what is due is due today', () =>
    expect(daysUntil(-5, rateOfUse(steady, 84)!)).toEqual({ early: 0, late: 0 }));
});
