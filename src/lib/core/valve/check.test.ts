import { describe, expect, it } from 'vitest';
import {
  checkProblems,
  isBad,
  standsOf,
  wearChecks,
  type CheckInput,
  type PastCheck,
  type Reading,
  type ShimAt
} from './check';
import { bandOf, missingOf, planInput, plansOf, rulesOf } from './choice';
import type { Measured } from './clearance';
import { USUAL_LAYOUTS } from './head';

const [IL, IR, EL, ER] = ['1-inlet-left', '1-inlet-right', '1-exhaust-left', '1-exhaust-right'] as const;
const blades = (goes: number | null, stops: number | null): Measured => ({ by: 'blades', goes, stops });
let n = 0;
const reading = (
  valve: string,
  measured: Measured,
  stage: Reading['stage'] = 'found',
  by = 'Wren'
): Reading => ({
  id: String(n++),
  valve,
  stage,
  measured,
  by
});
const shim = (valve: string, stamp: number | null, more: Partial<ShimAt> = {}): ShimAt => ({
  valve,
  stamp,
  measured: null,
  why: 'read',
  checkId: null,
  ...more
});
const check = (more: Partial<CheckInput> = {}): CheckInput => ({
  layout: USUAL_LAYOUTS[0]!.layout,
  limits: { inlet: { lo: 100, hi: 150 }, exhaust: { lo: 200, hi: 250 } },
  rules: {
    shims: 'all that are open',
    aim: 'middle',
    shimReading: 'goes',
    borderlineValve: 'also put right while open'
  },
  blades: [50, 75, 100, 125, 150, 175, 200, 225, 250, 275],
  step: 25,
  checkId: 'now',
  readings: [],
  shims: [],
  past: [],
  ...more
});
const of = (c: CheckInput, valve: string) => standsOf(c).find((s) => s.valve.id === valve)!;
const words = (c: CheckInput) => checkProblems(standsOf(c), c.rules, 'mm').map((p) => p.message);

/** All four inside. */
const well = [
  reading(IL, blades(100, 125)),
  reading(IR, blades(125, 150)),
  reading(EL, blades(200, 225)),
  reading(ER, blades(225, 250))
];

