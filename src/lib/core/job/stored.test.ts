import { describe, expect, it } from 'vitest';
import { closeProblems } from '../visit/close';
import type { Entry } from '../visit/entry';
import { readItem, readStep, readTemplate, writeItem, writeStep, writeTemplate } from './stored';
import { planOf } from '../../../../tests/core/bench';
import { BUILT_IN } from './built-in/jobs';
import { UnreadableError } from '../stored/stored';
import { visitState } from '../visit/state';

/** Steps as visits kept them before they held more than one job. */
const OLD = {
  caution: null,
  lines: ['Underneath'],
  mayLeaveOut: true,
  after: [],
  number: null
};
const oldSteps = [
  { ...OLD, key: 'drain-d', title: 'Open the plug', input: { type: 'open', items: ['plug'] } },
  { ...OLD, key: 'drained', title: 'Measure', input: { type: 'drained', pouredLastTimeMl: 900 } },
  {
    ...OLD,
    key: 'magnet-d',
    title: 'Read the magnet',
    input: { type: 'debris', place: 'Plug', before: ['fine glitter', 'none'], breakIn: false }
  },
  { ...OLD, key: 'drain-in', title: 'Refit', mayLeaveOut: false, input: { type: 'close', items: ['plug'] } },
  {
    ...OLD,
    key: 'pour',
    title: 'Pour',
    number: { label: 'First pour: 8 % held back', quantity: null, source: 'Manual', unsure: true },
    input: { type: 'pour', quantityMl: 950, firstMl: 870, heldBackMl: 80 }
  },
  { ...OLD, key: 'level', title: 'Read', input: { type: 'level', method: 'sight glass', settleSeconds: 120 } }
];
const oldItem = {
  key: 'plug',
  kind: 'fastener',
  name: 'Plug',
  place: 'Underneath',
  quantity: 1,
  torque: null,
  seal: 'crush washer',
  note: ''
};

describe('a visit that was begun before visits held several jobs', () => {
  const plan = { steps: oldSteps.map(readStep), items: [readItem(oldItem)], points: [] };
  it('has its steps in today’s shape, with nothing made up', () => {
    expect(plan.steps[0]!.input).toEqual({ type: 'open', items: ['plug'], twins: [] });
    expect(plan.steps[1]!.input).toMatchObject({
      circuit: 'engine',
      pouredLastTimeMl: 900,
      mine: null,
      others: []
    });
    expect(plan.steps[2]!.input).toMatchObject({
      before: [
        { grade: 'fine glitter', oilHours: null, photoId: null },
        { grade: 'none', materials: [] }
      ]
    });
    expect(plan.steps[4]!.input).toMatchObject({
      fill: { quantityMl: 950, firstMl: 870, number: { source: 'Manual', unsure: true } },
      without: null
    });
    expect(plan.steps[5]!.input).toMatchObject({
      protocol: { method: 'sight glass', settleSeconds: 120, aim: null }
    });
    expect(plan.steps.every((s) => s.gate === null && s.needs.length === 0)).toBe(true);
    expect(plan.items[0]).toMatchObject({ fastenerId: null, sealUses: null, found: [] });
  });
  it('reads an aim that was a point as a band of one, and a band as it is', () => {
    const level = writeStep(plan.steps[5]!) as { input: { protocol: { aim: unknown } } };
    const aimed = (aim: unknown) =>
      readStep({ ...level, input: { ...level.input, protocol: { ...level.input.protocol, aim } } } as never)
        .input;
    expect(aimed(0.75)).toMatchObject({ protocol: { aim: { from: 0.75, to: 0.75 } } });
    expect(aimed({ from: 0.5, to: 0.75 })).toMatchObject({ protocol: { aim: { from: 0.5, to: 0.75 } } });
  });
  it('leaves steps of today as they are', () => {
    expect(plan.steps.map((s) => readStep(writeStep(s)))).toEqual(plan.steps);
    expect(readItem(writeItem(plan.items[0]!))).toEqual(plan.items[0]);
  });
  it('goes on from its old entries, and closes', () => {
    let seq = 0;
    const entry = (e: object) =>
      ({ id: String(++seq), seq, at: '', by: 'p', stepKey: null, itemKey: null, content: {}, ...e }) as Entry;
    const done = (stepKey: string, content: object = {}) => entry({ stepKey, action: 'done', content });
    const half = [done('drain-d'), done('drained', { ml: 850 }), done('magnet-d', { grade: 'none' })];
    expect(visitState(plan, half).open.map((i) => i.item.name)).toEqual(['Plug']);
    const rest = [
      entry({ itemKey: 'plug', action: 'torqued', content: { value: 20, unit: 'N·m' } }),
      done('pour', { ml: 870 }),
      done('level', { level: { method: 'sight glass', position: 0.5 } })
    ];
    expect(closeProblems(plan, visitState(plan, [...half, ...rest]))).toEqual([]);
  });
});

