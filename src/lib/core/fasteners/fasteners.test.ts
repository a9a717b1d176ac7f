import fc from 'fast-check';
import { looseAgain, type Found } from './found';
import { describe, expect, it } from 'vitest';
import { quantity } from '../quantity/quantity';
import boltStress from '../worked-cases/bolt_stress.json';
import crowfoot from '../worked-cases/crowfoot.json';
import { torqueAtBoltNm, wrenchSettingNm } from './adapter';
import { crissCross, facesOf, orderOf, pulls } from './pattern';
import { boltStressMpa, looksLikeWrongUnit, parseThread, stressAreaMm2 } from './stress';
import {
  calibrationWord,
  covers,
  onScale,
  trustedSpan,
  uncovered,
  wrenchesFor,
  type TorqueWrench
} from './wrench';

const wrench = (
  name: string,
  lowNm: number,
  highNm: number,
  more: Partial<TorqueWrench> = {}
): TorqueWrench => ({
  id: name,
  name,
  unit: 'N·m',
  lowNm,
  highNm,
  lengthMm: 300,
  calibratedUntil: '2027-01-01',
  pulls: 0,
  ...more
});

describe('bolt stress', () => {
  it.each(boltStress)('$torque_Nm N·m on $size', (c) => {
    const thread = parseThread(c.size)!;
    expect(boltStressMpa(c.torque_Nm, thread, c.k) / c.expect_MPa).toBeCloseTo(1, 6);
    expect(looksLikeWrongUnit(c.torque_Nm, thread, c.k === 0.15)).toBe(c.over_90pct_proof_8_8);
  });
  it('reads threads as they are written, and takes the coarse pitch where none is', () => {
    expect(parseThread('M10 × 1,25')).toEqual({ diameterMm: 10, pitchMm: 1.25 });
    expect(parseThread('m8')).toEqual({ diameterMm: 8, pitchMm: 1.25 });
    expect(parseThread('socket head M6x1.0')).toEqual({ diameterMm: 6, pitchMm: 1 });
    for (const odd of ['', '1/4-20 UNC', 'M', 'M9', 'M6x9']) expect(parseThread(odd)).toBeNull();
  });
  it('prints the areas of the tables', () => {
    for (const [text, area] of [
      ['M5', 14.2],
      ['M6', 20.1],
      ['M8', 36.6],
      ['M10', 58],
      ['M12x1.5', 88.1]
    ] as const)
      expect(stressAreaMm2(parseThread(text)!)).toBe(area);
  });
  it('refuses what is no torque', () => {
    expect(() => boltStressMpa(0, parseThread('M6')!, 0.2)).toThrow(RangeError);
    expect(() => boltStressMpa(5, parseThread('M6')!, 0)).toThrow(RangeError);
  });
});

describe('adapter', () => {
  it.each(crowfoot)('$target_Nm N·m, $wrench_mm + $adapter_mm mm at $angle_deg°', (c) => {
    const set = { wrenchMm: c.wrench_mm, adapterMm: c.adapter_mm, angleDeg: c.angle_deg };
    expect(wrenchSettingNm(c.target_Nm, set) / c.expect_Nm).toBeCloseTo(1, 6);
    expect(torqueAtBoltNm(c.expect_Nm, set) / c.target_Nm).toBeCloseTo(1, 6);
  });
  it('changes nothing when it stands square, and never sets higher than the bolt wants with the adapter out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 100, max: 600, noNaN: true }),
        fc.double({ min: 10, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 180, noNaN: true }),
        (torque, wrenchMm, adapterMm, angleDeg) => {
          const setting = wrenchSettingNm(torque, { wrenchMm, adapterMm, angleDeg });
          expect(wrenchSettingNm(torque, { wrenchMm, adapterMm, angleDeg: 90 })).toBeCloseTo(torque, 9);
          if (angleDeg < 89.9) expect(setting).toBeLessThan(torque);
          if (angleDeg > 90.1) expect(setting).toBeGreaterThan(torque);
        }
      )
    );
  });
  it('refuses lengths and angles that cannot be', () => {
    for (const bad of [
      { wrenchMm: 0, adapterMm: 50, angleDeg: 0 },
      { wrenchMm: 300, adapterMm: -1, angleDeg: 0 },
      { wrenchMm: 300, adapterMm: 50, angleDeg: 181 },
      { wrenchMm: 40, adapterMm: 50, angleDeg: 180 }
    ])
      expect(() => wrenchSettingNm(10, bad)).toThrow(RangeError);
  });
});

