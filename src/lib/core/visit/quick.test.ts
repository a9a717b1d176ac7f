import { describe, expect, it } from 'vitest';
import { figure, planOf, SHEET, step, whole, GOOD_OIL, WRENCH } from '../../../../tests/core/bench';
import { aimOf } from '../fluids/aim';
import { quantity } from '../quantity/quantity';
import { DEFAULT_RULES } from '../rules/rules';
import { NO_TOOLS, type Toolbox } from '../stores/toolbox';
import type { Entry, NewEntry } from './entry';
import { levelsAtAGlance, numberOf, quickAt, runFrom } from './quick';
import { refuseEntry } from './refuse';
import { isLeft, visitState } from './state';

const plan = planOf(['engine-oil']);
const bare = { itemKey: null, stepKey: null };
const tools: Toolbox = {
  wrenches: [{ ...WRENCH, name: 'Feet', unit: 'lbf·ft', highNm: 40 }],
  adapters: [],
  oils: [{ ...GOOD_OIL, stockMl: 2000 }]
};
const hand = { tools, today: '2026-06-01', air: null };
const at = (key: string, entries: Entry[] = []) => {
  const state = visitState(plan, entries);
  return quickAt(
    state,
    state.steps.find((s) => s.step.key === key)!,
    hand
  );
};
const closes = (name: string) => {
  const { key } = plan.items.find((i) => i.name === name)!;
  return plan.steps.find((s) => s.input.type === 'close' && s.input.items.includes(key))!.key;
};

describe('one press at a step', () => {
  it('says done, off or run; of twins each is named', () => {
    expect(at('stand')).toEqual([
      { label: 'Done', entries: [{ stepKey: 'stand', action: 'done', content: {} }] }
    ]);
    expect(at('run')[0]!.label).toBe('It has run');
    const gearbox = planOf(['engine-oil', 'gearbox-check-screw']);
    const both = visitState(gearbox, [step('warm')]);
    const twin = quickAt(
      both,
      both.steps.find((s) => s.step.key === 'drain-d')!,
      hand
    );
    expect(twin.map((q) => q.label)).toEqual(['Engine drain plug, off', 'Gearbox drain plug, off']);
    const taken = twin.map((q) => refuseEntry(both, { ...bare, ...q.entries[0] } as NewEntry)?.kind ?? null);
    expect(taken).toEqual([null, 'the wrong one']);
    expect(at('level').map((q) => q.label)).toEqual(['A quarter', 'Half-way', 'Three quarters']);
    const picks = (aim: string) => levelsAtAGlance('sight glass', aimOf(aim)).map(([label]) => label);
    expect(picks('half-way to three quarters')).toHaveLength(3);
    expect(levelsAtAGlance('sight glass', aimOf('at the high mark')).at(-1)).toEqual([
      'At the high mark',
      { method: 'sight glass', position: 1 }
    ]);
    expect(at('stand', [step('stand')])).toEqual([]);
  });
  it('torques as the sheet has it, by the scale of the wrench, with the seal the house wants', () => {
    const entries = [step('drain-d', 'done', { pointedAt: 'd' })];
    // 20 N·m / 1.355 818 = 14.75 lbf·ft.
    const press = (label: string, seal: string) => ({
      label: `Torqued, 14.8 lbf·ft, ${label}`,
      entries: [
        {
          itemKey: plan.items.find((i) => i.name === 'Engine drain plug')!.key,
          action: 'torqued',
          content: { value: 14.8, unit: 'lbf·ft', wrenchId: 'w', seal }
        }
      ]
    });
    // Which washer went in is said by the press, the house rule’s first: nothing is written that nobody said.
    expect(at(closes('Engine drain plug'), entries)).toEqual([
      press('new crush washer', 'new'),
      press('old crush washer again', 'again')
    ]);
  });
  it('offers nothing where the torque is not on the sheet', () => {
    const entries = whole(plan).filter((e) => e.action === 'done');
    expect(at(closes('Screen cap'), entries)).toEqual([]);
  });
  it('is by feel where nobody knows the torque and the house allows it, and not where it does not', () => {
    const off = whole(plan).filter((e) => e.action === 'done');
    const state = visitState(plan, off);
    const s = state.steps.find((x) => x.step.title === 'Refit and torque screen cap')!;
    expect(quickAt(state, s, hand)).toEqual([]);
    const [press] = quickAt(state, s, { ...hand, byFeel: true });
    expect(press).toMatchObject({
      label: 'Tight by feel, new O-ring',
      entries: [{ action: 'by feel', content: { reason: 'by feel, as the house rule allows' } }]
    });
  });
  it('picks the oil that suits, and none where nothing does', () => {
    expect(at('oil')).toMatchObject([{ label: 'Good 10W-50', entries: [{ content: { oilId: 'o' } }] }]);
    const state = visitState(plan, []);
    expect(
      quickAt(
        state,
        state.steps.find((s) => s.step.key === 'oil')!,
        { ...hand, tools: NO_TOOLS }
      )
    ).toEqual([]);
  });
  it('is never refused at the step that is next: it obeys what everything else obeys', () => {
    let n = 0;
    const entries: Entry[] = [];
    const rest = whole(plan);
    for (let guard = 0; guard < 200; guard++) {
      const state = visitState(plan, entries);
      const next = state.steps.find(isLeft);
      if (!next) break;
      const taken = (e: object) => refuseEntry(state, { ...bare, ...e } as NewEntry, tools) === null;
      // Of twins, the right one; otherwise the first there is.
      const options = quickAt(state, next, hand);
      const twins = next.step.input.type === 'open' && next.step.input.twins.length > 0;
      const quick = twins ? options.find((q) => taken(q.entries[0]!)) : options[0];
      const written = quick
        ? quick.entries.map((e) => ({ ...bare, ...e }) as unknown as Entry)
        : rest.filter(
            (e) =>
              e.stepKey === next.step.key ||
              (next.step.input.type === 'close' && next.step.input.items.includes(e.itemKey ?? ''))
          );
      for (const e of written) {
        if (quick) expect(refuseEntry(visitState(plan, entries), e as NewEntry, tools)).toBeNull();
        entries.push({ ...e, id: `q${++n}`, seq: n, at: '2026-06-10T10:00:00Z', by: 'p' } as Entry);
      }
    }
    expect(visitState(plan, entries).open).toEqual([]);
    expect(visitState(plan, entries).steps.filter(isLeft)).toEqual([]);
  });
});

