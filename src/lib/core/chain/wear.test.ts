import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  adjusterReach,
  byGround,
  firstReach,
  groundBetween,
  lookProblems,
  replaceOf,
  wearOfChain,
  type ChainLook,
  type LengthAt
} from './wear';

const at = (hours: number | null, grown: number, mud = 0, sand = 0): LengthAt => ({
  id: `${hours}`,
  day: '2026-06-01',
  hours,
  outings: 0,
  mud,
  sand,
  grown
});
const LOOK: ChainLook = { front: null, rear: null, joint: null, stiff: null, guides: null };

describe('how a chain wears', () => {
  it('a tenth of a percent in five hours is 30 h from 0.9 to 1.5', () => {
    const w = wearOfChain([at(10, 0.5), at(20, 0.7), at(30, 0.9)], 1.5);
    expect(w.rate).toBeCloseTo(0.02, 9);
    expect(w.reaches!.likely).toBeCloseTo(30, 6);
    // What the rule may have missed: half a millimetre of 318 is 0.16 %, 0.08 either way: 0.52 and 0.68 at 0.02 an hour.
    expect(w.reaches!.early).toBeCloseTo(26, 6);
    expect(w.reaches!.late).toBeCloseTo(34, 6);
    expect(w.worn).toBe(false);
  });
  it('is not known from one measuring, nor without hours', () => {
    expect(wearOfChain([], 1.5)).toMatchObject({ latest: null, rate: null, reaches: null, worn: false });
    expect(wearOfChain([at(10, 0.5)], 1.5).reaches).toBeNull();
    expect(wearOfChain([at(null, 0.5), at(null, 1.6)], 1.5)).toMatchObject({ reaches: null, worn: true });
    // Cleaner than last time it reads shorter: that is no end.
    expect(wearOfChain([at(10, 0.7), at(20, 0.6)], 1.5).reaches).toBeNull();
  });
  it('on its limit is worn', () => {
    expect(wearOfChain([at(10, 1.5)], 1.5).worn).toBe(true);
  });
});

