import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/valve_wear.json';
import { hasDoubled, wearOf, type Check } from './wear';

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
  });
});
