import { expect, it } from 'vitest';
import { planOf, step } from '../../../../tests/core/bench';
import { visitState } from './state';
import { whyNow } from './why';

const plan = planOf(['engine-oil']);
const drain = (entries: Parameters<typeof visitState>[1]) => {
  const state = visitState(plan, entries);
  return whyNow(
    state,
    state.steps.find((s) => s.step.key === 'drain-d')!
  );
};
const warmUp = plan.steps.find((s) => s.heats)!.key;

it('a drain is at once while the oil is warm', () => {
  expect(drain([])).toBe('At once, while the oil is warm and the dirt is in it.');
  expect(drain([step(warmUp)])).toBe('At once, while the oil is warm and the dirt is in it.');
});
it('is not said to be warm where the warm-up was left out, until it is done after all', () => {
  const left = step(warmUp, 'left out', { reason: 'stood since spring' });
  expect(drain([left])).toBe('The warm-up was left out: cold oil runs slowly, and leaves dirt behind.');
  expect(drain([left, step(warmUp)])).toBe('At once, while the oil is warm and the dirt is in it.');
});
it('what is not about warmth keeps its words', () => {
  const state = visitState(plan, [step(warmUp, 'left out', { reason: 'x' })]);
  for (const s of state.steps.filter((x) => x.step.engine !== 'warm' || x.step.heats))
    expect(whyNow(state, s)).toBe(s.step.why);
});
