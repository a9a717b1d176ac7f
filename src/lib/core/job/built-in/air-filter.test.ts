import { describe, expect, it } from 'vitest';
import { item, planOf, step } from '../../../../../tests/core/bench';
import { visitState } from '../../visit/state';

const plan = planOf(['air-filter']);
const called = (...said: [string, 'yes' | 'no'][]) =>
  visitState(
    plan,
    said.map(([key, answer]) => step(`air-filter.${key}`, 'done', { answer }))
  )
    .steps.filter((s) => s.called)
    .map((s) => s.step.key.replace('air-filter.', ''));

describe('the air filter', () => {
  it('is washed only where no clean one goes in', () => {
    expect(called()).not.toContain('wash');
    expect(called(['spare', 'yes'])).not.toContain('wash');
    expect(called(['spare', 'no'])).toEqual(expect.arrayContaining(['wash', 'dirty', 'dry', 'oil']));
  });
  it('is washed a second time where it is still dirty', () => {
    expect(called(['spare', 'no'])).not.toContain('wash-again');
    expect(called(['spare', 'no'], ['dirty', 'yes'])).toContain('wash-again');
    expect(called(['spare', 'no'], ['dirty', 'no'])).not.toContain('wash-again');
  });
  it('dirt past it is traced', () => {
    expect(called(['past', 'yes'])).not.toContain('trace');
    expect(called(['past', 'no'])).toContain('trace');
  });
  it('the rag is counted out and in again', () => {
    const rag = plan.items.find((i) => i.name === 'Rag in the mouth')!;
    const open = visitState(plan, [item(rag.key, 'off')]).open.map((i) => i.item.name);
    expect(open).toEqual(['Rag in the mouth']);
  });
  it('waits while it soaks and dries, with nobody at it', () => {
    const waits = Object.fromEntries(plan.steps.map((s) => [s.key.replace('air-filter.', ''), s.wait]));
    expect(waits).toMatchObject({ wash: 10, dry: 45 });
  });
});
