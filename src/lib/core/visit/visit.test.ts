import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantity } from '../quantity/quantity';
import { DEFAULT_RULES } from '../rules/rules';
import type { Fastener, Figure, Sheet } from '../specs/sheet';
import { entrySchema, type Entry, type NewEntry } from './entry';
import { planEngineOil } from './jobs/engine-oil';
import { closeProblems, pouredMl, refuseEntry, visitState } from './state';
import { summarise } from './summary';

const fastener = (
  id: string,
  role: Fastener['role'],
  name: string,
  more: Partial<Fastener> = {}
): Fastener => ({
  id,
  role,
  name,
  circuit: role === 'guard' ? null : 'engine',
  place: 'underneath',
  quantity: 1,
  magnet: false,
  seal: 'none',
  head: '',
  thread: '',
  pattern: '',
  note: '',
  ...more
});
const figure = (key: Figure['key'], q: Figure['quantity'], more: Partial<Figure> = {}): Figure => ({
  id: key,
  key,
  fastenerId: null,
  quantity: q,
  to: null,
  text: null,
  source: 'Manual',
  page: '12',
  confidence: 'printed',
  variant: '',
  ...more
});
const sheet: Sheet = {
  fasteners: [
    fastener('g', 'guard', 'Skid plate'),
    fastener('f', 'filler cap', 'Filler cap'),
    fastener('d', 'drain plug', 'Engine drain plug', { magnet: true, seal: 'crush washer' }),
    fastener('s', 'screen cap', 'Screen cap', { seal: 'O-ring' }),
    fastener('c', 'filter cover', 'Filter cover', { quantity: 3 }),
    fastener('x', 'drain plug', 'Gearbox drain plug', { circuit: 'gearbox' })
  ],
  figures: [
    figure('engine oil with filter', quantity(1.1, 'L')),
    figure('torque', quantity(20, 'N·m'), { id: 't', fastenerId: 'd' }),
    figure('oil level method', null, { text: 'sight glass' })
  ]
};
const plan = planEngineOil({
  sheet,
  rules: DEFAULT_RULES,
  pouredLastTimeMl: 1080,
  debrisBefore: {},
  breakIn: false
});
const empty = planEngineOil({
  sheet: { fasteners: [], figures: [] },
  rules: DEFAULT_RULES,
  pouredLastTimeMl: null,
  debrisBefore: {},
  breakIn: false
});

let seq = 0;
const id = () => `00000000-0000-4000-8000-${String(++seq).padStart(12, '0')}`;
const step = (stepKey: string, action: 'done' | 'undone' = 'done', content: object = {}): Entry =>
  ({ id: id(), seq, at: '2026-06-10T10:00:00Z', by: 'p', stepKey, itemKey: null, action, content }) as Entry;
const item = (itemKey: string, action: NewEntry['action'], content: object = {}): Entry =>
  ({ id: id(), seq, at: '2026-06-10T10:00:00Z', by: 'p', stepKey: null, itemKey, action, content }) as Entry;

/** Does everything a visit asks for, in order. */
function whole(p = plan): Entry[] {
  return p.steps.flatMap((s) => {
    const { input } = s;
    switch (input.type) {
      case 'close':
        return input.items.map((key) =>
          p.items.find((i) => i.key === key)!.kind === 'fastener'
            ? item(key, 'torqued', { value: 20, unit: 'N·m' })
            : item(key, 'shut')
        );
      case 'drained':
        return [step(s.key, 'done', { ml: 950 })];
      case 'debris':
        return [step(s.key, 'done', { grade: 'none', materials: [] })];
      case 'pour':
        return [step(s.key, 'done', { ml: 1010 })];
      case 'level':
        return [step(s.key, 'done', { level: { method: 'sight glass', position: 0.6 }, toppedUpMl: 60 })];
      default:
        return [step(s.key)];
    }
  });
}

