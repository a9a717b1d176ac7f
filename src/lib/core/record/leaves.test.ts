import { describe, expect, it } from 'vitest';
import { item, planOf, step, whole } from '../../../../tests/core/bench';
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
      items: plan.items.map((i) => (i.key === 'drain-plug-d' ? { ...i, found: ['Found loose, 3 May'] } : i))
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
