import { describe, expect, it } from 'vitest';
import { item, planOf, step, whole } from '../../../../tests/core/bench';
import { DEFAULT_RULES } from '../rules/rules';
import { visitState } from '../visit/state';
import { drawUpRecord } from './record';

const plan = planOf(['engine-oil']);
const both = planOf(['engine-oil', 'gearbox-check-screw']);

describe('the record', () => {
  it('sums up each job as found and as left', () => {
    const state = visitState(both, whole(both));
    const engine = drawUpRecord(both, state, DEFAULT_RULES, 95, 'engine-oil');
    expect(engine).toMatchObject({
      minutes: 95,
      rules: { holdBackPercent: 8 },
      circuits: [
        {
          circuit: 'engine',
          drainedMl: 950,
          pouredMl: 1070,
          level: { position: 0.6 },
          oil: { name: 'Brindle Four', grade: '10W-50' }
        }
      ]
    });
    expect(engine.fasteners.map((f) => f.name).sort()).toEqual([
      'Engine drain plug',
      'Filter cover',
      'Screen cap',
      'Skid plate'
    ]);
    const gearbox = drawUpRecord(both, state, DEFAULT_RULES, 95, 'gearbox-check-screw');
    expect(gearbox.circuits).toMatchObject([{ circuit: 'gearbox', level: { flow: 'weeps' } }]);
    expect(gearbox.debris.map((d) => d.place)).toEqual(['Gearbox drain plug']);
  });
  it('keeps what was deferred, with what it waits for and the torque it wants', () => {
    const all = whole(plan);
    const deferred = item('filter-cover-c', 'deferred', {
      reason: 'no adapter',
      waitsFor: 'a tool to arrive',
      part: 'adapter'
    });
    const state = visitState(plan, [...all, deferred]);
    expect(drawUpRecord(plan, state, DEFAULT_RULES, 60).deferred).toMatchObject([
      {
        name: 'Filter cover',
        waitsFor: 'a tool to arrive',
        part: 'adapter',
        torque: { from: { value: 10 }, to: { value: 10 } }
      }
    ]);
  });
  it('keeps the mechanic’s own verdict, with the words', () => {
    const entries = [
      ...whole(plan),
      step('magnet-d', 'done', {
        grade: 'fine glitter',
        materials: [],
        verdict: 'carry on',
        overruled: 'new gears'
      })
    ];
    expect(drawUpRecord(plan, visitState(plan, entries), DEFAULT_RULES, 60).debris[0]).toMatchObject({
      verdict: 'carry on',
      overruled: 'new gears'
    });
  });
  it('works out what was used since the last change', () => {
    const worn = planOf(['engine-oil'], {
      history: {
        engine: { pouredLastTimeMl: 1070, oilHours: 1500, inside: null, debris: {}, breakIn: false }
      }
    });
    expect(drawUpRecord(worn, visitState(worn, whole(worn)), DEFAULT_RULES, 60).circuits![0]!.used).toEqual({
      ml: 120,
      mlPerHour: 8
    });
  });
});