describe('planEngineOil', () => {
  const order = (p: typeof plan) => p.steps.map((s) => s.key);
  it('follows the order of the handbook', () => {
    expect(order(plan)).toEqual([
      'gather',
      'meter',
      'stand',
      'guard-off',
      'warm',
      'clean-round',
      'filler-out',
      'drain-d',
      'drained',
      'magnet-d',
      'screen-out-s',
      'screen-look-s',
      'screen-in-s',
      'filter-out-c',
      'filter-look-c',
      'filter-in-c',
      'drain-in-d',
      'screen-cap-s',
      'filter-cover-c',
      'pour',
      'filler-in',
      'run',
      'level',
      'leaks',
      'guard-on',
      'write'
    ]);
  });
  it('leaves the gearbox’s plug alone', () =>
    expect(plan.items.map((i) => i.name)).not.toContain('Gearbox drain plug'));
  it('takes the guard off when the house says', () => {
    const after = planEngineOil({
      sheet,
      rules: { ...DEFAULT_RULES, guardOff: 'after the warm-up' },
      pouredLastTimeMl: null,
      debrisBefore: {},
      breakIn: false
    });
    expect(order(after).indexOf('guard-off')).toBeGreaterThan(order(after).indexOf('warm'));
  });
  it('holds back from the pour, and takes torques from the sheet', () => {
    expect(plan.steps.find((s) => s.key === 'pour')!.input).toMatchObject({ firstMl: 1010, heldBackMl: 90 });
    expect(plan.items.find((i) => i.name === 'Engine drain plug')!.torque).toMatchObject({
      quantity: { value: 20 },
      source: 'Manual · p. 12 · printed',
      unsure: false
    });
    expect(plan.items.find((i) => i.name === 'Screen cap')!.torque!.quantity).toBeNull();
  });
  it('invents nothing for a machine without a sheet', () => {
    expect(order(empty)).toContain('drain-drain');
    expect(empty.items.every((i) => !i.torque?.quantity)).toBe(true);
    expect(empty.steps.find((s) => s.key === 'pour')!.input).toMatchObject({
      quantityMl: null,
      firstMl: null
    });
    expect(empty.steps[0]!.lines.join()).toMatch(/unknown/);
  });
});

describe('a visit', () => {
  it('can be closed when all is done, and not before', () => {
    const all = whole();
    expect(closeProblems(visitState(plan, all))).toEqual([]);
    for (let n = 0; n < all.length; n++)
      expect(closeProblems(visitState(plan, all.slice(0, n)))).not.toEqual([]);
    expect(closeProblems(visitState(empty, whole(empty)))).toEqual([]);
  });

  it('refuses to close over a plug that is only hand-tight, saying which', () => {
    const entries = [...whole(), item('drain-plug-d', 'by hand')];
    expect(closeProblems(visitState(plan, entries))).toEqual([
      { key: 'drain-plug-d', message: 'Engine drain plug is only hand-tight.' }
    ]);
  });

  it('refuses to close on a level outside the marks', () => {
    const entries = [...whole(), step('level', 'done', { level: { method: 'sight glass', position: 1.2 } })];
    expect(closeProblems(visitState(plan, entries))[0]!.message).toMatch(/above the high mark/);
  });

  it('keeps open what was opened, through any interruption', () => {
    const half = visitState(plan, whole().slice(0, 9));
    expect(half.open.map((i) => i.item.name)).toEqual(['Skid plate', 'Filler cap', 'Engine drain plug']);
    expect(half.next).toBe('magnet-d');
  });

  it('does not call a plug refitted that never came out, unless that was left out', () => {
    const done = (entries: Entry[]) =>
      visitState(plan, entries).steps.find((s) => s.step.key === 'filter-in-c')!.done;
    expect(done([])).toBe(false);
    expect(done([step('filter-out-c')])).toBe(false);
    expect(done([step('filter-out-c'), item('filter-c', 'shut')])).toBe(true);
    expect(
      done([
        { ...step('filter-out-c'), action: 'left out', content: { reason: 'no filter to hand' } } as Entry
      ])
    ).toBe(true);
  });

  it('takes back what was ticked by mistake', () => {
    const s = visitState(plan, [step('drain-d'), step('drain-d', 'undone')]);
    expect(s.open).toEqual([]);
    expect(s.items.find((i) => i.item.key === 'drain-plug-d')!.opened).toBe(false);
  });

  it('a plug torqued stays torqued when its opening is unticked, and opens again when it comes off again', () => {
    const done = [
      step('drain-d'),
      item('drain-plug-d', 'torqued', { value: 20, unit: 'N·m' }),
      step('drain-d', 'undone')
    ];
    expect(visitState(plan, done).items.find((i) => i.item.key === 'drain-plug-d')!.stand).toBe('torqued');
    expect(visitState(plan, [...done, item('drain-plug-d', 'off')]).open).toHaveLength(1);
  });

  it('adds up several pours and toppings up', () => {
    const s = visitState(plan, [
      step('pour', 'done', { ml: 500 }),
      step('pour', 'done', { ml: 510 }),
      step('level', 'done', { level: { method: 'sight glass', position: 0.2 }, toppedUpMl: 60 })
    ]);
    expect(pouredMl(s)).toBe(1070);
  });

  it('is the same whatever order the entries arrive in, so long as they are numbered', () => {
    const all = whole();
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (mixed) => {
        expect(visitState(plan, mixed)).toEqual(visitState(plan, all));
      })
    );
  });

  it('sums up as found and as left', () => {
    const findings = summarise(plan, visitState(plan, whole()), DEFAULT_RULES, 45);
    expect(findings).toMatchObject({
      drainedMl: 950,
      pouredMl: 1070,
      level: { position: 0.6 },
      minutes: 45,
      rules: { holdBackPercent: 8 }
    });
    expect(findings.fasteners.map((f) => f.name)).toEqual([
      'Skid plate',
      'Engine drain plug',
      'Screen cap',
      'Filter cover'
    ]);
    expect(findings.debris.map((d) => d.place)).toEqual([
      'Engine drain plug',
      'Screen behind screen cap',
      'Oil filter'
    ]);
  });
});

