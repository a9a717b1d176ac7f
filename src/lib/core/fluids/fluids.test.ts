import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aimOf } from './aim';
import { judgeLevel } from './level';
import { nextPour, oddDrain, oddTotal, pouringPlan } from './pour';

describe('pouringPlan', () => {
  it('holds back what the house rule says, to the mark of a jug', () => {
    expect(pouringPlan(1100, 8)).toEqual({ firstMl: 1010, heldBackMl: 90 });
    expect(pouringPlan(1100, 0)).toEqual({ firstMl: 1100, heldBackMl: 0 });
  });
  it('goes on with the first pour after the filter was filled, and then with what was held back', () => {
    const fill = { quantityMl: 1100, firstMl: 1010, heldBackMl: 90 };
    expect(nextPour(fill, 0)).toEqual({ ml: 1010, heldBackMl: 90 });
    expect(nextPour(fill, 110)).toEqual({ ml: 900, heldBackMl: 90 });
    expect(nextPour(fill, 1010)).toEqual({ ml: 90, heldBackMl: 0 });
    expect(nextPour(fill, 1200)).toEqual({ ml: 0, heldBackMl: 0 });
    expect(nextPour({ quantityMl: null, firstMl: null, heldBackMl: null }, 0)).toBeNull();
  });
  it('refuses what is not a quantity', () => {
    expect(() => pouringPlan(0, 8)).toThrow(RangeError);
    expect(() => pouringPlan(NaN, 8)).toThrow(RangeError);
    expect(() => pouringPlan(1000, 80)).toThrow(RangeError);
  });
  it('never pours more than half a jug mark over, and both parts make the whole', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 8000 }), fc.integer({ min: 0, max: 50 }), (ml, percent) => {
        const { firstMl, heldBackMl } = pouringPlan(ml, percent);
        expect(firstMl).toBeLessThanOrEqual(ml + 5);
        expect(firstMl + heldBackMl).toBe(Math.max(ml, firstMl));
      })
    );
  });
});

describe('cross-checks', () => {
  it('says when the total does not fit the sheet', () => {
    expect(oddTotal(1050, 1100)).toBeNull();
    expect(oddTotal(700, 1100)).toMatch(/drain/);
    expect(oddTotal(1500, 1100)).toMatch(/wrong|right/);
  });
  it('says when the drained amount does not fit the last fill', () => {
    expect(oddDrain(950, 1100)).toBeNull();
    expect(oddDrain(400, 1100)).toMatch(/still shut/);
    expect(oddDrain(1300, 1100)).toMatch(/fuel or water/);
    expect(oddDrain(10, null)).toBeNull();
    // 700 of 1100 is less than seven tenths; of the 990 that are not in the filter it is more.
    expect([oddDrain(700, 1100), oddDrain(700, 1100, 110)]).toEqual([expect.any(String), null]);
  });
});

describe('judgeLevel', () => {
  it.each([
    [-0.01, false],
    [0, true],
    [0.5, true],
    [1, true],
    [1.01, false]
  ])('at %f of the marks: within %s', (position, within) =>
    expect(judgeLevel({ method: 'sight glass', position }).within).toBe(within)
  );
  it('wants a check screw to weep, not run', () => {
    expect(judgeLevel({ method: 'check screw', flow: 'weeps' }).within).toBe(true);
    expect(judgeLevel({ method: 'check screw', flow: 'runs' })).toMatchObject({
      within: false,
      advice: expect.stringMatching(/weeps/)
    });
    expect(judgeLevel({ method: 'check screw', flow: 'nothing' }).within).toBe(false);
  });
  it('advises by the aim of the sheet, and by nothing where it names none', () => {
    const at = (position: number, aim: string | null) =>
      judgeLevel({ method: 'dipstick screwed in', position }, aimOf(aim));
    expect(at(0.1, null)).toEqual({ within: true, words: '10 % of the way from low to high', advice: null });
    expect(at(0.1, 'half-way')).toMatchObject({
      within: true,
      advice: expect.stringMatching(/Below its aim, half-way: top up/)
    });
    expect(at(0.9, 'half-way').advice).toMatch(/Above its aim/);
    expect(at(0.47, 'half-way').advice).toBeNull();
    expect(at(-0.1, 'half-way').within).toBe(false);
  });
});
