import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { item, planOf, step, visitEntry, whole } from '../../../../tests/core/bench';
import { DEFAULT_RULES } from '../rules/rules';
import { visitState } from '../visit/state';
import { NO_HISTORY } from '../job/layout/context';
import { afterCorrection, corrected } from './correction';
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
      'Filler cap',
      'Filter cover',
      'Screen cap',
      'Skid plate'
    ]);
    // A cap is shut, not torqued; its ring is in the record all the same.
    expect(engine.fasteners.find((f) => f.name === 'Filler cap')).toMatchObject({
      stand: 'shut',
      torque: null,
      seal: 'new'
    });
    const gearbox = drawUpRecord(both, state, DEFAULT_RULES, 95, 'gearbox-check-screw');
    expect(gearbox.circuits).toMatchObject([{ circuit: 'gearbox', level: { flow: 'weeps' } }]);
    expect(gearbox.debris.map((d) => d.place)).toEqual(['Gearbox drain plug']);
  });
  it('says what was entered, whatever it was', () => {
    const of = (type: string) => plan.steps.find((s) => s.input.type === type)!.key;
    const drain = plan.items.find((i) => i.name === 'Engine drain plug')!;
    const rest = whole(plan).filter(
      (e) => ![of('drained'), of('pour'), of('level')].includes(e.stepKey ?? '')
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: -25, max: 75 }),
        fc.tuple(fc.integer({ min: 1, max: 400 }), fc.constantFrom('N·m', 'lbf·ft', 'lbf·in')),
        fc.constantFrom('new', 'again'),
        fc.string({ minLength: 1, maxLength: 30 }).filter((x) => x.trim() !== ''),
        (drained, pours, topped, fiftieths, [torque, unit], seal, remark) => {
          const state = visitState(plan, [
            ...rest,
            step(of('drained'), 'done', { ml: drained, remark }),
            ...pours.map((ml) => step(of('pour'), 'done', { ml })),
            step(of('level'), 'done', {
              level: { method: 'sight glass', position: fiftieths / 50 },
              toppedUpMl: topped
            }),
            item(drain.key, 'torqued', { value: torque / 10, unit, seal, reason: 'tried' })
          ]);
          const record = drawUpRecord(plan, state, DEFAULT_RULES, 60);
          expect(record.circuits[0]).toMatchObject({
            drainedMl: drained,
            pouredMl: pours.reduce((sum, ml) => sum + ml, topped),
            level: { position: fiftieths / 50 }
          });
          const plug = record.fasteners.find((f) => f.name === drain.name)!;
          expect(plug).toMatchObject({ torque: { value: torque / 10, unit }, seal, reason: 'tried' });
          expect(record.remarks.map((r) => r.remark)).toContain(remark);
        }
      )
    );
  });
  it('keeps every reason that somebody gave', () => {
    const plug = plan.items.find((i) => i.name === 'Engine drain plug')!;
    const again = { value: 20, unit: 'N·m', seal: 'again', sealReason: 'none left in the drawer' };
    const state = visitState(plan, [
      ...whole(plan),
      item(plug.key, 'torqued', again),
      visitEntry('reordered', { order: [], reason: 'the jug was lent' }),
      visitEntry('fill accepted', { circuit: 'engine', inMl: 1070, reason: 'sump not drained whole' })
    ]);
    const r = drawUpRecord(plan, state, DEFAULT_RULES, 95);
    expect(r.remarks.map((x) => [x.title, x.remark])).toEqual(
      expect.arrayContaining([
        ['Engine drain plug', 'the old crush washer again: none left in the drawer'],
        ['Another order', 'the jug was lent']
      ])
    );
    expect(r.passedOver).toEqual([{ name: '1070 ml left in the engine', reason: 'sump not drained whole' }]);
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
        engine: { ...NO_HISTORY, pouredLastTimeMl: 1070, oilHours: 1500 }
      }
    });
    expect(drawUpRecord(worn, visitState(worn, whole(worn)), DEFAULT_RULES, 60).circuits![0]!.used).toEqual({
      ml: 120,
      mlPerHour: 8
    });
    // Of it 60 were written into the filter: 60 were used in 15 h.
    const filtered = planOf(['engine-oil'], {
      history: { engine: { ...NO_HISTORY, pouredLastTimeMl: 1070, oilHours: 1500, intoFilterMl: 60 } }
    });
    const record = drawUpRecord(filtered, visitState(filtered, whole(filtered)), DEFAULT_RULES, 60);
    expect(record.circuits![0]!.used).toEqual({ ml: 60, mlPerHour: 4, inFilterMl: 60 });
    // Drained put right by 20: what was in the filter stays out of it, and what had gone in is still known.
    const less = corrected(record, { circuit: 'engine', what: 'drained', now: 930 });
    expect(less.circuits[0]!.used).toEqual({ ml: 80, mlPerHour: 80 / 15, inFilterMl: 60 });
    expect(afterCorrection(less, { circuit: 'engine', was: 1070, now: 1090 }).circuits[0]!.used!.ml).toBe(
      100
    );
  });
});