describe('refuseEntry', () => {
  const opened = visitState(plan, [step('drain-d')]);
  it('will not pour over an open drain', () =>
    expect(refuseEntry(opened, step('pour', 'done', { ml: 1000 }))).toMatch(/Engine drain plug is off/));
  it('will not start the engine with the filler open', () =>
    expect(refuseEntry(visitState(plan, [step('filler-out')]), step('run'))).toMatch(/Filler cap is off/));
  it('wants a number for a measure', () => {
    expect(refuseEntry(opened, step('drained'))).toMatch(/amount/);
    expect(refuseEntry(opened, step('magnet-d'))).toMatch(/Pick/);
    expect(refuseEntry(opened, step('level'))).toMatch(/reading/);
  });
  it('questions a torque that is not the sheet’s until a reason is given', () => {
    expect(refuseEntry(opened, item('drain-plug-d', 'torqued', { value: 200, unit: 'N·m' }))).toMatch(
      /ten-fold/
    );
    expect(
      refuseEntry(
        opened,
        item('drain-plug-d', 'torqued', { value: 25, unit: 'N·m', reason: 'steel thread insert' })
      )
    ).toBeNull();
  });
  it('does not let a plug be ticked shut, nor the last drain left out', () => {
    expect(refuseEntry(opened, item('drain-plug-d', 'shut'))).toMatch(/torque/);
    expect(
      refuseEntry(opened, { ...step('drain-d'), action: 'left out', content: { reason: 'x' } } as Entry)
    ).toMatch(/cannot be left out/);
  });
  it('knows its own steps and items', () => {
    expect(refuseEntry(opened, step('nothing'))).toMatch(/no such step/);
    expect(refuseEntry(opened, item('nothing', 'off'))).toMatch(/Nothing of that name/);
  });
});

describe('entrySchema', () => {
  const ok = {
    id: '0b0a1c6e-4f0e-4b39-9f4f-6c1df3a0a001',
    stepKey: 'pour',
    action: 'done',
    content: { ml: 1000 }
  };
  it('takes a pour', () => expect(entrySchema.parse(ok)).toMatchObject({ itemKey: null }));
  it.each([
    [{ ...ok, content: { ml: -5 } }],
    [{ ...ok, content: { ml: 50_000 } }],
    [{ ...ok, content: { remark: 'x'.repeat(10_001) } }],
    [{ ...ok, id: 'not-an-id' }],
    [{ ...ok, action: 'exploded' }],
    [{ id: ok.id, itemKey: 'a', action: 'torqued', content: { value: 5, unit: 'ml' } }],
    [{ id: ok.id, itemKey: 'a', action: 'by feel', content: { reason: ' ' } }]
  ])('refuses %j', (bad) => expect(entrySchema.safeParse(bad).success).toBe(false));
});
