import { describe, expect, it } from 'vitest';
import { laidOut, planOf, visitEntry } from '../../../../../tests/core/bench';
import { visitState } from '../../visit/state';
import { broken, durationOf, putOff } from './overrule';

const plan = planOf(['engine-oil']);

describe('an order of somebody’s own', () => {
  const keys = plan.steps.map((s) => s.key);
  it('breaks nothing when it is the one worked out, and takes as long', () => {
    expect(broken(plan, keys)).toEqual([]);
    expect(durationOf(plan, keys).elapsed).toBeCloseTo(plan.estimate!.elapsed, 5);
  });
  it('says what stands before what it should follow', () => {
    const early = ['pour', ...keys.filter((k) => k !== 'pour')];
    const messages = broken(plan, early).map((b) => b.message);
    expect(messages).toContain('“Pour the engine oil” stands before “Refit and torque engine drain plug”.');
  });
  it('says what is drained cold, and is taken up by the visit', () => {
    const cold = ['drain-d', ...keys.filter((k) => k !== 'drain-d')];
    expect(broken(plan, cold).some((b) => b.message.includes('before the engine is warm'))).toBe(true);
    const s = visitState(plan, [visitEntry('reordered', { order: ['write'] })]);
    expect(s.steps[0]!.step.key).toBe('write');
    expect(s.steps).toHaveLength(plan.steps.length);
  });
  it('a spill after the oil is said to leave the level short', () => {
    const laid = laidOut(['engine-oil']);
    const spilling = laid.steps.map((s) => (s.key === 'filter-out-c' ? { ...s, spills: true } : s));
    const order = ['pour', ...spilling.map((s) => s.key)];
    const steps = spilling.map((s) => (s.key === 'pour' ? { ...s, needs: [...s.needs, 'filter-out-c'] } : s));
    expect(broken({ ...laid, steps }, order).some((b) => b.message.includes('level will be short'))).toBe(
      true
    );
  });
});

describe('a step put off', () => {
  const keys = plan.steps.map((s) => s.key);
  const two = planOf(['engine-oil', 'gearbox-check-screw']);
  it('goes behind the next that does not wait for it, and takes along what does', () => {
    const all = two.steps.map((s) => s.key);
    const at = all.indexOf('drain-d');
    const { order, instead } = putOff(two.steps, 'drain-d', all.slice(at))!;
    // What else there is to open is the gearbox's.
    expect(instead).toContain('@gearbox');
    expect(order.indexOf('drain-d')).toBeGreaterThan(order.indexOf(instead));
    expect(order.indexOf('magnet-d')).toBeGreaterThan(order.indexOf('drain-d'));
    expect([...order].sort()).toEqual([...all].sort());
    // With one circuit everything that is left waits for its drain.
    expect(putOff(plan.steps, 'drain-d', keys.slice(keys.indexOf('drain-d')))).toBeNull();
  });
  it('never comes after what waits for it, whichever it is', () => {
    const all = two.steps.map((s) => s.key);
    for (const key of all) {
      const off = putOff(two.steps, key, all.slice(all.indexOf(key)));
      if (!off) continue;
      const place = (k: string) => off.order.indexOf(k);
      for (const s of two.steps)
        for (const n of [...s.needs, ...s.during])
          if (place(n) < 0) continue;
          else expect(place(n), `${n} before ${s.key}, ${key} put off`).toBeLessThan(place(s.key));
    }
  });
  it('is not put off where everything that is left waits for it', () => {
    expect(putOff(plan.steps, 'write', ['write'])).toBeNull();
  });
});
