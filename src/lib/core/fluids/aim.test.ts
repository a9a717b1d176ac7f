import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEVEL_AIMS } from '../specs/kinds';
import { aimInWords, aimOf, besideAim, topUpMl } from './aim';

describe('where a level should stand', () => {
  it('is a point or a band, and reads back as it was written', () => {
    expect(aimOf('three quarters')).toEqual({ from: 0.75, to: 0.75 });
    expect(aimOf('half-way to three quarters')).toEqual({ from: 0.5, to: 0.75 });
    expect([aimOf('full'), aimOf(null), aimOf(undefined)]).toEqual([null, null, null]);
    for (const words of LEVEL_AIMS) expect(aimInWords(aimOf(words)!)).toBe(words);
    expect(aimInWords({ from: 0.2, to: 0.4 })).toBe('20 to 40 % of the way up');
  });
  it('is met as near as a glass can be read', () => {
    const half = aimOf('half-way');
    expect([0.44, 0.46, 0.54, 0.56].map((p) => besideAim(p, half))).toEqual(['below', 'at', 'at', 'above']);
    const band = aimOf('half-way to three quarters');
    expect([0.4, 0.5, 0.62, 0.8, 0.9].map((p) => besideAim(p, band))).toEqual([
      'below',
      'at',
      'at',
      'at',
      'above'
    ]);
    // The sheet names none: nobody makes one up.
    expect(besideAim(0.01, null)).toBe('at');
  });
  it('is topped up to, by the volume between the marks: (0.75 − 0.5) × 200 ml', () => {
    const aim = aimOf('three quarters')!;
    expect(topUpMl(0.5, aim, 200)).toBe(50);
    expect([topUpMl(0.72, aim, 200), topUpMl(0.9, aim, 200), topUpMl(0.2, aim, null)]).toEqual([
      null,
      null,
      null
    ]);
    // A band is filled to its middle: (0.625 − 0.25) × 400 = 150.
    expect(topUpMl(0.25, aimOf('half-way to three quarters')!, 400)).toBe(150);
  });
  it('what is suggested never takes a level past its aim', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LEVEL_AIMS),
        fc.double({ min: -0.5, max: 1.5, noNaN: true }),
        fc.integer({ min: 100, max: 2000 }),
        (words, position, between) => {
          const aim = aimOf(words)!;
          const add = topUpMl(position, aim, between);
          if (add !== null) expect(position + add / between).toBeLessThanOrEqual(aim.to + READ + 5 / between);
        }
      )
    );
  });
});
const READ = 1e-9;
