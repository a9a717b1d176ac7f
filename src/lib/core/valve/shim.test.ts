import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/shim_thickness.json';
import { disagree, predicted, predictedSpan, sizesOf, stamped, thickness, wanted } from './shim';

describe('a shim', () => {
  it.each(cases)('stamped $label_hundredths_mm in steps of $step_um is $expect_um µm', (c) => {
    expect(stamped(c.label_hundredths_mm, c.step_um)).toBe(c.expect_um);
  });

  it('is the thinner of two as near', () => {
    // 2.31 lies between 2.30 and 2.32 of a series in steps of 20.
    expect(stamped(231, 20)).toBe(2300);
    expect(stamped(232, 25)).toBe(2325);
    expect(stamped(175, 25)).toBe(1750);
  });

  it('is read back from the stamp of every size that is made', () => {
    // Steps of 25 are stamped rounded: down or up, the size is found again.
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 160 }), fc.boolean(), (n, up) => {
        const um = n * 25;
        return stamped(up ? Math.ceil(um / 10) : Math.floor(um / 10), 25) === um;
      })
    );
  });

  it('is believed by its micrometer, and told of where that and the stamp do not agree', () => {
    expect(thickness({ stamp: 1850, measured: 1842 })).toBe(1842);
    expect(thickness({ stamp: 1850, measured: null })).toBe(1850);
    expect(thickness({ stamp: null, measured: null })).toBeNull();
    expect(disagree({ stamp: 1850, measured: 1840 })).toBe(false);
    expect(disagree({ stamp: 1850, measured: 1839 })).toBe(true);
    expect(disagree({ stamp: null, measured: 1839 })).toBe(false);
  });

  it('takes up as much clearance as it is thicker', () => {
    expect(predicted(95, 1750, 1725)).toBe(120);
    expect(predicted(200, 2425, 2400)).toBe(225);
  });

  it('is wanted as thick as leaves a clearance inside its limits', () => {
    // 95 with 1750, 110 to 160 wanted, 135 the best: 1845 − 160 to 1845 − 110.
    expect(wanted({ measured: 95, shim: 1750, lo: 110, hi: 160, target: 135 })).toEqual({
      thinnest: 1685,
      thickest: 1735,
      best: 1710
    });
    expect(predictedSpan({ from: 75, to: 100, closed: false }, 1850, 1800)).toEqual({
      from: 125,
      to: 150,
      closed: false
    });
  });

  it('is made in even steps, both ends among them', () => {
    expect(sizesOf({ thinnest: 1200, thickest: 1300, step: 25 })).toEqual([1200, 1225, 1250, 1275, 1300]);
    expect(sizesOf({ thinnest: 1200, thickest: 1299, step: 50 })).toEqual([1200, 1250]);
  });
});
