import { describe, expect, it } from 'vitest';
import { item, planOf, SHEET, step, whole, figure } from '../../../../tests/core/bench';
import { step as templateStep } from '../job/built-in/steps';
import type { JobTemplate } from '../job/template';
import { layOut } from '../job/layout/layout';
import { quantity } from '../quantity/quantity';
import { DEFAULT_RULES } from '../rules/rules';
import { drawUpRecord } from './record';
import { judgedAt } from '../visit/state';
import { visitState } from '../visit/state';
import { leavesOf } from './leaves';

const plan = planOf(['engine-oil']);
const leaves = (...more: (() => ReturnType<typeof item>)[]) => {
  const entries = whole(plan);
  return leavesOf(plan, visitState(plan, [...entries, ...more.map((m) => m())]));
};

describe('what a visit leaves behind', () => {
  it('is nothing when nothing was found, and every torqued fastener closes what was deferred on it', () => {
    const { findings, tight } = leaves();
    expect(findings).toEqual([]);
    expect(tight.map((t) => t.fastenerId)).toContain('d');
    expect(tight.find((t) => t.fastenerId === 'd')!.word).toMatch(/^At the bench: torqued, \d+ N·m\.$/);
  });
  it('a deferred fastener parks the machine, unless the mechanic says it may be ridden', () => {
    const deferred = (usable?: boolean) => () =>
      item('filter-cover-c', 'deferred', {
        reason: 'no adapter',
        waitsFor: 'a tool to arrive',
        part: 'adapter',
        ...(usable === undefined ? {} : { usable })
      });
    const { findings, tight } = leaves(deferred());
    expect(findings).toMatchObject([
      {
        cause: 'deferred',
        key: 'filter-cover-c',
        what: 'Filter cover: torque 10 N·m (no adapter)',
        severity: 'park the machine',
        fastenerId: 'c',
        job: 'engine-oil',
        waits: { waitsFor: 'a tool to arrive', part: 'adapter' },
        closed: null
      }
    ]);
    expect(tight.map((t) => t.fastenerId)).not.toContain('c');
    expect(leaves(deferred(true)).findings[0]!.severity).toBe('fix now');
  });
  it('flakes park it until the source is found; the mechanic’s own milder verdict does not', () => {
    const look = (more: object) => () =>
      step('magnet-d', 'done', { grade: 'flakes you can feel', materials: [], ...more });
    expect(leaves(look({})).findings).toMatchObject([
      {
        cause: 'debris',
        what: 'Engine drain plug: flakes you can feel; find the source',
        severity: 'park the machine',
        job: 'engine-oil'
      }
    ]);
    expect(leaves(look({ verdict: 'carry on', overruled: 'old gasket' })).findings).toEqual([]);
  });
  it('found loose is closed by its torque; loose again, or damaged, stays open', () => {
    const found = (how: string) => () => item('drain-plug-d', 'found', { how, note: 'a quarter turn' });
    expect(leaves(found('loose')).findings).toMatchObject([
      { what: 'Engine drain plug: found loose', closed: expect.stringMatching(/^At the bench: torqued/) }
    ]);
    expect(leaves(found('damaged')).findings).toMatchObject([{ severity: 'fix now', closed: null }]);
    const before = {
      ...plan,
      items: plan.items.map((i) =>
        i.key === 'drain-plug-d'
          ? { ...i, found: [{ how: 'loose' as const, words: 'Found loose, 3 May' }] }
          : i
      )
    };
    const again = [...whole(before), found('loose')()];
    expect(leavesOf(before, visitState(before, again)).findings).toMatchObject([
      {
        what: 'Engine drain plug: found loose again: thread-lock, or find the cause',
        severity: 'watch',
        closed: null
      }
    ]);
  });
  it('cuts a long line, and keeps it whole in the note', () => {
    const reason = 'x'.repeat(900);
    const [f] = leaves(() =>
      item('filter-cover-c', 'deferred', { reason, waitsFor: 'a second person', part: '' })
    ).findings;
    expect(f!.what).toHaveLength(200);
    expect(f!.note).toBe(reason);
  });
});

