import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { addComponent, swapComponents } from '../../../../tests/database/hands';
import { refused } from '../../../../tests/database/refused';
import { blades, EL, ER, HeadBook, IL, IR, WELL } from '../../../../tests/database/valves';
import { componentSchema, swapSchema } from '../../core/component/form';
import { machineSchema } from '../../core/machine/form';
import { standsOf } from '../../core/valve/check';
import { measureSchema } from '../../core/valve/form';
import { USUAL_LAYOUTS } from '../../core/valve/head';
import { checkInput } from '../../core/valve/sheet';
import { headIn } from './heads';
import { readStandings } from '../trail/lanes';
import { valveSheetIn } from './sheet';

let on: HeadBook;
const sheet = async (machineId = on.book.machineId) =>
  (await valveSheetIn(on.book.sql, on.book.team, machineId))!;

beforeEach(async () => {
  on = await HeadBook.open();
});
afterEach(() => on.book.close());

describe('a head', () => {
  it('is laid out once, from whichever device, and keeps the valves that were measured', async () => {
    const again = await on.send('head.set', {
      id: uuid(),
      machineId: on.book.machineId,
      layout: USUAL_LAYOUTS[0]!.layout
    });
    expect(again).toBe(on.headId);
    await on.measure([[IL, blades(100, 125)]]);
    const errors = await refused(
      on.send('head.set', { id: uuid(), machineId: on.book.machineId, layout: USUAL_LAYOUTS[3]!.layout })
    );
    expect(errors.layout).toContain('Valves that were measured');
    expect(await on.rows('valve_head')).toHaveLength(1);
  });

  it('goes with its engine, with all that was measured and the limits of the sheet it was looked up on', async () => {
    // The engine is named only now: it takes over what was laid out for its machine.
    await on.measure(WELL);
    const engine = uuid();
    const name = (id: string, serial: string, machineId: string, fittedOn: string) =>
      addComponent(
        on.book.sql,
        on.book.team,
        on.book.personId,
        componentSchema.parse({
          id,
          kind: 'engine',
          name: `Engine ${serial}`,
          serial,
          brought: '38.4',
          machineId,
          fittedOn: fittedOn
        }),
        at(1)
      );
    await name(engine, 'A', on.book.machineId, '2026-06-01');
    expect(await headIn(on.book.sql, on.book.team.id, on.book.machineId)).toMatchObject({
      id: on.headId,
      componentId: engine
    });
    const other = uuid();
    await on.send(
      'machine.add',
      machineSchema.parse({
        id: other,
        plate: '8',
        name: 'Barrow 250',
        kind: 'four-stroke enduro',
        meter: 'hour meter',
        reading: '12',
        tasks: []
      }),
      at(2)
    );
    const spare = uuid();
    await name(spare, 'B', other, '2026-06-10');
    await swapComponents(
      on.book.sql,
      on.book.team,
      on.book.personId,
      swapSchema.parse({ id: uuid(), componentId: engine, withId: spare, day: '2026-06-12', reason: '' }),
      at(48)
    );
    expect(await valveSheetIn(on.book.sql, on.book.team, on.book.machineId)).toBeNull();
    const there = await sheet(other);
    expect(there).toMatchObject({ sheetOf: '7', limits: { inlet: { lo: 100, hi: 150 } } });
    expect(standsOf(checkInput(there)).map((s) => s.verdict)).toEqual(['in', 'in', 'in', 'in']);
  });
});

