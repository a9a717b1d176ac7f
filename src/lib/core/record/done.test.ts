import { describe, expect, it } from 'vitest';
import { fastener, item, planOf, SHEET, step, whole } from '../../../../tests/core/bench';
import { DEFAULT_RULES } from '../rules/rules';
import type { Entry } from '../visit/entry';
import { visitState } from '../visit/state';
import { doneInWords } from './done';
import { drawUpRecord } from './record';

const without = (...ids: string[]) => ({
  ...SHEET,
  fasteners: SHEET.fasteners.filter((f) => !ids.includes(f.id))
});
const titleOf = (job: string, sheet = SHEET, but: (e: Entry) => boolean = () => true) => {
  const plan = planOf([job], { sheet });
  return doneInWords(plan.jobs[0]!, visitState(plan, whole(plan).filter(but)));
};

describe('what a job came to', () => {
  it('names the screen and the filter that were out, and none that such a machine does not have', () => {
    expect(titleOf('engine-oil')).toBe('Engine oil, screen and filter');
    expect(titleOf('engine-oil', without('s'))).toBe('Engine oil, filter');
    expect(titleOf('engine-oil', without('s', 'c'))).toBe('Engine oil');
    const two = fastener('s2', 'screen cap', 'Second screen cap');
    expect(titleOf('engine-oil-screens', { ...SHEET, fasteners: [...SHEET.fasteners, two] })).toBe(
      'Engine oil, 2 screens'
    );
    expect(titleOf('engine-oil-first', without('s'))).toBe('First engine oil change, break-in, filter');
  });
  it('nor a filter that stayed in, or is not back', () => {
    expect(titleOf('engine-oil', SHEET, (e) => !e.stepKey?.startsWith('filter-out'))).toBe(
      'Engine oil, screen and filter'
    );
    expect(titleOf('engine-oil', SHEET, (e) => !(e.itemKey ?? '').startsWith('filter-cover-part'))).toBe(
      'Engine oil, screen'
    );
  });
  it('is its name, for a job of any other kind, and for one the team has renamed', () => {
    expect(titleOf('gearbox-check-screw')).toBe('Gearbox oil, level at the check screw');
    const plan = planOf(['engine-oil']);
    const state = visitState(plan, whole(plan));
    expect(doneInWords({ key: 'engine-oil', title: 'Big service' }, state)).toBe('Big service');
  });
});

describe('the record of what somebody did', () => {
  const plan = planOf(['engine-oil-first']);
  const filter = plan.items.find((i) => i.filter)!.key;
  const record = drawUpRecord(
    plan,
    visitState(plan, [
      ...whole(plan).filter((e) => e.itemKey !== filter && e.stepKey !== 'run'),
      item(filter, 'shut', { filter: 'new', number: 'PF-12' }),
      step('run', 'done', { ranSeconds: 180 }),
      step('pour', 'done', { ml: 60, pour: 'into the filter' })
    ]),
    DEFAULT_RULES,
    60
  );
  it('has the filter that went in, the minutes it ran, and what went into the filter', () => {
    expect(record.fitted).toEqual([{ name: 'Oil filter', which: 'new', number: 'PF-12' }]);
    expect(record.ranSeconds).toBe(180);
    expect(record.circuits[0]!.intoFilterMl).toBe(60);
  });
  it('has each step that was done: the bolts gone over, and how the filter was seated', () => {
    const said = Object.fromEntries(record.done.map((d) => [d.title, d.said]));
    expect(said['Go over the engine and cover bolts once']).toBe('');
    expect(said['Run the engine briefly']).toBe('ran 3 min');
    expect(said['New filter in, marked side as the machine wants it']).toBe(
      'new, PF-12. Spring, small ring, a smear of clean oil on the rings.'
    );
    expect(record.done.map((d) => d.stepKey)).not.toContain('gather');
  });
  it('says nothing of what nobody said', () => {
    const old = drawUpRecord(plan, visitState(plan, whole(plan)), DEFAULT_RULES, 60);
    expect([old.fitted, old.ranSeconds, old.circuits[0]!.intoFilterMl]).toEqual([[], null, null]);
  });
});