describe('a plan as it is kept today', () => {
  const plan = planOf(['engine-oil', 'gearbox-check-screw']);
  const kept = <T>(value: T): unknown => JSON.parse(JSON.stringify(value));
  it('is read as it was written', () => {
    expect(plan.steps.map((s) => readStep(kept(writeStep(s))))).toEqual(plan.steps);
    expect(plan.items.map((i) => readItem(kept(writeItem(i))))).toEqual(plan.items);
    for (const job of BUILT_IN) {
      const { version: _, ...template } = job;
      expect(readTemplate(kept(writeTemplate(template)))).toMatchObject({ key: job.key, steps: job.steps });
    }
  });
  it('what none of its versions can read is said, with where', () => {
    const odd = { ...writeStep(plan.steps[0]!), minutes: 'ten' };
    expect(() => readStep(odd)).toThrow(UnreadableError);
    expect(() => readStep(odd)).toThrow(/a step of a visit cannot be read: minutes/);
    for (const nothing of [null, 'a', [], { v: 99 }, { v: 3 }])
      expect(() => readStep(nothing)).toThrow(UnreadableError);
  });
});

describe('numbers of before there were bands', () => {
  const step = (input: object) =>
    readStep({ ...writeStep(planOf(['engine-oil']).steps[0]!), v: 2, title: 'Slack', input });
  it('a band in a unit of the workshop becomes quantities in it', () => {
    const { input } = step({ type: 'measure', unit: 'mm', from: 35, to: 45 });
    expect(input).toMatchObject({
      type: 'measure',
      unit: 'mm',
      figure: null,
      number: { band: { from: { value: 35, unit: 'mm' }, to: { value: 45, unit: 'mm' } } }
    });
    expect(step({ type: 'measure', unit: 'mm', from: null, to: null }).input).toMatchObject({
      number: { band: null }
    });
  });
  it('a unit of nobody’s is counted in pieces, and the title keeps its word', () => {
    const { title, input } = step({ type: 'measure', unit: 'notches', from: null, to: 14 });
    expect(title).toBe('Slack, in notches');
    expect(input).toMatchObject({ unit: 'pieces', number: { band: { from: null, to: { value: 14 } } } });
  });
  it('what was found stood in words, with an advice that is worked out today', () => {
    const { torque: _, ...same } = writeItem(planOf(['engine-oil']).items[0]!);
    const found = [
      'Found loose, 3 May',
      'Found over-tight, 1 Jun: two hands',
      'Found loose twice: thread-lock.'
    ];
    expect(readItem({ ...same, v: 2, torque: null, found }).found).toEqual([
      { how: 'loose', words: 'Found loose, 3 May' },
      { how: 'over-tight', words: 'Found over-tight, 1 Jun: two hands' }
    ]);
  });
  it('one torque becomes a band of which both ends are it', () => {
    const { torque: _, ...same } = writeItem(planOf(['engine-oil']).items.find((i) => i.torque?.band)!);
    const number = { label: 'Torque', source: 'Manual', unsure: false };
    const quantity = { dimension: 'torque', base: 20, value: 20, unit: 'N·m' };
    expect(readItem({ ...same, v: 2, torque: { ...number, quantity } }).torque).toEqual({
      ...number,
      band: { from: quantity, to: quantity },
      words: null
    });
  });
});
