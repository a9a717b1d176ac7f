import { describe, expect, it } from 'vitest';
import { figure, item, planOf, SHEET, step } from '../../../../tests/core/bench';
import { quantity } from '../quantity/quantity';
import { visitState } from './state';
import { overtaken, ranInWords, ranTyped, runSeconds } from './timers';

const plan = planOf(['engine-oil']);
const drain = plan.items.find((i) => i.name === 'Engine drain plug')!.key;
const timer = step('drain-d', 'timer', { label: 'the oil drains', seconds: 600 });

describe('timers', () => {
  it('of what drains have nothing to ring for once the plug is in, and again something when it is off', () => {
    const open = [step('drain-d'), timer];
    const at = (...more: ReturnType<typeof item>[]) =>
      overtaken(visitState(plan, [...open, ...more])).map((t) => t.label);
    expect(at()).toEqual([]);
    expect(at(item(drain, 'by hand'))).toEqual([]);
    const tight = item(drain, 'torqued', { value: 20, unit: 'N·m', seal: 'new' });
    expect(at(tight)).toEqual(['the oil drains']);
    expect(at(tight, item(drain, 'off'))).toEqual([]);
    // Put off it is not in.
    expect(at(item(drain, 'deferred', { reason: 'no washer', waitsFor: 'part' }))).toEqual([]);
  });
  it('of a step that opens nothing are left alone', () => {
    const other = step('gather', 'timer', { label: 'glue', seconds: 60 });
    expect(overtaken(visitState(plan, [other]))).toEqual([]);
  });
  it('of a run are what the sheet says, and nothing where it says nothing', () => {
    expect(runSeconds(visitState(plan, []))).toBeNull();
    const sheet = { ...SHEET, figures: [...SHEET.figures, figure('oil level run time', quantity(1, 'min'))] };
    expect(runSeconds(visitState(planOf(['engine-oil'], { sheet }), []))).toBe(60);
  });
});

it('how long it ran is minutes unless it says otherwise; nothing typed says nothing', () => {
  const read = (text: string) => {
    const r = ranTyped(text);
    return r.ok ? r.seconds : r.message;
  };
  expect(['3', '4,5', '90 s', ' ', '120'].map(read)).toEqual([180, 270, 90, null, 7200]);
  for (const bad of ['a while', '0', '-3', '121', '3 ml'])
    expect([bad, read(bad)]).toEqual([bad, 'Minutes, such as 3; at most two hours.']);
  expect([180, 90].map(ranInWords)).toEqual(['3 min', '1.5 min']);
});