describe('choosing a wrench', () => {
  const small = wrench('small', 2, 24);
  const large = wrench('large', 10, 110);
  it('trusts a fifth to the whole of a range, and no less than its scale begins at', () => {
    expect(trustedSpan(small)).toEqual([4.8, 24]);
    expect(trustedSpan(wrench('x', 10, 40))).toEqual([10, 40]);
    expect(covers(small, 4.8)).toBe(true);
    expect(covers(small, 4.7)).toBe(false);
  });
  it('takes the finer one, the calibrated before the stale', () => {
    expect(wrenchesFor(23, [large, small], '2026-06-01').map((w) => w.name)).toEqual(['small', 'large']);
    const stale = { ...small, calibratedUntil: '2026-01-01' };
    expect(wrenchesFor(23, [stale, large], '2026-06-01').map((w) => w.name)).toEqual(['large', 'small']);
    expect(calibrationWord(stale, '2026-06-01')).toContain('ran out');
    expect(calibrationWord({ ...small, calibratedUntil: null }, '2026-06-01')).toContain('no calibration');
    expect(calibrationWord(small, '2026-06-01')).toBeNull();
  });
  it('is set by its own scale, whatever the sheet is in', () => {
    // 20 N·m / 1.355 818 = 14.75 lbf·ft; × 12 = 177.0 lbf·in.
    expect(onScale(20, { unit: 'lbf·ft' })).toBe('14.8 lbf·ft');
    expect(onScale(20, { unit: 'lbf·in' })).toBe('177 lbf·in');
    expect(onScale(20, { unit: 'N·m' })).toBe('20 N·m');
    // 100 N·m at the top is 73.8 lbf·ft, a fifth of it 14.8.
    const feet = wrench('feet', 10, 100, { unit: 'lbf·ft' });
    expect(uncovered(quantity(5, 'N·m'), [feet])).toContain('the smallest begins at 14.8 lbf·ft');
    expect(uncovered(quantity(150, 'N·m'), [feet])).toContain('the largest wrench in the box, 73.8 lbf·ft');
  });
  it('says which way nothing reaches', () => {
    expect(uncovered(quantity(3, 'N·m'), [small, large])).toContain('below');
    expect(uncovered(quantity(150, 'N·m'), [small, large])).toContain('above the largest');
    expect(uncovered(quantity(8, 'N·m'), [wrench('x', 1, 5), large])).toContain(
      'No wrench in the box is trusted'
    );
    expect(uncovered(quantity(8, 'N·m'), [])).toContain('No torque wrench');
    expect(uncovered(quantity(8, 'N·m'), [small])).toBeNull();
  });
});

describe('criss-cross', () => {
  it('goes across, not round', () => {
    expect(crissCross(4)).toEqual([0, 2, 1, 3]);
    expect(crissCross(6).slice(0, 2)).toEqual([0, 3]);
    expect(pulls(2)).toEqual([]);
    // Eight nuts of two wheels: criss-cross within each, never from one wheel to the other.
    expect(facesOf('Front wheel nuts', 8)).toBe(2);
    expect(orderOf(8, 2)).toEqual([0, 2, 1, 3, 4, 6, 5, 7]);
    expect([facesOf('Wheel nuts', 16), facesOf('Wheel nuts', 12), facesOf('Wheel nuts', 4)]).toEqual([
      4, 2, 1
    ]);
    expect([facesOf('Cylinder head bolts', 8), facesOf('Wheel hub cover bolts', 8)]).toEqual([1, 1]);
    expect(pulls(3).map((p) => p.part)).toEqual([0.5, 0.5, 0.5, 1, 1, 1]);
  });
  it('takes every bolt once, and never two neighbours one after the other where it can be helped', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 24 }), (n) => {
        const order = crissCross(n);
        expect([...order].sort((a, b) => a - b)).toEqual([...Array(n).keys()]);
        expect(Math.abs(order[1]! - order[0]!)).toBeGreaterThan(1);
      })
    );
    expect(() => crissCross(0)).toThrow(RangeError);
    expect(() => crissCross(25)).toThrow(RangeError);
  });
});

describe('found loose', () => {
  const found = (how: Found) => ({ how, words: `Found ${how}, 3 May` });
  it('twice asks for more than the same torque again', () => {
    expect(looseAgain([found('loose')])).toBeNull();
    expect(looseAgain([found('loose'), found('over-tight')])).toBeNull();
    expect(looseAgain([found('loose'), found('damaged'), found('loose')])).toMatch(/thread-lock/);
  });
});