describe('what is measured by a figure of the sheet', () => {
  const job: JobTemplate & { version: number } = {
    key: 'slack',
    version: 1,
    title: 'Chain slack',
    about: '',
    circuits: [],
    steps: [
      templateStep({
        key: 'slack',
        title: 'Measure the slack',
        kind: 'measure',
        minutes: 2,
        measure: { unit: 'mm', from: null, to: null, figure: 'chain slack' }
      }),
      templateStep({
        key: 'adjust',
        title: 'Adjust it',
        kind: 'tick',
        minutes: 5,
        needs: ['slack'],
        gate: { step: 'slack', is: 'outside' }
      })
    ]
  };
  const on = (figures = SHEET.figures) =>
    layOut({
      kind: 'four-stroke enduro',
      sheet: { ...SHEET, figures },
      rules: DEFAULT_RULES,
      jobs: [{ template: job, taskId: 't' }],
      history: {},
      sealUses: {},
      found: {},
      last: {}
    });
  const slack = figure('chain slack', null, {
    band: { from: quantity(35, 'mm'), to: quantity(45, 'mm') },
    page: '71'
  });
  const plan = on([...SHEET.figures, slack]);
  const key = 'slack.slack';
  const measured = (...values: [number, 'mm' | 'in'][]) =>
    visitState(
      plan,
      values.map(([value, unit]) => step(key, 'done', { measured: { value, unit } }))
    );
  const judged = (...values: [number, 'mm' | 'in'][]) =>
    judgedAt(measured(...values).steps.find((s) => s.step.key === key)!);

  it('takes its band, unit and source from the machine; without one it is unknown and judges nothing', () => {
    expect(plan.steps.find((s) => s.key === key)!.input).toMatchObject({
      type: 'measure',
      unit: 'mm',
      figure: 'chain slack',
      number: { band: slack.band, source: 'Manual · p. 71 · printed', unsure: false }
    });
    const bare = on();
    expect(bare.steps.find((s) => s.key === key)!.input).toMatchObject({
      unit: 'mm',
      number: { band: null, words: null, source: null }
    });
    const state = visitState(bare, [step(key, 'done', { measured: { value: 99, unit: 'mm' } })]);
    expect(judgedAt(state.steps.find((s) => s.step.key === key)!)).toBeNull();
    expect(leavesOf(bare, state).findings).toEqual([]);
  });
  it('is judged in whatever unit it was read, and the gate opens only outside', () => {
    expect([judged([40, 'mm']), judged([45, 'mm']), judged([46, 'mm']), judged([1.5, 'in'])]).toEqual([
      'inside',
      'on the edge',
      'outside',
      'inside'
    ]);
    const called = (...v: [number, 'mm' | 'in'][]) =>
      measured(...v).steps.find((s) => s.step.key === 'slack.adjust')!.called;
    expect([called([40, 'mm']), called([45, 'mm']), called([52, 'mm'])]).toEqual([false, false, true]);
  });
  it('outside it becomes a finding, closed where it was put right and measured again', () => {
    expect(leavesOf(plan, measured([52, 'mm'])).findings).toMatchObject([
      {
        cause: 'measure',
        what: 'Measure the slack: 52 mm; wanted 35–45 mm',
        severity: 'fix now',
        job: 'slack',
        closed: null
      }
    ]);
    expect(leavesOf(plan, measured([52, 'mm'], [40, 'mm'])).findings).toMatchObject([
      { what: 'Measure the slack: 52 mm; wanted 35–45 mm', closed: 'At the bench: 40 mm.' }
    ]);
    expect(leavesOf(plan, measured([40, 'mm'], [38, 'mm'])).findings).toEqual([]);
  });
  it('stands in the record as found and as left, with its band', () => {
    expect(drawUpRecord(plan, measured([52, 'mm'], [1.5, 'in']), DEFAULT_RULES, 10).measured).toEqual([
      {
        title: 'Measure the slack',
        found: quantity(52, 'mm'),
        measured: quantity(1.5, 'in'),
        band: slack.band,
        judged: 'inside'
      }
    ]);
  });
});
