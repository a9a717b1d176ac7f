import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor, item, planOf, SHEET, step } from '../../../../tests/core/bench';
import { answered } from '../job/layout/answered';
import { GRADE_UNKNOWN } from '../job/layout/lines';
import { quantity } from '../quantity/quantity';
import type { Sheet } from '../specs/sheet';
import { asksAt } from './asks';
import { quickAt } from './quick';
import { visitState } from './state';

const EMPTY: Sheet = { fasteners: [], figures: [] };
const TWO = { kind: 'two-stroke motocross', sheet: EMPTY } as const;
const plan = planOf(['gearbox-two-stroke'], TWO);
const stateOf = (p: typeof plan, entries = [] as Parameters<typeof visitState>[1]) => visitState(p, entries);
const at = (p: typeof plan, type: string, entries?: Parameters<typeof visitState>[1]) => {
  const state = stateOf(p, entries);
  const s = state.steps.find(
    (x) => x.step.input.type === type && (type !== 'close' || x.step.title.startsWith('Refit'))
  )!;
  return { state, s, asks: asksAt(state, s) };
};
const now = (sheet: Sheet) => answered(plan, { ...inputFor([], { kind: TWO.kind }), sheet });

describe('a visit begun with an empty sheet', () => {
  it('has the one drain and the one filler every gearbox has, and no screw, seal or number nobody wrote', () => {
    expect(plan.items.map((i) => [i.name, i.seal, i.torque?.band ?? null, i.fastenerId])).toEqual(
      expect.arrayContaining([
        ['Gearbox drain plug', 'none', null, null],
        ['Gearbox oil filler cap', 'none', null, null]
      ])
    );
    expect(plan.items).toHaveLength(2);
    const screw = planOf(['gearbox-check-screw'], { sheet: EMPTY });
    expect(screw.items.map((i) => i.role)).not.toContain('check screw');
    // And what waited for it waits for the oil.
    const keys = screw.steps.map((s) => s.key);
    expect(keys.indexOf('level@gearbox')).toBeGreaterThan(keys.indexOf('pour@gearbox'));
    expect(keys.indexOf('level@gearbox')).toBeLessThan(keys.indexOf('filler-in-unnamed-gearbox@gearbox'));
  });
  it('asks at each step for what it wants, and nothing else', () => {
    expect(at(plan, 'oil').asks.map((a) => a.key)).toEqual(['gearbox oil grade']);
    const drain = plan.items.find((i) => i.role === 'drain plug')!;
    expect(at(plan, 'close', [item(drain.key, 'off')]).asks).toMatchObject([
      { key: 'torque', label: 'Gearbox drain plug: torque', fastenerId: null }
    ]);
    expect(at(plan, 'pour').asks.map((a) => a.key)).toEqual(['gearbox oil']);
    expect(at(plan, 'level').asks.map((a) => a.key)).toEqual(['gearbox level method']);
    const others = stateOf(plan).steps.filter((s) =>
      ['tick', 'open', 'drained', 'debris'].includes(s.step.input.type)
    );
    expect(others.flatMap((s) => asksAt(stateOf(plan), s))).toEqual([]);
  });
  it('asks nothing of what is done or shut', () => {
    const drain = plan.items.find((i) => i.role === 'drain plug')!;
    const shut = [item(drain.key, 'off'), item(drain.key, 'by feel', { reason: 'no wrench here' })];
    expect(at(plan, 'close', shut).asks).toEqual([]);
  });
});