describe('mud and sand', () => {
  it('are told apart where there was more and less of them', () => {
    // Clean 0.01 an hour, mud 0.05: 10 clean = 0.1; 5 and 5 = 0.3; 2 and 8 = 0.42.
    const g = byGround([at(0, 0), at(10, 0.1, 0), at(20, 0.4, 5), at(30, 0.82, 13)])!;
    expect(g.clean).toBeCloseTo(0.01, 9);
    expect(g.mud).toBeCloseTo(0.05, 9);
    expect(g.sand).toBeUndefined();
    // And sand at 0.03: 6 clean and 4 sand = 0.18.
    const all = byGround([at(0, 0), at(10, 0.1), at(20, 0.4, 5), at(30, 0.82, 13), at(40, 1.0, 13, 4)])!;
    expect(all.clean).toBeCloseTo(0.01, 9);
    expect(all.mud).toBeCloseTo(0.05, 9);
    expect(all.sand).toBeCloseTo(0.03, 9);
  });
  it('say which there was most of since the measuring before', () => {
    expect(groundBetween(null, at(10, 0.1, 5))).toBeNull();
    expect(groundBetween(at(0, 0), at(10, 0.1, 0.2))).toBeNull();
    expect(groundBetween(at(0, 0, 1), at(10, 0.1, 4, 2))).toEqual({ ground: 'mud', hours: 3 });
    expect(groundBetween(at(0, 0), at(10, 0.1, 1, 2))).toEqual({ ground: 'sand', hours: 2 });
  });
  it('where one would make it shorter it is nothing', () => {
    // 10 clean = 0.2; 10 mud = −0.05: what the rule did not see.
    const g = byGround([at(0, 0), at(10, 0.2), at(20, 0.15, 10)])!;
    expect(g).toEqual({ clean: 0.02, mud: 0 });
  });
  it('are not where all was one ground, always the same share, or too little was measured', () => {
    expect(byGround([at(0, 0), at(10, 0.1), at(20, 0.2)])).toBeNull();
    expect(byGround([at(0, 0), at(10, 0.1, 5), at(20, 0.2, 10)])).toBeNull();
    expect(byGround([at(0, 0), at(10, 0.1, 5)])).toBeNull();
    expect(byGround([at(0, 0), at(10, 0.1, 2), at(20, 0.2, 2, 5)])).toBeNull();
  });
  it('never make a chain shorter, and fit no worse than one rate for all', () => {
    const span = fc.record({
      h: fc.double({ min: 1, max: 20, noNaN: true }),
      mud: fc.double({ min: 0, max: 0.6, noNaN: true }),
      sand: fc.double({ min: 0, max: 0.4, noNaN: true }),
      g: fc.double({ min: -0.1, max: 0.5, noNaN: true })
    });
    fc.assert(
      fc.property(fc.array(span, { minLength: 3, maxLength: 8 }), (spans) => {
        let [hours, mud, sand, grown] = [0, 0, 0, 0];
        const list = [at(0, 0)];
        for (const s of spans)
          list.push(at((hours += s.h), (grown += s.g), (mud += s.h * s.mud), (sand += s.h * s.sand)));
        const g = byGround(list);
        if (!g) return;
        const off = (rate: (s: (typeof spans)[number]) => number) =>
          spans.reduce((t, s) => t + (s.g - rate(s)) ** 2, 0);
        const one = Math.max(
          0,
          spans.reduce((t, s) => t + s.h * s.g, 0) / spans.reduce((t, s) => t + s.h * s.h, 0)
        );
        for (const r of Object.values(g)) expect(r).toBeGreaterThanOrEqual(0);
        const fitted = off(
          (s) => s.h * ((1 - s.mud - s.sand) * (g.clean ?? 0) + s.mud * (g.mud ?? 0) + s.sand * (g.sand ?? 0))
        );
        if (Object.keys(g).length === 3) expect(fitted).toBeLessThanOrEqual(off((s) => s.h * one) + 1e-9);
      })
    );
  });
});

describe('the end of a set', () => {
  it('comes from the adjusters too, whichever is first', () => {
    const axle = adjusterReach(
      [
        { hours: 0, outings: 0, mm: 4 },
        { hours: 20, outings: 0, mm: 14 }
      ],
      30
    )!;
    // 0.5 mm an hour, 16 left: 32 h.
    expect(axle.likely).toBeCloseTo(32, 9);
    expect(adjusterReach([], 30)).toBeNull();
    expect(firstReach(null, axle, { early: 5, likely: 20, late: null })!.likely).toBe(20);
    expect(firstReach(null, null)).toBeNull();
  });
  it('is all three by the house, or each by its look, with the reason', () => {
    const worn = wearOfChain([at(10, 1.6)], 1.5);
    const good = wearOfChain([at(10, 0.4)], 1.5);
    expect(replaceOf(good, LOOK, true)).toBeNull();
    expect(replaceOf(worn, null, true)).toMatchObject({ chain: true, front: true, rear: true });
    expect(replaceOf(worn, LOOK, false)).toMatchObject({ chain: true, front: false, rear: false });
    expect(replaceOf(good, { ...LOOK, rear: 'hooked' }, false)).toMatchObject({
      chain: false,
      front: false,
      rear: true
    });
    expect(replaceOf(good, { ...LOOK, rear: 'hooked' }, true)).toMatchObject({ chain: true, rear: true });
  });
  it('what is wrong by its look is a finding', () => {
    expect(lookProblems(LOOK)).toEqual([]);
    expect(
      lookProblems({ ...LOOK, joint: 'clip, closed end leading', guides: 'good', front: 'rounded' })
    ).toEqual([]);
    const all = lookProblems({
      front: 'hooked',
      rear: 'thin',
      joint: 'clip, wrong way round',
      stiff: 1,
      guides: 'worn through'
    });
    expect(all.map((p) => p.severity)).toEqual(['fix now', 'watch', 'fix now', 'watch', 'fix now']);
  });
});