describe('a check', () => {
  it('passes nothing without its number', () => {
    expect(words(check())).toEqual([
      'Inlet left is not measured.',
      'Inlet right is not measured.',
      'Exhaust left is not measured.',
      'Exhaust right is not measured.'
    ]);
    expect(words(check({ readings: well }))).toEqual([]);
    expect(words(check({ readings: [...well, reading(IL, blades(null, null))] }))).toEqual([
      'Inlet left is not measured.'
    ]);
  });

  it('says which blade would decide, and what no blade can', () => {
    const readings = [...well, reading(IL, blades(75, 125))];
    expect(of(check({ readings }), IL)).toMatchObject({
      verdict: 'undecided',
      next: { what: 'try', blade: 100 }
    });
    expect(words(check({ readings }))).toEqual(['Inlet left is undecided: try the 0.10 mm blade.']);
    const coarse = check({ readings, blades: [75, 125, 150] });
    expect(of(coarse, IL)).toMatchObject({ verdict: 'borderline' });
    expect(words(coarse)).toEqual(['Inlet left is borderline: no blade tells which side.']);
    expect(words({ ...coarse, rules: { ...coarse.rules, borderlineValve: 'leave' } })).toEqual([]);
    // Nobody listed the blades: a bracket with both its ends is all there is; with one end it is not.
    expect(of(check({ readings, blades: [] }), IL)).toMatchObject({ verdict: 'borderline', next: null });
    expect(of(check({ readings: [reading(IL, blades(75, null))], blades: [] }), IL).verdict).toBe(
      'undecided'
    );
  });

  it('asks for the blades one prefers, and for the others where only they can tell', () => {
    const readings = [...well, reading(IL, blades(75, 125))];
    // 102 is marked .004 in: it would tell as well as 100.
    const both = { readings, blades: [75, 102, 125], prefer: [75, 125] };
    expect(of(check(both), IL).next).toMatchObject({ what: 'try', blade: 102 });
    expect(
      of(check({ ...both, blades: [75, 100, 102, 125], prefer: [75, 100, 125] }), IL).next
    ).toMatchObject({ blade: 100 });
    expect(
      of(check({ ...both, blades: [75, 100, 102, 125], prefer: [75, 102, 125] }), IL).next
    ).toMatchObject({ blade: 102 });
  });

  it('without limits judges nothing', () => {
    const c = check({ readings: well, limits: { inlet: null, exhaust: { lo: 200, hi: 250 } } });
    expect(of(c, IL)).toMatchObject({ verdict: 'no limits', aim: null });
    expect(words(c)).toHaveLength(2);
  });

  it('goes by the latest reading, and shows where two people do not agree', () => {
    const readings = [...well, reading(IL, blades(50, 75), 'found', 'Kit')];
    expect(of(check({ readings }), IL)).toMatchObject({ verdict: 'tight', against: { by: 'Wren' } });
    // Finer, but not against it.
    const finer = [...well, reading(IL, blades(100, 110), 'found', 'Kit')];
    expect(of(check({ readings: finer }), IL).against).toBeNull();
  });

  it('wants what was changed measured again, and holds it against what was predicted', () => {
    // 75 with 1850: 1800 leaves 125 to 150.
    const readings = [...well, reading(IL, blades(75, 100))];
    const shims = [shim(IL, 1850), shim(IL, 1800, { why: 'fitted', checkId: 'now' })];
    const c = check({ readings, shims });
    expect(of(c, IL)).toMatchObject({
      verdict: 'to be proven',
      changed: true,
      before: { stamp: 1850 },
      shim: { stamp: 1800 }
    });
    expect(words(c)).toEqual(['Inlet left was changed and not measured again.']);
    const proven = check({ shims, readings: [...readings, reading(IL, blades(125, 150), 'left')] });
    expect(of(proven, IL)).toMatchObject({ verdict: 'in', proof: { ok: true } });
    expect(words(proven)).toEqual([]);
    const dirty = check({ shims, readings: [...readings, reading(IL, blades(75, 100), 'left')] });
    expect(of(dirty, IL)).toMatchObject({ verdict: 'tight', proof: { ok: false, less: true, off: 25 } });
    // A shim fitted in an earlier check is not this one's.
    expect(
      of(check({ readings: well, shims: [shim(IL, 1850, { why: 'fitted', checkId: 'then' })] }), IL).changed
    ).toBe(false);
  });

  it('remembers the last one', () => {
    const past: PastCheck[] = [
      {
        id: 'b',
        day: '2026-05-02',
        hours: 40,
        found: { [IL]: blades(100, 125) },
        left: {},
        shims: {},
        fitted: {}
      },
      {
        id: 'a',
        day: '2026-03-02',
        hours: 20,
        found: { [IL]: blades(75, 100), [IR]: blades(100, 125) },
        left: { [IL]: blades(125, 150) },
        shims: {},
        fitted: {}
      }
    ];
    expect(of(check({ past }), IL).last).toMatchObject({ hours: 40, measured: blades(100, 125) });
    expect(of(check({ past }), IR).last).toMatchObject({ hours: 20 });
    expect(of(check({ past }), EL).last).toBeNull();
  });

  it('calls bad what is out, and the borderline by house rule', () => {
    const rules = check().rules;
    expect(isBad({ verdict: 'tight' }, rules)).toBe(true);
    expect(isBad({ verdict: 'borderline' }, rules)).toBe(true);
    expect(isBad({ verdict: 'borderline' }, { borderlineValve: 'leave' })).toBe(false);
    expect(isBad({ verdict: 'undecided' }, rules)).toBe(false);
  });
});

describe('plans', () => {
  const shims = [shim(IL, 1850), shim(IR, 1800), shim(EL, 1900), shim(ER, 1875)];
  const found = [
    reading(IL, blades(50, 75)),
    reading(IR, blades(125, 150)),
    reading(EL, blades(200, 225)),
    reading(ER, blades(225, 250))
  ];
  const c = check({ readings: found, shims });
  const series = { thinnest: 1200, thickest: 3500, step: 50 };

  it('are laid side by side, each by one rule switched, none twice', () => {
    const plans = plansOf(standsOf(c), c.rules, [], series);
    // 50 + 1850 − s, aim 125: 1775 is not made in steps of 50; 1750 leaves 150, 1800 leaves 100: of two as far off the thinner.
    // Everything else lies as near its aim as it can without buying more, so that touching all comes to the same.
    expect(plans.map((p) => p.choice)).toEqual(['by the house', 'loose side', 'nothing bought']);
    const moved = plans[0]!.plan.fits.filter((f) => f.from !== 'itself');
    expect(moved).toEqual([{ id: IL, shim: 1750, predicted: 150, from: 'bought', of: null }]);
    expect(plans[0]!.plan).toMatchObject({ bought: 1, outOfSpec: 0 });
    // Aim 238 at the exhaust: the 1850 that comes out leaves 200 + 1900 − 1850 = 250 there, 12 off; its own leaves 38.
    expect(plans[1]!.plan.fits).toContainEqual({
      id: EL,
      shim: 1850,
      predicted: 250,
      from: 'another valve',
      of: IL
    });
    const none = plans.find((p) => p.choice === 'nothing bought')!;
    expect(none.plan).toMatchObject({ bought: 0, outOfSpec: 1 });
  });

  it('say which size is missing and how far out a valve stays', () => {
    const { input } = planInput(
      standsOf(c),
      { ...rulesOf('nothing bought', c.rules), shims: 'only those out of spec' },
      [],
      series
    );
    const plan = plansOf(standsOf(c), { ...c.rules, shims: 'only those out of spec' }, [], series).find(
      (p) => p.choice === 'nothing bought'
    )!.plan;
    // 1900 − 150 to 1900 − 100 would do; it stays at 50, which is 50 short.
    expect(missingOf(plan, input, series)).toEqual([
      { valve: IL, thinnest: 1750, thickest: 1800, best: 1775, off: -50, notMade: false, well: false }
    ]);
  });

  it('leave out what nobody knows, and say why', () => {
    const some = check({
      readings: [reading(IL, blades(null, 50)), reading(IR, blades(125, 150))],
      shims: [shim(IL, 1850)]
    });
    const { unplanned } = planInput(standsOf(some), rulesOf('by the house', c.rules), [], series);
    expect(unplanned).toEqual([
      { valve: IL, why: 'no blade goes' },
      { valve: IR, why: 'its shim is not known' },
      { valve: EL, why: 'not measured' },
      { valve: ER, why: 'not measured' }
    ]);
  });

  it('put the borderline right with the others, or leave it, by house rule', () => {
    const edge = check({
      readings: [...found.slice(1), reading(IL, blades(90, 110))],
      shims,
      blades: [90, 110]
    });
    const touch = (borderlineValve: 'leave' | 'also put right while open') =>
      planInput(standsOf(edge), { ...rulesOf('only the bad', edge.rules), borderlineValve }, [], series).input
        .touch;
    expect(touch('also put right while open')).toEqual([IL]);
    expect(touch('leave')).toEqual([]);
  });

  it('take a shim out of the drawer by what the micrometer says', () => {
    const drawer = [
      { stamp: 1775, measured: 1781, count: 1 },
      { stamp: 1700, measured: null, count: 0 }
    ];
    const [plan] = plansOf(standsOf(c), { ...c.rules, shims: 'only those out of spec' }, drawer, null);
    // 50 + 1850 − 1781.
    expect(plan!.plan.fits).toEqual([{ id: IL, shim: 1781, predicted: 119, from: 'drawer', of: null }]);
    expect(bandOf(plan!.plan.fits[0]!, of(c, IL))).toEqual({ from: 119, to: 144, closed: false });
  });
});

