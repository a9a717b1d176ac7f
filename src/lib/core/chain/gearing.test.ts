import { describe, expect, it } from 'vitest';
import { figure } from '../../../../tests/core/bench';
import { quantity } from '../quantity/quantity';
import {
  finalRatio,
  gearboxOf,
  pairsAround,
  readRatio,
  readRatios,
  readRpm,
  speedAt,
  teethProblem,
  whatIf
} from './gearing';
import { centreOfLinks } from './links';

const NOW = { pitch: 15.875, front: 13, rear: 50 };
const CHAIN = { links: 114, grown: 0, halfLink: false };

describe('gearing', () => {
  it('speed by hand: 9000 a minute over 3 × 2 × 4 is 375 wheel turns of 2 m: 45 km/h', () => {
    expect(speedAt(9000, 3, 2, 4, 2000)).toBeCloseTo(45, 9);
    expect(finalRatio({ front: 13, rear: 52 })).toBe(4);
  });
  it('ratios are read as they are printed', () => {
    expect(readRatio('3.05')).toBe(3.05);
    expect(readRatio('64/21')).toBeCloseTo(3.0476, 4);
    expect(readRatio('64:21 (3.048)')).toBeCloseTo(3.0476, 4);
    expect(readRatio('long')).toBeNull();
    expect(readRatio('900')).toBeNull();
    expect(readRatios('2.14, 1.75, 1.45')).toEqual([2.14, 1.75, 1.45]);
    expect(readRatios('2,14; 1,75')).toEqual([2.14, 1.75]);
    expect(readRatios('30/15 28/16')).toEqual([2, 1.75]);
    expect(readRatios('2.14, high')).toBeNull();
    expect(readRpm('9,500 a minute')).toBe(9500);
    expect(readRpm('95')).toBeNull();
  });

  const centre = centreOfLinks(NOW, 114, { at: 0.5, slack: 40 })!;
  const slack = { at: 0.5, want: 40 };
  it('the same sprockets move nothing', () => {
    const w = whatIf(NOW, { front: 13, rear: 50 }, CHAIN, { centre, slot: null }, slack);
    expect(w).toMatchObject({ change: 0, fits: null });
    expect(w.same!.move).toBeCloseTo(0, 6);
  });
  it('two teeth more at the rear bring the axle about half a pitch forward', () => {
    const slot = { from: centre - 20, to: centre + 20 };
    const w = whatIf(NOW, { front: 13, rear: 52 }, CHAIN, { centre, slot }, slack);
    expect(w.ratio).toBe(4);
    expect(w.change).toBeCloseTo(4, 9);
    // Two teeth take one pitch of the loop: half of that at the axle, and a little for the larger lean.
    expect(w.same!.move).toBeLessThan(-7.5);
    expect(w.same!.move).toBeGreaterThan(-9.5);
    expect(w.same).toMatchObject({ inSlot: true, slack: 40 });
    expect(w.fits!.map((f) => f.links)).toContain(114);
  });
  it('where the axle does not fit says what the slack would be, and which chain fits', () => {
    const slot = { from: centre - 4, to: centre + 12 };
    const w = whatIf(NOW, { front: 13, rear: 54 }, CHAIN, { centre, slot }, slack);
    expect(w.same).toMatchObject({ inSlot: false, slack: 0 });
    expect(w.fits!.map((f) => f.links)).toEqual([116]);
    const small = whatIf(NOW, { front: 13, rear: 46 }, CHAIN, { centre, slot }, slack);
    expect(small.same!.inSlot).toBe(false);
    expect(small.same!.slack!).toBeGreaterThan(60);
  });
  it('the pairs one tries first, each once, shortest last; none with too few teeth', () => {
    const pairs = (asked: { front: number; rear: number } | null) =>
      pairsAround({ front: 13, rear: 50 }, asked).map((p) => `${p.front}:${p.rear}`);
    expect(pairs(null)).toEqual(['14:50', '13:48', '13:49', '13:50', '13:51', '13:52', '12:50']);
    expect(pairs({ front: 13, rear: 52 })).toHaveLength(7);
    expect(pairs({ front: 12, rear: 52 }).at(-1)).toBe('12:52');
    expect(pairs({ front: 13.5, rear: 52 })).toHaveLength(7);
    expect(pairsAround({ front: 8, rear: 21 }, null).every((p) => p.front >= 8 && p.rear >= 20)).toBe(true);
    expect(teethProblem('front', 13.5)).toBe('The front sprocket has 8 to 22 whole teeth.');
  });
  it('speeds need all four figures', () => {
    const figures = [
      figure('primary ratio', null, { text: '3.0' }),
      figure('gear ratios', null, { text: '2.0, 1.5' }),
      figure('engine speed', null, { text: '9,000 a minute' }),
      figure('rear wheel round', quantity(2000, 'mm'))
    ];
    expect(gearboxOf({ figures, fasteners: [] })).toEqual({
      primary: 3,
      ratios: [2, 1.5],
      rpm: 9000,
      round: 2000
    });
    for (const key of figures.map((f) => f.key))
      expect(gearboxOf({ figures: figures.filter((f) => f.key !== key), fasteners: [] })).toBeNull();
  });
  it('a chain far too short goes round nothing', () => {
    const w = whatIf(NOW, { front: 13, rear: 80 }, { ...CHAIN, links: 50 }, { centre, slot: null }, slack);
    expect(w.same).toBeNull();
  });
});
