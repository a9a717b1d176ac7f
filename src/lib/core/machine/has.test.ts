import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor } from '../../../../tests/core/bench';
import { BUILT_IN } from '../job/built-in/jobs';
import { fitsMachine } from '../job/fits';
import { layOut } from '../job/layout/layout';
import { orderPlan } from '../job/order/order';
import { CALLS, INCIDENTS, SYMPTOMS } from '../outing/outing';
import { checksOf } from '../round/lists';
import { quantity } from '../quantity/quantity';
import { sectionsOf } from '../specs/starter';
import { has } from './has';
import { KINDS } from './machine';
import { shownBy } from './shown';

/** Words of an engine that burns something. */
const BURNS = /exhaust|fumes|idle|warm|engine|ignition|spark|fuel|clutch/i;
const SHEET = {
  fasteners: [
    fastener('x', 'drain plug', 'Gearbox drain plug', { circuit: 'gearbox' }),
    fastener('z', 'filler cap', 'Gearbox filler', { circuit: 'gearbox' }),
    fastener('y', 'check screw', 'Check screw', { circuit: 'gearbox' }),
    fastener('rear', 'axle nut', 'Rear axle nut', { circuit: null })
  ],
  figures: [figure('gearbox oil', quantity(300, 'ml'))]
};

describe('an electric machine', () => {
  const jobs = BUILT_IN.filter((j) => fitsMachine(j, 'electric', SHEET));
  it('has some of the jobs', () => {
    expect(jobs.map((j) => j.key)).toEqual(['gearbox-check-screw', 'chain']);
  });
  it.each(jobs.map((j) => j.key))('%s speaks of nothing that it has not, and warms nothing', (key) => {
    for (const came of ['cold', 'warm'] as const) {
      const { plan } = orderPlan(layOut({ ...inputFor([key]), kind: 'electric', sheet: SHEET }), came);
      const said = plan.steps.flatMap((s) => [s.title, ...s.lines, s.caution ?? '']);
      // The jug’s line is about what was poured, wherever it went.
      expect(said.filter((w) => BURNS.test(w) && !/^What stays in the jug/.test(w))).toEqual([]);
      expect(plan.steps.filter((s) => s.heats || s.engine !== 'any')).toEqual([]);
      expect(plan.steps.some((s) => s.caution)).toBe(true);
    }
  });
  it('is looked over without exhaust and plug, and with its throttle', () => {
    const checks = checksOf('electric', 'ready');
    const said = checks.flatMap((c) => [
      c.title,
      c.caution ?? '',
      ...('wrongs' in c ? (c.wrongs ?? []) : [])
    ]);
    expect(said.filter((w) => /exhaust|spark|engine|clutch|fuel|coolant/i.test(w))).toEqual([]);
    expect(checks.map((c) => c.key)).toContain('snap-back');
    expect(checks.some((c) => c.title.startsWith('Right side'))).toBe(true);
  });
  it('cannot backfire', () => {
    expect(shownBy(SYMPTOMS, 'electric')).toEqual([
      'runs badly',
      'overheats',
      'oil leak',
      'squeak from the steering',
      'play in the steering',
      'brake weak or spongy',
      'chain noise',
      'suspension leaks or bottoms'
    ]);
    expect(shownBy(INCIDENTS, 'electric')).toEqual(['crash', 'drowned', 'overheated']);
    expect(shownBy(CALLS, null)).toEqual(CALLS);
    expect(shownBy(SYMPTOMS, 'utility quad')).not.toContain('chain noise');
  });
});

it('what a kind has and the sections of its sheet are one thing', () => {
  for (const kind of KINDS) {
    expect([kind, sectionsOf(kind).includes('Valves')]).toEqual([kind, has(kind, 'valves')]);
    expect([kind, sectionsOf(kind).includes('Chain and final drive')]).toEqual([kind, has(kind, 'chain')]);
  }
});

it('one that burns keeps its cautions', () => {
  const { plan } = orderPlan(layOut(inputFor(['engine-oil', 'chain'])), 'cold');
  const cautions = plan.steps.map((s) => s.caution ?? '');
  expect(cautions).toContain('Hot oil and exhaust: gloves, and pull the plug away from the stream.');
  expect(cautions).toContain('Hot exhaust beside the plugs.');
  expect(cautions.some((c) => c.startsWith('Engine off, wheel off the ground'))).toBe(true);
});