describe('a check', () => {
  it('is asked to be stone cold where the book cannot know it', async () => {
    // Read just now, two hours more than before: it may have run until then.
    await on.book.log('40.4', { sure: true });
    expect(await refused(on.measure(WELL, { cold: 'by the book', now: at(1) }))).toMatchObject({
      cold: expect.stringContaining('stone cold')
    });
    expect(await on.rows('valve_check')).toHaveLength(0);
    // A day later nothing more was counted.
    await on.measure(WELL, { cold: 'by the book', now: at(24) });
    expect(await on.rows('valve_check')).toMatchObject([{ cold: 'by the book' }]);
  });

  it('is one for two people at two devices, and nothing of either is lost', async () => {
    const ids = await Promise.all([on.measure(WELL.slice(0, 2)), on.measure(WELL.slice(1))]);
    expect(ids[0]).toBe(ids[1]);
    expect(await on.rows('valve_check')).toHaveLength(1);
    expect(await on.rows('valve_reading')).toHaveLength(5);
  });

  it('counts what was measured last, though it came in first; the same of a shim that was read', async () => {
    await on.measure([[IL, blades(75, 100)]], { now: at(24) });
    await on.measure([[IL, blades(125, 150)]], { now: at(26) });
    await on.measure([[IL, blades(100, 125)]], { now: at(25) });
    await on.readShim(IL, 1850, { now: at(26) });
    await on.readShim(IL, 1800, { now: at(25) });
    const s = await sheet();
    const stand = standsOf(checkInput(s)).find((x) => x.valve.id === IL)!;
    expect(stand.found!.measured).toMatchObject({ goes: 125 });
    expect(stand.shim).toMatchObject({ stamp: 1850 });
  });

  it('sent twice is written once', async () => {
    const input = measureSchema.parse({
      checkId: uuid(),
      headId: on.headId,
      cold: 'said',
      readings: [{ id: uuid(), valve: IL, stage: 'found', measured: blades(75, 100) }]
    });
    await Promise.all([
      on.send('valve.measure', input),
      on.send('valve.measure', input),
      on.send('valve.measure', input)
    ]);
    expect(await on.rows('valve_reading')).toHaveLength(1);
  });

  it('takes no valve the head has not, nothing as left before it was found, and nothing upside down', async () => {
    expect(await refused(on.measure([['2-inlet-left', blades(75, 100)]]))).toEqual({
      'readings.0.valve': 'This head has no such valve.'
    });
    expect(await refused(on.measure([[IL, blades(75, 100), 'left']]))).toMatchObject({
      'readings.0.measured': expect.any(String)
    });
    expect(() => on.measure([[IL, blades(100, 75)]])).toThrow();
    expect(await on.rows('valve_check')).toHaveLength(0);
  });

  it('is closed with a number at every valve, restarts the count, and the next begins anew', async () => {
    const taskId = await on.task('40');
    const checkId = await on.measure(WELL.slice(0, 3));
    const close = () => on.send('valve.close', { checkId, taskId, leave: null }, at(25));
    expect(await refused(close())).toEqual({ '': 'Exhaust right is not measured.' });
    await on.measure(WELL.slice(3));
    const recordId = await close();
    expect(await close()).toBe(recordId);
    expect(await on.rows('service_record')).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          id: recordId,
          task_id: taskId,
          hours: 3840,
          next_within: null,
          remark: expect.stringMatching(/^4 valves measured: Inlet left /)
        })
      ])
    );
    expect((await sheet()).check).toBeNull();
    expect((await sheet()).past).toMatchObject([{ hours: 38.4, found: { [IL]: blades(100, 125) } }]);
    // Its id is used up: what comes late from another device begins no check of that id.
    expect(await refused(on.measure(WELL, { checkId }))).toMatchObject({
      '': expect.stringContaining('over')
    });
    expect(await on.measure(WELL)).not.toBe(checkId);
  });

  it('out of its limits is put right, or left with a reason and a finding on the engine', async () => {
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)]]);
    expect(await refused(on.send('valve.close', { checkId, taskId: null, leave: null }))).toEqual({
      '': 'Inlet left is too tight.'
    });
    await on.send('valve.close', {
      checkId,
      taskId: null,
      leave: { reason: 'No shim in the house', severity: 'park the machine' }
    });
    expect(await on.rows('finding')).toMatchObject([
      {
        what: 'Inlet left: clearance too tight, 0.05 mm goes, 0.075 mm does not, limits 0.10 mm to 0.15 mm',
        note: 'No shim in the house',
        severity: 'park the machine'
      }
    ]);
    const [standing] = await readStandings(on.book.sql, on.book.team, [on.book.machineId]);
    expect(standing!.findings).toHaveLength(1);
  });

  it('struck out does not count any more, and its record stays', async () => {
    const checkId = await on.measure(WELL);
    await on.send('valve.close', { checkId, taskId: null, leave: null });
    await on.send('valve.strike', { checkId, reason: 'It was warm' });
    expect((await sheet()).past).toEqual([]);
    expect(await on.rows('valve_check')).toMatchObject([{ struck_reason: 'It was warm' }]);
  });
});

describe('wear', () => {
  it('sets a stake of its own where a valve reaches its limit sooner than the book says', async () => {
    expect(await sheet()).toMatchObject({ nextInH: null });
    const taskId = await on.task('100');
    expect(await sheet()).toMatchObject({ nextInH: 100 });
    for (const [v, s] of [
      [IL, 1850],
      [IR, 1800],
      [EL, 1900],
      [ER, 1900]
    ] as const)
      await on.readShim(v, s, { now: at(-1) });
    const first = await on.measure([...WELL, [IL, blades(140, 150)]], { now: at(0) });
    await on.send('valve.close', { checkId: first, taskId, leave: null }, at(1));
    await on.book.log('48.4', { day: '2026-06-12', sure: true }, at(48));
    // Ten hours later 20 less: 2 µm an hour; the middle of 120 to 125 is 22.5 over 100, reached in 11.25 h.
    const second = await on.measure([...WELL, [IL, blades(120, 125)]], { now: at(49) });
    await on.send('valve.close', { checkId: second, taskId, leave: null }, at(50));
    const [standing] = await readStandings(on.book.sql, on.book.team, [on.book.machineId]);
    const [trigger] = standing!.tasks.find((t) => t.id === taskId)!.triggers;
    expect(trigger).toMatchObject({ within: 1125, due: 1125, book: 10_000 });
  });
});
