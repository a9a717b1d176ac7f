import { describe, expect, it } from 'vitest';
import { standsOf, type CheckInput, type PastCheck, type Reading } from './check';
import { missingOf, plansOf } from './choice';
import type { Measured } from './clearance';
import { USUAL_LAYOUTS } from './head';
import { soonOut } from './soon';
import { lastsH } from './wear';
import { asPast, wearOfHead } from './wear-of-head';

const [IL, IR, EL, ER] = ['1-inlet-left', '1-inlet-right', '1-exhaust-left', '1-exhaust-right'] as const;
const blades = (goes: number, stops: number): Measured => ({ by: 'blades', goes, stops });
const STAMP = { stamp: 1850, measured: null };
const shims = [IL, IR, EL, ER].map((valve) => ({
  valve,
  ...STAMP,
  why: 'read' as const,
  checkId: null
}));
/** 20 h ago the left inlet had 20 µm more; the others stood still. */
const past: PastCheck[] = [
  {
    id: 'before',
    day: '2026-10-01',
    hours: 20,
    found: { [IL]: blades(130, 135), [IR]: blades(125, 130), [EL]: blades(220, 225), [ER]: blades(220, 225) },
    left: {},
    shims: Object.fromEntries([IL, IR, EL, ER].map((v) => [v, STAMP])),
    fitted: {}
  }
];
const reading = (valve: string, measured: Measured): Reading => ({
  id: valve,
  valve,
  stage: 'found',
  measured,
  by: 'Wren'
});
const check = (more: Partial<CheckInput> = {}): CheckInput => ({
  layout: USUAL_LAYOUTS[0]!.layout,
  limits: { inlet: { lo: 100, hi: 150 }, exhaust: { lo: 200, hi: 250 } },
  rules: { shims: 'only those out of spec', aim: 'middle', shimReading: 'goes', borderlineValve: 'leave' },
  blades: [],
  step: 25,
  checkId: 'now',
  readings: [
    reading(IL, blades(110, 115)),
    reading(IR, blades(125, 130)),
    reading(EL, blades(220, 225)),
    reading(ER, blades(220, 225))
  ],
  shims,
  past,
  ...more
});
const now = (c: CheckInput) => {
  const stands = standsOf(c);
  return {
    stands,
    wear: wearOfHead(stands, [asPast(stands, 'now', '2026-12-01', 40), ...c.past], c.rules, null)
  };
};
const series = { thinnest: 1500, thickest: 2500, step: 25 };

describe('a valve that is well now and out before the next check', () => {
  const c = check();
  const { stands, wear } = now(c);
  it('is told from its wear: 20 µm in 20 h, 10 to 15 µm left', () => {
    // 12.5 µm in the middle of the bracket, one µm an hour.
    const [soon, ...more] = soonOut(stands, wear, c.rules, 30);
    expect(more).toEqual([]);
    expect(soon).toMatchObject({ valve: IL, name: 'Inlet left' });
    expect(soon!.inH).toBeGreaterThanOrEqual(10);
    expect(soon!.inH).toBeLessThanOrEqual(15);
  });
  it('is none where the next check comes before it, or nobody knows when that is', () => {
    expect(soonOut(stands, wear, c.rules, 10)).toEqual([]);
    expect(soonOut(stands, wear, c.rules, null)).toEqual([]);
  });
  it('is none where it is out today: that is said already', () => {
    const out = check({ readings: [reading(IL, blades(80, 85)), ...c.readings.slice(1)] });
    const then = now(out);
    expect(soonOut(then.stands, then.wear, out.rules, 30)).toEqual([]);
  });
});

describe('a plan takes in', () => {
  const c = check();
  const { stands } = now(c);
  /** 100 and 30 h at one µm an hour. */
  const soon = [{ valve: IL, leastUm: 130 }];
  it('those out before the next check, where somebody wants them', () => {
    const plans = plansOf(stands, c.rules, [], series, { soon, byHand: null });
    expect(plans.map((p) => p.choice)).toEqual(['by the house', 'those soon out too']);
    expect(plans.find((p) => p.choice === 'by the house')!.plan.fits).toEqual([]);
    // 110 + 1850 − 1825 is 135, which lasts; as it is it does not.
    const own = plans.find((p) => p.choice === 'those soon out too')!;
    expect(own.plan.fits).toEqual([{ id: IL, shim: 1825, predicted: 135, from: 'bought', of: null }]);
  });
  it('them with all that are open, where the house has it so', () => {
    const all = { ...c.rules, shims: 'all that are open' as const };
    const plans = plansOf(stands, all, [], series, { soon, byHand: null });
    const moved = (choice: string) =>
      plans.find((p) => p.choice === choice)!.plan.fits.filter((f) => f.from !== 'itself');
    expect(moved('by the house')).toEqual([]);
    expect(moved('those soon out too')).toMatchObject([{ id: IL, shim: 1825 }]);
  });
  it('says so where there is no shim for it, and that it is inside its limits', () => {
    const plans = plansOf(stands, c.rules, [], null, { soon, byHand: [IL] });
    const { plan, input } = plans.find((p) => p.choice === 'by hand')!;
    expect(plan).toMatchObject({ outOfSpec: 0, bought: 0 });
    // 110 + 1850 − 125 on the aim.
    expect(missingOf(plan, input, null)).toMatchObject([{ valve: IL, well: true, best: 1835 }]);
  });
  it('whatever valve is picked by hand, and no other', () => {
    const plans = plansOf(stands, c.rules, [], series, { soon: [], byHand: [IR, EL] });
    const own = plans.find((p) => p.choice === 'by hand')!;
    // Both sit on the aim or as near it as a step allows: they stay.
    expect(own.plan.bought).toBe(0);
    expect(own.input.touch).toEqual([IR, EL]);
    expect(own.plan.untouched).toEqual([IL, ER]);
  });
  it('and says that one that is out and not picked stays out', () => {
    const out = check({ readings: [reading(IL, blades(80, 85)), ...c.readings.slice(1)] });
    const own = (byHand: string[]) =>
      plansOf(now(out).stands, out.rules, [], series, { soon: [], byHand }).find(
        (p) => p.choice === 'by hand'
      )!.plan.outOfSpec;
    expect([own([IR]), own([IL, IR])]).toEqual([1, 0]);
  });
  it('a valve exactly on its limit', () => {
    const edge = check({ readings: [reading(IL, { by: 'reading', at: 100 }), ...c.readings.slice(1)] });
    const at = now(edge).stands;
    const own = plansOf(at, edge.rules, [], series, { soon: [], byHand: [IL] }).find(
      (p) => p.choice === 'by hand'
    )!;
    // 100 + 1850 − 1825: on the aim.
    expect(own.plan.fits).toMatchObject([{ id: IL, shim: 1825, predicted: 125 }]);
  });
});

it('how long a clearance lasts: 125 with a limit of 100, at half a µm an hour', () => {
  expect(lastsH(125, 100, -0.5)).toBe(50);
  expect(lastsH(90, 100, -0.5)).toBe(0);
  expect(lastsH(125, 100, 0.1)).toBeNull();
  expect(lastsH(125, 100, null)).toBeNull();
});
