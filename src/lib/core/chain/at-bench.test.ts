import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor, item, planOf, SHEET, step } from '../../../../tests/core/bench';
import { answered } from '../job/layout/answered';
import { quantity } from '../quantity/quantity';
import { leavesOf } from '../record/leaves';
import { asksAt } from '../visit/asks';
import { toSay, withAnswers, writtenAfterwards, type Afterwards } from '../visit/afterwards';
import { closeProblems } from '../visit/close';
import { NO_TOOLS } from '../stores/toolbox';
import type { Entry } from '../visit/entry';
import { numberOf } from '../visit/quick';
import { refuseEntry } from '../visit/refuse';
import { visitState } from '../visit/state';
import { readingsOf, SLACK_UNKNOWN, type ChainForJobs } from './at-bench';

const CHAIN: ChainForJobs = {
  wanted: { how: 'in all', lo: 35, hi: 45, aim: 40, tolerance: null },
  at: 0.5,
  attitude: 'on the stand, wheel hanging',
  finger: 16,
  shift: -4,
  dressing: 'lube',
  adjuster: 'screws'
};
const AXLES = {
  ...SHEET,
  fasteners: [
    ...SHEET.fasteners,
    fastener('front', 'axle nut', 'Front axle', { circuit: null }),
    fastener('rear', 'axle nut', 'Rear axle nut', { circuit: null })
  ],
  figures: [...SHEET.figures, figure('torque', quantity(100, 'N·m'), { id: 'ta', fastenerId: 'rear' })]
};
const plan = planOf(['chain'], { sheet: AXLES, chain: CHAIN });
const NUT = 'axle-nut-rear';
const read = (key: string, mm: number, more: object = {}) =>
  step(`chain.${key}`, 'done', { slack: { mm, asWritten: String(mm), ...more } });
const state = (...entries: Entry[]) => visitState(plan, entries);
const called = (...entries: Entry[]) =>
  state(...entries)
    .steps.filter((s) => s.called)
    .map((s) => s.step.key.replace('chain.', ''));
const isDone = (entries: Entry[], key: string) =>
  state(...entries).steps.find((s) => s.step.key.startsWith(`chain.${key}`))!.done;
const START = [step('gather'), step('meter'), step('stand'), step('chain.clean'), step('chain.look')];
const torqued = () => item(NUT, 'torqued', { value: 100, unit: 'N·m' });
const ADJUSTED = () => [
  ...START,
  read('found', 58),
  step(plan.steps.find((s) => s.key.startsWith('chain.axle-loose'))!.key),
  read('adjust', 44),
  torqued(),
  step('chain.lock-nuts'),
  read('tight', 40),
  step('chain.pedal')
];