describe('wear', () => {
  it('is told from checks at known hours with a shim that is known', () => {
    const past: PastCheck[] = [
      {
        id: 'c',
        day: '',
        hours: 40,
        found: { [IL]: blades(75, 100) },
        left: { [IL]: blades(125, 150) },
        shims: { [IL]: { stamp: 1850, measured: null } },
        fitted: { [IL]: { stamp: 1800, measured: 1802 } }
      },
      {
        id: 'b',
        day: '',
        hours: null,
        found: { [IL]: blades(75, 100) },
        left: {},
        shims: { [IL]: { stamp: 1850, measured: null } },
        fitted: {}
      },
      {
        id: 'a',
        day: '',
        hours: 20,
        found: { [IL]: blades(100, 125) },
        left: {},
        shims: { [IL]: { stamp: 1850, measured: 1848 } },
        fitted: {}
      }
    ];
    expect(wearChecks(IL, past, 'goes', true)).toEqual([
      { hours: 20, clearance: 100, shim: 1848 },
      { hours: 40, clearance: 75, shim: 1850, after: 125, shimAfter: 1802 }
    ]);
    expect(wearChecks(IR, past, 'goes', true)).toEqual([]);
    expect(wearChecks(IL, past, 'middle of the bracket', false)[0]).toEqual({
      hours: 20,
      clearance: 113,
      shim: 0
    });
  });

  it('of a screw is told across its settings, as of a shim: what it was turned by is no wear', () => {
    const at = (hours: number | null, found: number, left?: number): PastCheck => ({
      id: String(hours),
      day: '',
      hours,
      found: { [IL]: { by: 'reading', at: found } },
      left: left === undefined ? {} : { [IL]: { by: 'reading', at: left } },
      shims: {},
      fitted: {}
    });
    // 100, after 20 h 80 and set to 120, after 20 h 100: one µm an hour, and never a rise.
    const past = [at(60, 100), at(40, 80, 120), at(20, 100)];
    const checks = wearChecks(IL, past, 'goes', false);
    expect(checks.map((c) => c.clearance + c.shim)).toEqual([100, 80, 60]);
    expect(checks[1]).toEqual({ hours: 40, clearance: 80, shim: 0, after: 120, shimAfter: -40 });
    // Set at hours nobody knows: that it was turned is not forgotten.
    const dark = [at(60, 100), at(null, 80, 120), at(20, 100)];
    expect(wearChecks(IL, dark, 'goes', false).map((c) => c.clearance + c.shim)).toEqual([100, 60]);
    // Set, and how it was found nobody could read: what was before it says nothing of what came after.
    const unread = [at(60, 100), { ...at(40, 0, 120), found: { [IL]: blades(null, 38) } }, at(20, 100)];
    expect(wearChecks(IL, unread, 'goes', false).map((c) => c.hours)).toEqual([60]);
  });
});
