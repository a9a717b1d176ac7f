import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysUntil, rateOfUse } from './rate';

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
    const rate = { perDay: 30, spreadPerRootDay: 20, days: 84 };
    const plain = daysUntil(900, rate);
    const busy = daysUntil(900, rate, [{ from: 5, to: 6, hours: 600 }]);
    expect(busy.late).toBeLessThan(plain.early);
    expect(busy.early).toBeGreaterThan(5);
    expect(daysUntil(900, rate, [{ from: 90, to: 91, hours: 600 }])).toEqual(plain);
  });
  it('names no date years away', () =>
    expect(daysUntil(1_000_000, { perDay: 1, spreadPerRootDay: 1, days: 84 }).late).toBe(Infinity));
});

describe('rate of use', () => {
  const steady = Array.from({ length: 13 }, (_, w) => ({ day: w * 7, total: w * 210 }));

  it('finds a steady rate, with no spread', () => {
    const rate = rateOfUse(steady, 84)!;
    expect(rate.perDay).toBeCloseTo(30, 9);
    expect(rate.spreadPerRootDay).toBeCloseTo(0, 9);
    // Ridden once a week, it may be half a week sooner or later even so.
    expect(daysUntil(300, rate)).toEqual({ early: 7, late: 14 });
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
    // 5 h: 3 h after ten days, 6 h after thirty; 6 h less 1.28 quarters of each may be 4.6, so it may take the third.
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
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.integer({ min: 1, max: 20_000 }),
        (perDay, spread, left) => {
          const { early, late } = daysUntil(left, { perDay, spreadPerRootDay: spread, days: 84 });
          expect(early).toBeLessThanOrEqual(Math.ceil(left / perDay + 1e-6));
          expect(late).toBeGreaterThanOrEqual(left / perDay - 1e-6);
          expect(
            daysUntil(left * 2, { perDay, spreadPerRootDay: spread, days: 84 }).early
          ).toBeGreaterThanOrEqual(early);
        }
      )
    );
  });
  it('what is due is due today', () =>
    expect(daysUntil(-5, rateOfUse(steady, 84)!)).toEqual({ early: 0, late: 0 }));
});
