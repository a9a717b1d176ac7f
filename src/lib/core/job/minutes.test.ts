import { describe, expect, it } from 'vitest';
import { inputFor } from '../../../../tests/core/bench';
import { grownInWords, minutesOfVisit, workOut } from './minutes';
import { orderPlan } from './order/order';
import { layOut } from './layout/layout';

const head = (shimmed: boolean, out: 'one in three' | null = null) => ({
  valves: [{ name: 'Inlet 1', shimmed, bucket: shimmed }],
  guide: [],
  limits: [],
  out
});

describe('how long a visit takes', () => {
  it('is what its order takes, of any jobs', () => {
    for (const jobs of [['engine-oil'], ['engine-oil', 'gearbox-check-screw'], ['chain', 'air-filter']]) {
      const input = inputFor(jobs);
      const { minutes, ordered } = workOut(input, 'cold');
      const { estimate } = orderPlan(layOut(input), 'cold').plan;
      expect(minutes.elapsed).toBe(Math.round(estimate!.elapsed));
      expect(minutes.attended).toBe(Math.round(estimate!.attended));
      expect(ordered.plan.estimate).toEqual(estimate);
    }
  });
  it('says both lengths where a measurement may bring work, and what it hangs on', () => {
    const { minutes } = workOut(inputFor(['valve-check'], { head: head(true, 'one in three') }), 'cold');
    const steps = layOut(inputFor(['valve-check'], { head: head(true) })).steps;
    const more = steps.filter((s) => s.gate?.is === 'outside').reduce((sum, s) => sum + s.minutes, 0);
    expect(more).toBeGreaterThan(30);
    expect(minutes.grown).toMatchObject({
      attended: minutes.attended + more,
      when: 'shims are needed (one in three, by its wear)'
    });
    expect(grownInWords(minutes)).toBe(
      `${minutes.grown!.elapsed} min if shims are needed (one in three, by its wear)`
    );
    expect(workOut(inputFor(['valve-check'], { head: head(false) }), 'cold').minutes.grown!.when).toBe(
      'a valve is out'
    );
  });
  it('has one length where nothing is measured that opens more', () => {
    const { minutes } = workOut(inputFor(['engine-oil']), 'cold');
    expect(minutes.grown).toBeNull();
    expect(grownInWords(minutes)).toBe('');
    expect(minutesOfVisit(minutes)).toBe(`${minutes.elapsed} min, ${minutes.attended} with hands on it`);
  });
});
