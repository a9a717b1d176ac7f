import { describe, expect, it } from 'vitest';
import { estimateHours, learn, NOTHING_LEARNED, oddPace, type PastOuting } from './learned';
import { daysUntil, median, rateOfUse, theilSen } from './rate';

const outing = (hours: number | null, km: number | null = null, race = false): PastOuting => ({
  hours: hours === null ? null : hours * 100,
  distance: km === null ? null : km * 100,
  race
});

describe('a machine’s own pace', () => {
  const season = [
    outing(2, 40),
    outing(1, 18),
    outing(1.5, 30),
    outing(3, null, true),
    outing(2.6, null, true),
    outing(9, null, true),
    outing(null, 50)
  ];
  it('is the middle of what its outings say', () => {
    expect(learn(season)).toEqual({ speed: 2000, perRace: 300, perOuting: 230 });
  });
  it('is not learned from two outings, nor from those without hours', () => {
    expect(learn([outing(2, 40), outing(2, 40), outing(null, 40)])).toEqual(NOTHING_LEARNED);
    expect(learn([outing(0, 40), outing(0, 40), outing(0, 40)])).toEqual(NOTHING_LEARNED);
  });
  it('estimates hours from the distance first, then from a usual race or outing', () => {
    const learned = learn(season);
    expect(estimateHours({ distance: 3400, race: true }, learned)).toMatchObject({
      hours: 170,
      from: 'distance'
    });
    expect(estimateHours({ distance: 3400, race: true }, learned)!.words).toBe(
      'about 1.7 h: 34 km at its usual 20 km/h'
    );
    expect(estimateHours({ distance: null, race: true }, learned)).toMatchObject({
      hours: 300,
      from: 'hours per race'
    });
    expect(estimateHours({ distance: null, race: false }, learned)).toMatchObject({
      hours: 230,
      from: 'a usual outing'
    });
    expect(estimateHours({ distance: 3400, race: false }, NOTHING_LEARNED)).toBeNull();
  });
  it('questions a distance that does not fit the hours', () => {
    expect(oddPace(200, 4000, { speed: 2000 })).toBeNull();
    expect(oddPace(200, 40_000, { speed: 2000 })).toMatch(
      /200 km\/h; this machine usually does about 20 km\/h/
    );
    expect(oddPace(200, 400, { speed: 2000 })).toMatch(/2 km\/h/);
    expect(oddPace(10, 5000, { speed: null })).toMatch(/500 km\/h. Is the decimal sign right/);
    for (const [h, d] of [
      [null, 4000],
      [200, null],
      [0, 4000]
    ] as const)
      expect(oddPace(h, d, { speed: 2000 })).toBeNull();
  });
});

describe('a robust rate', () => {
  it('is the median of slopes, and the middle of a list', () => {
    expect(
      theilSen([
        { x: 0, y: 0 },
        { x: 1, y: 2 },
        { x: 2, y: 4 },
        { x: 3, y: 90 }
      ])
    ).toBe(16);
    expect(
      theilSen([
        { x: 0, y: 1 },
        { x: 1, y: 3 },
        { x: 2, y: 5 }
      ])
    ).toBe(2);
    expect(
      theilSen([
        { x: 1, y: 1 },
        { x: 1, y: 9 }
      ])
    ).toBeNull();
    expect([median([3, 1, 2]), median([4, 1, 2, 3])]).toEqual([2, 2.5]);
    expect(() => median([])).toThrow(RangeError);
  });
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
