import { describe, expect, it } from 'vitest';
import { laidOut, planOf, visitEntry } from '../../../../../tests/core/bench';
import { visitState } from '../../visit/state';
import { broken, durationOf } from './overrule';

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
    expect(broken({ steps }, order).some((b) => b.message.includes('level will be short'))).toBe(true);
  });
});
