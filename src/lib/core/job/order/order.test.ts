import { describe, expect, it } from 'vitest';
import { laidOut, planOf, SHEET } from '../../../../../tests/core/bench';
import { BUILT_IN } from '../built-in/jobs';
import { plainTemplate } from '../plain';
import { BEGIN, GUARD_OFF, step } from '../built-in/steps';
import { inOrder } from './overrule';
import { benchOf, orderPlan } from './order';

/** Stone cold, by the house rule: 8 h. */
const COOLS_IN = 480;

describe('a laid-out visit, as the ordering sees it', () => {
  const laid = laidOut(['engine-oil', 'gearbox-check-screw']);
  it('has the guard as a cover, with what lies behind it', () => {
    const bench = benchOf(laid, 'cold');
    expect(bench.covers).toMatchObject([{ id: 'guard-off-g', open: 180, close: 240 }]);
    expect(bench.ops.some((o) => o.id === 'guard-off-g' || o.id === 'guard-on-g')).toBe(false);
    expect(bench.ops.find((o) => o.id === 'drain-d')!.behind).toEqual(['guard-off-g']);
    expect(bench.cool).toBe(COOLS_IN * 60);
  });
  it('gives a step behind a gate no time, and a place after what opens it', () => {
    const bench = benchOf(laid, 'cold');
    expect(bench.ops.find((o) => o.id === 'source')).toMatchObject({ work: 0, wait: 0 });
    const plan = orderPlan(laid, 'cold').plan.steps.map((s) => s.key);
    expect(plan.indexOf('source')).toBeGreaterThan(plan.indexOf('magnet-d'));
  });
  it('loses no step and makes none up', () => {
    const ordered = orderPlan(laid, 'cold');
    expect(ordered.plan.steps.map((s) => s.key).sort()).toEqual(laid.steps.map((s) => s.key).sort());
    expect(ordered.elapsed).toBe(ordered.bound);
    expect(ordered.plan.steps.every((s) => s.why.length > 0)).toBe(true);
  });
  it('puts every step after all it waits for, whatever the jobs', () => {
    for (const jobs of [
      ['engine-oil'],
      ['engine-oil-only'],
      ['engine-oil-frame', 'gearbox-two-stroke'],
      ['engine-oil-first']
    ]) {
      const { steps } = planOf(jobs);
      const place = new Map(steps.map((s, i) => [s.key, i]));
      for (const [i, s] of steps.entries())
        for (const n of [...s.needs, ...s.during])
          expect([s.key, n, place.get(n)! < i]).toEqual([s.key, n, true]);
    }
  });
});

describe('valves and oil in one visit', () => {
  it('are measured stone cold, and the engine is shut before it is warmed: nobody waits for it to cool', () => {
    for (const jobs of [
      ['engine-oil', 'valve-check'],
      ['valve-check', 'engine-oil']
    ]) {
      const ordered = orderPlan(laidOut(jobs), 'cold');
      const keys = ordered.plan.steps.map((s) => s.key);
      const at = (key: string) => keys.indexOf(key);
      expect(at('measure')).toBeLessThan(at('cover-on'));
      expect(at('left')).toBeLessThan(at('cover-on'));
      expect(at('cover-on')).toBeLessThan(at('warm'));
      expect(at('warm')).toBeLessThan(at('drain-d'));
      // Hands on it, and the drain; no three hours in between.
      expect(ordered.elapsed).toBeLessThan(COOLS_IN * 60);
    }
  });
  it('of an engine that came in warm wait until it is cold', () => {
    const ordered = orderPlan(laidOut(['engine-oil', 'valve-check']), 'warm');
    expect(ordered.elapsed).toBeGreaterThan(COOLS_IN * 60);
    // Filled in about 35 min; what is left of the eight hours is said where it is waited for, and only there.
    const why = (key: string) => ordered.plan.steps.find((s) => s.key === key)!.why;
    expect(why('cover-off')).toMatch(/^Stone cold: it stands about 7 h \d\d first, to cool\.$/);
    expect(why('measure')).toBe('Stone cold: once it has cooled.');
  });
});

describe('a guard that has to be on for a ride, and off before and after it', () => {
  const sheet = { ...SHEET, fasteners: SHEET.fasteners.filter((f) => f.circuit !== 'engine') };
  const look = step({
    key: 'cold-look',
    title: 'Look at it stone cold',
    kind: 'tick',
    minutes: 10,
    engine: 'cold',
    needs: ['guard-off']
  });
  const template = {
    ...plainTemplate({ id: 'abcdef12-0000', name: 'Look' }),
    key: 'look',
    steps: [...BEGIN, GUARD_OFF, look]
  };
  const jobs = [
    { template: BUILT_IN.find((t) => t.key === 'gearbox-two-stroke')!, taskId: 'a' },
    { template, taskId: 'b' }
  ];
  const plan = orderPlan(laidOut([], { kind: 'two-stroke enduro', sheet, jobs }), 'cold').plan;
  const keys = plan.steps.map((s) => s.key);
  it('comes off twice, and each time is a step', () => {
    expect(keys.filter((k) => k.startsWith('guard'))).toEqual([
      'guard-off-g',
      'guard-on-g-between',
      'guard-off-g-again2',
      'guard-on-g'
    ]);
    expect(plan.steps.find((s) => s.key === 'guard-off-g-again2')!.title).toBe('Take the guard off, again');
    expect(keys.indexOf('look.cold-look')).toBeLessThan(keys.indexOf('warm'));
    expect(keys.indexOf('guard-off-g-again2')).toBeGreaterThan(keys.indexOf('warm'));
    // It stood for the cold look; it is stood up again, which the ride says.
    expect(plan.steps.find((s) => s.key === 'warm')!.lines.at(-1)).toMatch(/stand it level and secure again/);
  });
  it('the closing in between asks for nothing that is not open yet', () => {
    expect(plan.steps.find((s) => s.key === 'guard-on-g-between')!.after).toEqual([]);
    expect(plan.steps.find((s) => s.key === 'guard-on-g')!.after).toContain('drain-plug-x');
  });
});

describe('the reasons', () => {
  const why = (key: string) =>
    planOf(['engine-oil', 'gearbox-check-screw']).steps.find((s) => s.key === key)!.why;
  it('say why a step stands where it stands', () => {
    expect(why('guard-off-g')).toBe('Once, for everything behind it.');
    expect(why('warm')).toContain('Before the oil');
    expect(why('drain-d')).toBe('At once, while the oil is warm and the dirt is in it.');
    expect(why('magnet-d')).toBe('While the oil drains, 10 min.');
    expect(why('drained')).toBe('When the oil has drained.');
    expect(why('run')).toContain('every plug is tight');
    expect(why('source')).toContain('finds flakes or worse');
    expect(why('gather')).toBe('Waits for nothing.');
    expect(why('level')).toBe('When the oil has settled.');
    const cold = (engine: 'cold' | 'warm') =>
      orderPlan(laidOut(['engine-oil', 'valve-check']), engine).plan.steps.find((s) => s.key === 'measure')!
        .why;
    expect(cold('cold')).toBe('Stone cold: before anything warms the engine.');
    expect(cold('warm')).toBe('Stone cold: once it has cooled.');
  });
});

describe('inOrder', () => {
  it('puts what it names first and keeps the rest', () => {
    const list = ['a', 'b', 'c'].map((key) => ({ key }));
    expect(inOrder(list, ['c', 'nothing', 'a']).map((x) => x.key)).toEqual(['c', 'a', 'b']);
    expect(inOrder(list, []).map((x) => x.key)).toEqual(['a', 'b', 'c']);
  });
});