describe('a filter that goes in', () => {
  const pressesOf = (p: typeof plan) => {
    const s = visitState(p, [step('filter-out-c')]).steps.find((x) => x.step.key === 'filter-in-c')!;
    return quickAt(visitState(p, [step('filter-out-c')]), s, hand).map((q) => [
      q.label,
      q.entries[0]!.content
    ]);
  };
  it('is said by the press: the house rule’s first, and the other', () => {
    expect(pressesOf(plan)).toEqual([
      ['New filter in', { filter: 'new' }],
      ['Old filter in again', { filter: 'again' }]
    ]);
    const washable = planOf(['engine-oil'], { rules: { ...DEFAULT_RULES, filter: 'washable' } });
    expect(pressesOf(washable)).toEqual([
      ['Washed filter in', { filter: 'washed' }],
      ['New filter in', { filter: 'new' }]
    ]);
  });
  it('a screen is simply back in', () => {
    const s = visitState(plan, [step('screen-out-s')]);
    const screen = s.steps.find((x) => x.step.key === 'screen-in-s')!;
    expect(quickAt(s, screen, hand).map((q) => q.label)).toEqual(['Back in']);
  });
  it('an engine that ran as long as its sheet wants says so', () => {
    const sheet = { ...SHEET, figures: [...SHEET.figures, figure('oil level run time', quantity(3, 'min'))] };
    const s = visitState(planOf(['engine-oil'], { sheet }), []);
    expect(
      quickAt(
        s,
        s.steps.find((x) => x.step.key === 'run')!,
        hand
      )
    ).toMatchObject([{ label: 'It has run, 3 min', entries: [{ content: { ranSeconds: 180 } }] }]);
  });
});

describe('a run of looks', () => {
  it('goes as far as nothing but a hand is wanted, and stops at what heats, is torqued or written, or has a twin', () => {
    const state = visitState(plan, []);
    const order = state.steps.map((s) => s.step);
    for (const s of order)
      for (const r of runFrom(state, s.key).map((k) => order.find((x) => x.key === k)!)) {
        expect(['tick', 'open', 'close']).toContain(r.input.type);
        expect(r.heats).toBe(false);
        if (r.input.type === 'open') expect(r.input.twins).toEqual([]);
        if (r.input.type !== 'close') continue;
        const { items } = r.input;
        expect(plan.items.filter((i) => items.includes(i.key)).map((i) => i.kind)).not.toContain('fastener');
      }
    expect(runFrom(state, 'warm')).toEqual([]);
    expect(runFrom(state, order[0]!.key).length).toBeGreaterThan(1);
  });
});

describe('the number of a line', () => {
  const state = visitState(plan, []);
  const of = (key: string) =>
    numberOf(
      plan,
      state.steps.find((s) => s.step.key === key)!
    );
  it('is what the hand needs', () => {
    expect(of(closes('Engine drain plug'))).toBe('20 N·m');
    expect(of(closes('Screen cap'))).toContain('torque unknown');
    expect(of('level')).toBe('settle 3 min');
    expect(of('stand')).toBe('');
  });
});

it('a torque with one end is said with it, and never as one figure', () => {
  const p = planOf(['engine-oil'], {
    sheet: {
      ...SHEET,
      figures: SHEET.figures.map((f) =>
        f.fastenerId === 'd' ? { ...f, band: { from: null, to: quantity(12, 'N·m') } } : f
      )
    }
  });
  const s = visitState(p, []);
  const close = s.steps.find((x) => x.step.input.type === 'close' && x.step.points.includes('d'))!;
  expect(numberOf(p, close)).toBe('at most 12 N·m');
});
