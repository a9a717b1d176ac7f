import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/valve_wear.json';
import { alarmsOf, hasDoubled, nextWithin, reachesLimit, wearOf, type Check } from './wear';

const checksOf = (c: (typeof cases)[number]): Check[] =>
  c.history.map((h) => {
    const { shim_after: shimAfter, ...rest } = h as typeof h & { shim_after?: number };
    return { ...rest, ...(shimAfter !== undefined && { shimAfter }) };
  });

describe('how a valve wears', () => {
  it.each(cases.map((c, i) => [i + 1, c] as const))('worked case %i', (_, c) => {
    const { rate, left } = wearOf(checksOf(c), c.lo_um);
    expect(rate).toBeCloseTo(c.expect_rate_um_per_h, 9);
    expect(left).toBeCloseTo(c.expect_hours_left, 6);
  });

  it('is not known from one check, and has no end where it does not close up', () => {
    expect(wearOf([], 110)).toEqual({ rate: null, left: null });
    expect(wearOf([{ hours: 10, clearance: 130, shim: 1800 }], 110)).toEqual({ rate: null, left: null });
    const opens = [
      { hours: 10, clearance: 130, shim: 1800 },
      { hours: 30, clearance: 140, shim: 1800 }
    ];
    expect(wearOf(opens, 110)).toEqual({ rate: 0.5, left: null });
  });

  it('is over where it has been reached already', () => {
    const closed = [
      { hours: 10, clearance: 130, shim: 1800 },
      { hours: 30, clearance: 100, shim: 1800 }
    ];
    expect(wearOf(closed, 110).left).toBe(0);
  });

  it('is told across a shim: another shim alone is no wear', () => {
    const shimmed = [
      { hours: 10, clearance: 120, shim: 1850 },
      { hours: 20, clearance: 110, shim: 1850, after: 160, shimAfter: 1800 },
      { hours: 30, clearance: 150, shim: 1800 }
    ];
    // 1970, 1960, 1950: one µm an hour throughout; 150 − 110 = 40 h.
    expect(wearOf(shimmed, 110)).toEqual({ rate: -1, left: 40 });
  });

  it('has doubled where the latest three fall at twice the rate of those before', () => {
    const at = (hours: number, seat: number): Check => ({ hours, clearance: seat - 1800, shim: 1800 });
    expect(hasDoubled([at(0, 1960), at(20, 1950), at(40, 1940), at(60, 1915), at(80, 1890)])).toBe(true);
    expect(hasDoubled([at(0, 1960), at(20, 1950), at(40, 1940), at(60, 1930), at(80, 1920)])).toBe(false);
    expect(hasDoubled([at(0, 1960), at(20, 1950), at(40, 1925)])).toBe(false);
    // Four tell it: half a µm an hour, then one and a quarter.
    expect(hasDoubled([at(0, 1960), at(20, 1950), at(40, 1925), at(60, 1900)])).toBe(true);
    expect(hasDoubled([at(0, 1960), at(20, 1950), at(40, 1940), at(60, 1930)])).toBe(false);
    // Stood still, then one step of blades: that is what blades make of a valve that hardly moved.
    expect(hasDoubled([at(0, 1960), at(20, 1960), at(40, 1960), at(60, 1950), at(80, 1940)])).toBe(false);
  });
});

describe('when a valve reaches its limit', () => {
  const at = (hours: number, clearance: number, shim = 1800): Check => ({ hours, clearance, shim });
  const bracket = (goes: number, stops: number) => ({ by: 'blades' as const, goes, stops });

  it('is between the blade that went and the one that did not, at the rates of its past', () => {
    // One µm an hour throughout: 20 to 45 h for 130 to 155 over 110.
    const steady = [at(0, 150), at(10, 140), at(20, 130)];
    expect(reachesLimit(steady, bracket(130, 155), 110)).toEqual({ early: 20, likely: 32.5, late: 45 });
    // 0.5, 1, 1.5 an hour: the quarter that fell fastest and the one that fell slowest.
    const uneven = [at(0, 150), at(10, 145), at(20, 130)];
    // (130 − 110) / 1.5 and (130 − 110) / 0.5.
    expect(reachesLimit(uneven, { by: 'reading', at: 130 }, 110)).toEqual({
      early: 20 / 1.5,
      likely: 20,
      late: 40
    });
  });

  it('is not known where nothing closes up, and has no end where it may stand still', () => {
    expect(reachesLimit([at(0, 130), at(10, 130)], bracket(130, 155), 110)).toBeNull();
    expect(reachesLimit([at(0, 130)], bracket(130, 155), 110)).toBeNull();
    // Falls, stands: the slowest quarter does not fall at all.
    const stands = [at(0, 150), at(10, 130), at(20, 130), at(30, 130)];
    expect(reachesLimit(stands, bracket(130, 155), 110)?.late).toBeNull();
  });

  it('is now where it has been reached', () => {
    expect(reachesLimit([at(0, 130), at(10, 100)], bracket(100, 110), 110)).toEqual({
      early: 0,
      likely: 0,
      late: 0
    });
  });

  it('brings the next check nearer by the first valve that may, and never to this very moment', () => {
    const limits = { lo: 110, hi: 160 };
    const slow = { checks: [at(0, 150), at(20, 140)], now: bracket(140, 150), limits };
    const fast = { checks: [at(0, 150), at(20, 130)], now: bracket(130, 150), limits };
    // (145 − 110) / 0.5 = 70 h; (140 − 110) / 1 = 30 h.
    expect(nextWithin([slow])).toBe(7000);
    expect(nextWithin([slow, fast])).toBe(3000);
    expect(nextWithin([])).toBeNull();
    expect(nextWithin([{ checks: [at(0, 130), at(20, 110)], now: { by: 'reading', at: 110 }, limits }])).toBe(
      100
    );
  });

  it('is a matter of planning a head where the rate doubled, or the thinnest shim is near', () => {
    const series = { thinnest: 1200, thickest: 3500, step: 50 };
    expect(alarmsOf([], 1300, series)).toEqual(['near the thinnest shim made']);
    expect(alarmsOf([], 1350, series)).toEqual([]);
    expect(alarmsOf([], 1300, null)).toEqual([]);
    const doubled = [at(0, 160), at(20, 150), at(40, 140), at(60, 115), at(80, 90)];
    expect(alarmsOf(doubled, null, null)).toEqual(['the rate has doubled']);
  });
});
