import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HOME_WINDOW } from '$lib/core/trail/scale';
import { marks, percentIn } from './scale';
import { MAGNIFIED, transformOf, windowOf } from './zoom';

describe('the scale of the trail', () => {
  it('puts now at the same place for all', () => expect(percentIn(HOME_WINDOW)(0)).toBe(30));
  it('marks round hours, now among them', () => {
    expect(marks(HOME_WINDOW)).toEqual([-1000, -500, 0, 500, 1000, 1500, 2000, 2500]);
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 200_000 }), (span) => {
        const m = marks({ from: -span / 3, to: span });
        expect(m).toContain(0);
        expect(m.length).toBeGreaterThanOrEqual(4);
        expect(m.length).toBeLessThanOrEqual(17);
        expect(new Set(m).size).toBe(m.length);
      })
    );
  });
  it('two hours are the closest, two thousand the widest', () => {
    // Home shows 40 h: a fiftieth of the widest, twenty times the closest.
    expect(MAGNIFIED).toEqual([0.02, 20]);
  });
  it('stays where it is when what it is drawn in changes its width', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -100_000, max: 100_000 }),
        fc.integer({ min: 200, max: 200_000 }),
        fc.integer({ min: 300, max: 4000 }),
        (from, span, width) => {
          const seen = windowOf(transformOf({ from, to: from + span }, width), width);
          expect(seen.from).toBeCloseTo(from, 3);
          expect(seen.to).toBeCloseTo(from + span, 3);
        }
      )
    );
  });
});
