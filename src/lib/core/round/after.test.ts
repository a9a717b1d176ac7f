import { describe, expect, it } from 'vitest';
import { fastener, item, planOf, SHEET, whole } from '../../../../tests/core/bench';
import { visitState } from '../visit/state';
import { afterHeld, afterVisit, afterWheel } from './after';
import { AS_IT_CAME } from './lists';

const LEVEL = {
  words: 'Engine oil level: read it again after the first ride',
  fastenerId: null,
  check: 'engine-oil'
};

describe('what is looked at again after the first ride', () => {
  it('is the level of oil that was changed, by house rule', () => {
    const plan = planOf(['engine-oil-only']);
    const state = visitState(plan, whole(plan));
    expect(afterVisit(state, true)).toEqual([LEVEL]);
    expect(afterVisit(state, false)).toEqual([]);
    // Nothing was poured yet: there is no new level.
    expect(afterVisit(visitState(plan, []), true)).toEqual([]);
  });
  it('is a wheel or axle nut that was off and is torqued again', () => {
    const nut = fastener('axle', 'axle nut', 'Rear axle nut', { circuit: null });
    const plan = planOf(['chain'], { sheet: { ...SHEET, fasteners: [...SHEET.fasteners, nut] } });
    // The axle is opened only where the slack wants it.
    const opened = plan.items.find((i) => i.fastenerId === nut.id)!;
    const torqued = [
      ...whole(plan),
      item(opened.key, 'off'),
      item(opened.key, 'torqued', { value: 20, unit: 'N·m' })
    ];
    expect(afterVisit(visitState(plan, torqued), true)).toEqual([
      { words: 'Rear axle nut: try it again after the first ride', fastenerId: nut.id, check: null }
    ]);
    expect(afterVisit(visitState(plan, whole(plan)), true)).toEqual([]);
  });
  it('is what had moved or was loose in a torque round, and nothing that held', () => {
    expect(afterHeld('Wheel nuts', 'f', 'moved')).toEqual([
      { words: 'Wheel nuts: try it again after the first ride', fastenerId: 'f', check: null }
    ]);
    expect(afterHeld('Wheel nuts', 'f', 'held')).toEqual([]);
    expect(afterHeld('Wheel nuts', 'f', 'over-tight')).toEqual([]);
  });
  it('is a wheel that was put on: spokes of a bike, nuts of a quad, at the check that looks at them', () => {
    const of = (kind: Parameters<typeof afterWheel>[0], place: string, ago = 0) =>
      afterWheel(kind, place, ago).map((a) => [a.words, a.check]);
    expect(of('four-stroke enduro', 'rear')).toEqual([
      ['Rear wheel: spokes and axle nut again after the first ride', 'rear-wheel']
    ]);
    expect(of('sport quad', 'front')).toEqual([
      ['Front wheels: nuts and rims again after the first ride', 'front-wheels']
    ]);
    // Put on a week ago it has been ridden in, or was looked at.
    expect([of('electric', 'rear', 7).length, of('electric', 'rear', 8).length]).toEqual([1, 0]);
    const known = AS_IT_CAME.map((c) => c.key);
    for (const kind of ['electric', 'utility quad'] as const)
      for (const place of ['', 'front', 'rear'])
        for (const a of afterWheel(kind, place, 0)) expect(known).toContain(a.check);
  });
});
