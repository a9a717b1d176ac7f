import { describe, expect, it } from 'vitest';
import { laidOut, planOf, SHEET } from '../../../../../tests/core/bench';
import { makeStep } from '../plan';
import { inOrder } from './overrule';
import { benchOf, COOLS_IN, orderPlan } from './order';

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

describe('a guard that has to be on for a ride, and off before and after it', () => {
  const sheet = { ...SHEET, fasteners: SHEET.fasteners.filter((f) => f.circuit !== 'engine') };
  const laid = laidOut(['gearbox-two-stroke'], { kind: 'two-stroke enduro', sheet });
  const cold = makeStep({
    key: 'cold-look',
    title: 'Look at it stone cold',
    input: { type: 'tick' },
    jobs: ['x'],
    minutes: 10,
    engine: 'cold',
    needs: ['guard-off-g']
  });
  const plan = orderPlan({ ...laid, steps: [...laid.steps, cold] }, 'cold').plan;
  const keys = plan.steps.map((s) => s.key);
  it('comes off twice, and each time is a step', () => {
    expect(keys.filter((k) => k.startsWith('guard'))).toEqual([
      'guard-off-g',
      'guard-on-g-between',
      'guard-off-g-again2',
      'guard-on-g'
    ]);
    expect(plan.steps.find((s) => s.key === 'guard-off-g-again2')!.title).toBe('Take the guard off, again');
    expect(keys.indexOf('cold-look')).toBeLessThan(keys.indexOf('warm'));
    expect(keys.indexOf('guard-off-g-again2')).toBeGreaterThan(keys.indexOf('warm'));
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
    expect(why('drain-d')).toBe('When the engine has warmed.');
    expect(why('magnet-d')).toBe('While the oil drains, 10 min.');
    expect(why('drained')).toBe('When the oil has drained.');
    expect(why('run')).toContain('every plug is tight');
    expect(why('source')).toBe('Only if the step before it says so.');
    expect(why('gather')).toBe('Waits for nothing.');
    expect(why('level')).toBe('When the oil has settled.');
  });
});

describe('inOrder', () => {
  it('puts what it names first and keeps the rest', () => {
    const list = ['a', 'b', 'c'].map((key) => ({ key }));
    expect(inOrder(list, ['c', 'nothing', 'a']).map((x) => x.key)).toEqual(['c', 'a', 'b']);
    expect(inOrder(list, []).map((x) => x.key)).toEqual(['a', 'b', 'c']);
  });
});