describe('what is answered', () => {
  const named = fastener('p', 'drain plug', 'Gearbox drain plug', {
    circuit: 'gearbox',
    head: '13 mm',
    seal: 'crush washer'
  });
  const sheet: Sheet = {
    fasteners: [named],
    figures: [
      figure('torque', quantity(20, 'N·m'), { fastenerId: 'p' }),
      figure('gearbox oil', quantity(650, 'ml')),
      figure('gearbox oil grade', null, { text: '75W-80' }),
      figure('gearbox level method', null, { text: 'check screw' })
    ]
  };
  const after = now(sheet);
  it('goes into the visit: the plug has its name on the sheet, its torque, its seal by the house rule', () => {
    expect(after.items.find((i) => i.role === 'drain plug')).toMatchObject({
      fastenerId: 'p',
      head: '13 mm',
      seal: 'crush washer',
      sealMost: 1,
      torque: { band: { from: { value: 20 } } }
    });
    for (const type of ['oil', 'close', 'pour', 'level']) expect(at(after, type).asks).toEqual([]);
    // 8 % held back of 650.
    expect(after.steps.find((s) => s.input.type === 'pour')!.input).toMatchObject({
      fill: { quantityMl: 650, firstMl: 600, heldBackMl: 50 }
    });
    expect(after.steps.find((s) => s.input.type === 'pour')!.lines).toContain('The sheet wants: 75W-80.');
    expect(after.steps.find((s) => s.input.type === 'oil')!.input).toMatchObject({ quantityMl: 650 });
    expect(after.steps.find((s) => s.input.type === 'drained')!.input).toMatchObject({
      mine: { quantityMl: 650 }
    });
    expect(after.steps.find((s) => s.input.type === 'level')!.lines[0]).toBe('check screw');
  });
  it('in a visit begun when that was said in other words, too', () => {
    const line = 'The sheet wants: grade unknown, look it up in the manual.';
    const older = {
      ...plan,
      steps: plan.steps.map((s) => ({ ...s, lines: s.lines.map((l) => (l === GRADE_UNKNOWN ? line : l)) }))
    };
    const after = answered(older, { ...inputFor([], { kind: TWO.kind }), sheet });
    expect(after.steps.find((s) => s.input.type === 'pour')!.lines).toContain('The sheet wants: 75W-80.');
  });
  it('takes words for an answer: then they are one press', () => {
    const words = now({
      ...sheet,
      figures: [figure('torque', null, { text: 'tighten securely', fastenerId: 'p' })]
    });
    const { state, s } = at(words, 'close', [
      item(words.items.find((i) => i.role === 'drain plug')!.key, 'off')
    ]);
    expect(
      quickAt(state, s, { tools: { wrenches: [], oils: [], adapters: [] }, today: '2026-06-10', air: null })
    ).toMatchObject([
      { label: 'Tight: tighten securely, new crush washer' },
      { label: 'Tight: tighten securely, old crush washer again' }
    ]);
  });
  it('does not choose between two plugs of one circuit', () => {
    const two = now({ ...sheet, fasteners: [named, { ...named, id: 'q', name: 'Second plug' }] });
    expect(two.items.find((i) => i.role === 'drain plug')).toMatchObject({ fastenerId: null });
  });
  it('changes nothing that the visit knew when it began, and nothing a second time', () => {
    const known = planOf(['engine-oil']);
    const later: Sheet = {
      ...SHEET,
      figures: SHEET.figures.map((f) =>
        f.band ? { ...f, band: { from: quantity(1, 'L'), to: quantity(1, 'L') } } : f
      )
    };
    const input = inputFor([], { sheet: later });
    expect(answered(known, input).steps.find((s) => s.key === 'pour')).toEqual(
      known.steps.find((s) => s.key === 'pour')
    );
    const once = now(sheet);
    expect(answered(once, { ...inputFor([], { kind: TWO.kind }), sheet })).toEqual(once);
  });
  it('is asked with the filter where the filter comes out, without where it stays', () => {
    const bare: Sheet = { fasteners: SHEET.fasteners, figures: [] };
    expect(at(planOf(['engine-oil'], { sheet: bare }), 'pour').asks.map((a) => a.key)).toEqual([
      'engine oil with filter'
    ]);
    expect(at(planOf(['engine-oil-screens'], { sheet: bare }), 'pour').asks.map((a) => a.key)).toEqual([
      'engine oil without filter'
    ]);
    const asked = planOf(['engine-oil-only'], { sheet: bare });
    const choice = asked.steps.find((s) => s.input.type === 'choice')!.key;
    expect(at(asked, 'pour', [step(choice, 'done', { answer: 'no' })]).asks.map((a) => a.key)).toEqual([
      'engine oil without filter'
    ]);
    expect(at(asked, 'pour', [step(choice, 'done', { answer: 'yes' })]).asks.map((a) => a.key)).toEqual([
      'engine oil with filter'
    ]);
  });
});

describe('what the machine does not have', () => {
  it('is not traced: one look, one step that hangs on it', () => {
    const hung = (sheet: Sheet) => planOf(['engine-oil'], { sheet }).steps.filter((s) => s.gate !== null);
    expect(hung(EMPTY).map((s) => s.gate!.steps)).toEqual([['magnet-unnamed-engine']]);
    // A drain, a screen and a filter: three looks.
    expect(hung(SHEET)).toHaveLength(3);
  });
  it('is no step: no level where the quantity is measured only, no meter where there is none', () => {
    const sheet: Sheet = {
      ...SHEET,
      figures: [...SHEET.figures, figure('gearbox level method', null, { text: 'measured quantity only' })]
    };
    expect(planOf(['gearbox-two-stroke'], { sheet }).steps.some((s) => s.input.type === 'level')).toBe(false);
    const none = planOf(['engine-oil'], { hourMeter: false });
    expect(none.steps.map((s) => s.key)).not.toContain('meter');
    // What stood behind it stands behind what it stood behind.
    expect(none.steps[0]!.key).toBe('gather');
    expect(none.steps.find((s) => s.key === 'stand')!.needs).toEqual(['gather']);
  });
});