describe('the chain at the bench', () => {
  it('a nut torqued on a device that did not know of another adjusting stays loose', () => {
    const entries = ADJUSTED();
    const before = entries.findLast((e) => e.itemKey === NUT)!;
    const again = read('adjust', 42);
    const blind = { ...torqued(), seen: before.id };
    const nut = (...all: Entry[]) => state(...all).items.find((i) => i.item.key === NUT)!;
    expect(nut(...entries, again, blind).stand).toBe('off');
    expect(nut(...entries, again, { ...torqued(), seen: again.id }).stand).toBe('torqued');
  });
  it('found right, asks for no wrench: looked at, read, dressed', () => {
    expect(called(read('found', 40))).not.toContain('adjust');
    const s = state(...START, read('found', 40), step('chain.dress'), step('write'));
    expect(closeProblems(plan, s)).toEqual([]);
    expect(readingsOf(s.steps)).toMatchObject([{ stage: 'found', slack: 40 }]);
  });

  it('found wrong, opens the axle that the chain pulls at, and no other', () => {
    expect(plan.items.map((i) => i.name)).toEqual(['Rear axle nut']);
    const s = state(...START, read('found', 58));
    expect(s.steps.find((x) => x.step.key.startsWith('chain.axle-loose'))).toMatchObject({ called: true });
    expect(closeProblems(plan, state(...ADJUSTED(), step('chain.dress'), step('write')))).toEqual([]);
    // Loose, it is on the open list until it is torqued.
    expect(state(...ADJUSTED().slice(0, 7)).open.map((i) => i.item.name)).toEqual(['Rear axle nut']);
  });

  it('no sheet names its axle: it is there all the same', () => {
    const bare = planOf(['chain'], { chain: CHAIN });
    expect(bare.items.map((i) => i.name)).toEqual(['Rear axle nut']);
  });

  it('adjusted once more, what was seen to with the axle where it stood is to be seen to again', () => {
    const all = ADJUSTED();
    expect(isDone(all, 'tight')).toBe(true);
    const again = [...all, read('adjust', 46)];
    for (const key of ['tight', 'lock-nuts', 'pedal'])
      expect([key, isDone(again, key)]).toEqual([key, false]);
    expect(state(...again).open.map((i) => i.item.name)).toEqual(['Rear axle nut']);
    const right = [...again, torqued(), step('chain.lock-nuts'), read('tight', 41), step('chain.pedal')];
    expect(readingsOf(state(...right).steps).map((r) => r.slack)).toEqual([58, 46, 41]);
    expect(closeProblems(plan, state(...right, step('chain.dress'), step('write')))).toEqual([]);
  });

  it('its nut off again for whatever reason reopens the slack and the brake', () => {
    const again = [...ADJUSTED(), item(NUT, 'off')];
    expect(isDone(again, 'tight')).toBe(false);
    expect(isDone(again, 'pedal')).toBe(false);
  });

  it('a line of the sheet says what is wanted, and before the nut is tight what leads it', () => {
    const line = (key: string) =>
      numberOf(
        plan,
        state().steps.find((s) => s.step.key === `chain.${key}`)!
      );
    expect(line('found')).toBe('35 mm to 45 mm');
    // Tightening takes 4 of it.
    expect(line('adjust')).toBe('set to 44 mm');
    expect(line('tight')).toBe('35 mm to 45 mm');
    const unknown = planOf(['chain'], { sheet: AXLES, chain: { ...CHAIN, wanted: null, shift: null } });
    expect(
      numberOf(
        unknown,
        visitState(unknown, []).steps.find((s) => s.step.key === 'chain.found')!
      )
    ).toBe('slack unknown');
  });

  it('a pass needs its number; left wrong it is a finding, put right it is none', () => {
    const s = state(...START);
    const entry = (content: object) =>
      ({ ...step('chain.found', 'done', content), id: crypto.randomUUID() }) as never;
    expect(refuseEntry(s, entry({}))).toEqual({ kind: 'no slack' });
    expect(refuseEntry(s, entry({ slack: { mm: 40, asWritten: '40' } }))).toBeNull();
    expect(leavesOf(plan, state(...ADJUSTED())).findings).toEqual([]);
    const wrong = [...ADJUSTED().slice(0, -2), read('tight', 52), step('chain.pedal')];
    expect(leavesOf(plan, state(...wrong)).findings).toMatchObject([
      { what: 'Chain slack too slack: 52 mm; wanted 35 mm to 45 mm', severity: 'fix now', closed: null }
    ]);
  });

  it('what is wanted and not known is asked at the step, and goes into the visit', () => {
    const unknown = planOf(['chain'], { sheet: AXLES, chain: { ...CHAIN, wanted: null } });
    const s = visitState(unknown, START).steps.find((x) => x.step.key === 'chain.found')!;
    expect(asksAt(visitState(unknown, START), s)).toMatchObject([{ key: 'chain slack' }]);
    expect(s.step.lines[0]).toBe(SLACK_UNKNOWN);
    const now = answered(unknown, { ...inputFor(['chain'], { sheet: AXLES }), chain: CHAIN });
    const found = now.steps.find((x) => x.key === 'chain.found')!;
    expect(found.input).toMatchObject({ wanted: { lo: 35, hi: 45 } });
    expect(found.lines[0]).toBe('Half-way along the run, on the stand, wheel hanging.');
    // Nobody knows whether it is right: nothing is opened for it.
    expect(
      visitState(unknown, [...START, read('found', 80)])
        .steps.filter((x) => x.called)
        .map((x) => x.step.key)
    ).not.toContain('chain.adjust');
  });

  it('goes into the minutes in which the oil drains, never to a running engine', () => {
    const both = planOf(['engine-oil', 'chain'], { sheet: AXLES, chain: CHAIN });
    const at = (key: string) => both.steps.findIndex((s) => s.key.startsWith(key));
    expect(at('chain.found')).toBeGreaterThan(-1);
    const alone = planOf(['engine-oil'], { sheet: AXLES });
    const sum = (p: typeof both) => p.estimate!;
    // What the chain takes is less than it adds: some of it lies in a wait.
    expect(sum(both).elapsed - sum(alone).elapsed).toBeLessThan(sum(both).attended - sum(alone).attended);
    // The engine is started with nothing of the chain between its start and its stop.
    expect(both.steps[at('run')]!.input.type).toBe('start');
  });

  it('written down afterwards is three numbers: found wrong, the other two are asked in the same form', () => {
    const said = (more: Record<string, string>): Afterwards => ({
      said: more,
      closed: { [NUT]: true },
      why: {},
      materials: {},
      oilLook: {},
      leftOut: {},
      remark: '',
      units: 'metric'
    });
    const hand = { tools: NO_TOOLS };
    const asked = (a: Afterwards) =>
      toSay(withAnswers(state(), a, hand)).asked.map((s) => s.step.key.replace('chain.', ''));
    expect(asked(said({}))).toEqual(['found']);
    expect(asked(said({ 'chain.found': '40' }))).toEqual(['found']);
    expect(asked(said({ 'chain.found': '58' }))).toEqual(['found', 'adjust', 'tight']);
    const all = said({ 'chain.found': '58', 'chain.adjust': '44', 'chain.tight': '1 5/8 in' });
    const { lines, wanted } = writtenAfterwards(withAnswers(state(), all, hand), all, hand);
    expect(wanted).toEqual({});
    const slack = lines.flatMap((l) => (l.entry.content as { slack?: { mm: number } }).slack?.mm ?? []);
    expect(slack).toEqual([58, 44, 41.3]);
    // In working order: the nut is loosened before it is adjusted, and torqued before it is read again.
    const keys = lines.map((l) => l.key.replace(/^chain\./, ''));
    expect(keys.indexOf('adjust')).toBeGreaterThan(keys.findIndex((k) => k.startsWith('axle-loose')));
    expect(keys.indexOf('tight')).toBeGreaterThan(keys.indexOf(NUT));
  });
});
