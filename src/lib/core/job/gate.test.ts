import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../tests/core/bench';
import { gateInWords, withMaybes } from './gate';

describe('steps that hang on an answer', () => {
  const plan = planOf(['engine-oil', 'valve-check']);
  it('say which answer', () => {
    const source = plan.steps.find((s) => s.key === 'source')!;
    expect(gateInWords(source.gate!, plan.steps)).toBe(
      '“Read the magnet of engine drain plug” finds flakes or worse'
    );
    expect(source.why).toBe('Only if “Read the magnet of engine drain plug” finds flakes or worse.');
    expect(gateInWords({ steps: ['gone'], is: 'no' }, plan.steps)).toBe(
      'the step before is answered with no'
    );
  });
  it('go with the step they follow, and none is lost or moved', () => {
    const list = withMaybes(plan.steps);
    expect(list.every((l) => l.step.gate === null)).toBe(true);
    expect(list.find((l) => l.step.key === 'measure')!.maybe.map((s) => s.key)).toContain('shims');
    const gate = { steps: ['x'], is: 'yes' as const };
    fc.assert(
      fc.property(fc.array(fc.boolean()), (gated) => {
        const steps = gated.map((g, key) => ({ key, gate: g ? gate : null }));
        expect(withMaybes(steps).flatMap((l) => [l.step, ...l.maybe])).toEqual(steps);
      })
    );
  });
});
