import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { addEntry, closeVisit, startVisit } from '../../../../tests/database/hands';
import { refusedWith } from '../../../../tests/database/refused';
import { blades, EL, ER, HeadBook, IL, IR } from '../../../../tests/database/valves';
import { fitSchema } from '../../core/valve/form';
import { USUAL_LAYOUTS, type Layout } from '../../core/valve/head';
import { entrySchema, type NewEntry } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { visitState } from '../../core/visit/state';
import { getVisit } from '../visit/visits';

const LATER = at(24);
let on: HeadBook;

/** A visit for the valve task of a head laid out like that. @returns its id */
async function open(layout: Layout, job: string) {
  on = await HeadBook.open(layout);
  const taskId = await on.task('40', job);
  const id = uuid();
  const start = startSchema.parse({ id, machineId: on.book.machineId, jobs: [{ taskId }] });
  await startVisit(on.book.sql, on.book.team, on.book.personId, start, LATER);
  return id;
}
const entry = (e: object): NewEntry => entrySchema.parse({ id: uuid(), content: {}, ...e });
const write = (visitId: string, e: object) =>
  addEntry(on.book.sql, on.book.team.id, on.book.personId, visitId, entry(e));
const state = async (visitId: string) => {
  const v = (await getVisit(on.book.sql, on.book.team.id, visitId))!;
  return visitState(v.plan, v.entries);
};
/** Works on until the first step about the valves that is not done, or to the end. */
async function work(visitId: string): Promise<string | null> {
  for (;;) {
    const now = await state(visitId);
    const s = now.steps.find((x) => x.step.key === now.next);
    if (!s) return null;
    const { input, key } = s.step;
    if (input.type === 'clearances') return key;
    if (input.type === 'close')
      for (const itemKey of input.items) await write(visitId, { itemKey, action: 'shut' });
    else await write(visitId, { stepKey: key, action: 'done' });
  }
}
const done = (visitId: string, stepKey: string, checkId: string, bad: number, valves = 4) =>
  write(visitId, { stepKey, action: 'done', content: { clearances: { checkId, valves, bad } } });

afterEach(() => on.book.close());

describe('a valve check at the bench, with shims', () => {
  let visitId: string;
  beforeEach(async () => {
    visitId = await open(USUAL_LAYOUTS[0]!.layout, 'valve-check');
  });

  it('all well folds up: no cam comes out, and the count starts again', async () => {
    const key = (await work(visitId))!;
    expect(key).toBe('measure');
    const checkId = await on.measure([
      [IL, blades(100, 125)],
      [IR, blades(125, 150)],
      [EL, blades(200, 225)]
    ]);
    // A pass needs its number, at every valve.
    expect(await refusedWith(done(visitId, key, checkId, 0))).toBe('Exhaust right is not measured.');
    expect(await refusedWith(write(visitId, { stepKey: key, action: 'done' }))).toContain('every valve');
    await on.measure([[ER, blades(200, 225)]]);
    // Nobody can say that one is out where none is, nor the other way round.
    expect(await refusedWith(done(visitId, key, checkId, 1))).toContain('measured anew');
    await done(visitId, key, checkId, 0);
    const steps = (await state(visitId)).steps.filter((s) => s.called).map((s) => s.step.key);
    expect(steps.some((k) => k.includes('caps-off') || k.includes('left'))).toBe(false);
    expect(await work(visitId)).toBeNull();
    const recordId = await closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, LATER);
    expect(await on.rows('valve_check')).toMatchObject([
      { id: checkId, record_id: recordId, visit_id: visitId, closed_at: LATER }
    ]);
    expect(await on.rows('finding')).toEqual([]);
  });

  it('measured in a visit that was begun apart, it is a check of the one that stood', async () => {
    const apart = uuid();
    const [{ task_id: taskId } = {}] = await on.book
      .sql`select task_id from visit_task where visit_id = ${visitId}`;
    const start = startSchema.parse({ id: apart, machineId: on.book.machineId, jobs: [{ taskId }] });
    expect(await startVisit(on.book.sql, on.book.team, on.book.personId, start, LATER)).toBe(visitId);
    await on.measure([[IL, blades(100, 125)]], { visitId: apart });
    expect(await on.rows('valve_check')).toMatchObject([{ visit_id: visitId }]);
  });

  it('a tight valve opens the gate: cams, buckets valve by valve, shims, and the proof', async () => {
    const key = (await work(visitId))!;
    const checkId = await on.measure([
      [IL, blades(50, 75)],
      [IR, blades(125, 150)],
      [EL, blades(200, 225)],
      [ER, blades(200, 225)]
    ]);
    await done(visitId, key, checkId, 1);
    expect(await work(visitId)).toBe('shims');
    // Everything small that is out stands on the open list, the buckets each by its valve.
    const open = (await state(visitId)).open.map((i) => i.item.name);
    expect(open).toEqual(
      expect.arrayContaining([
        'Bucket and shim, inlet left',
        'Bucket and shim, exhaust right',
        'Cam caps, inlet side',
        'Half rings and dowels of the caps',
        'Rag for the chain tunnel',
        'Wire for the cam chain'
      ])
    );
    expect(await refusedWith(done(visitId, 'shims', checkId, 0))).toBe(
      'Inlet left is out of its limits and has its shim still.'
    );
    await on.send('valve.shim', {
      id: uuid(),
      headId: on.headId,
      checkId,
      valve: IL,
      stamp: 1850,
      measured: null
    });
    await on.send(
      'valve.fit',
      fitSchema.parse({
        id: uuid(),
        checkId,
        fits: [{ id: uuid(), valve: IL, stamp: 1775, measured: null, was: 1850, from: 'bought' }]
      })
    );
    await done(visitId, 'shims', checkId, 0);
    expect(await work(visitId)).toBe('left');
    expect(await refusedWith(done(visitId, 'left', checkId, 0))).toBe(
      'Inlet left was changed and not measured again.'
    );
    expect(
      await refusedWith(closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, LATER))
    ).toContain('still stands open');
    // 50 to 75 with 1850: 1775 leaves 125 to 150.
    await on.measure([[IL, blades(125, 150), 'left']]);
    await done(visitId, 'left', checkId, 0);
    expect(await work(visitId)).toBeNull();
    await closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, LATER);
    expect(await on.rows('shim_movement')).toMatchObject([
      { stamp: 1850, count: 1, why: 'taken out: IN left' }
    ]);
  });

  it('a valve that is well and in the plan opens the gate as one that is out does, until the plan is dropped', async () => {
    const key = (await work(visitId))!;
    const checkId = await on.measure([
      [IL, blades(100, 125)],
      [IR, blades(125, 150)],
      [EL, blades(200, 225)],
      [ER, blades(200, 225)]
    ]);
    const fits = [{ valve: IL, shim: 1825, from: 'bought' as const, of: null }];
    await on.send('valve.plan', { checkId, plan: { choice: 'by hand', fits } });
    expect(await refusedWith(done(visitId, key, checkId, 0))).toContain('measured anew');
    await done(visitId, key, checkId, 1);
    expect(await work(visitId)).toBe('shims');
    expect(await refusedWith(done(visitId, 'shims', checkId, 0))).toBe(
      'Inlet left is in the plan and has its shim still.'
    );
    await on.send('valve.plan', { checkId, plan: null });
    await done(visitId, 'shims', checkId, 0);
  });

  it('left as it is, with a reason, is a finding; what was changed cannot be left unmeasured', async () => {
    const key = (await work(visitId))!;
    const checkId = await on.measure([
      [IL, blades(50, 75)],
      [IR, blades(125, 150)],
      [EL, blades(200, 225)],
      [ER, blades(200, 225)]
    ]);
    await done(visitId, key, checkId, 1);
    for (;;) {
      const now = await state(visitId);
      const s = now.steps.find((x) => x.step.key === now.next);
      if (!s) break;
      if (s.step.gate && s.step.mayLeaveOut)
        await write(visitId, {
          stepKey: s.step.key,
          action: 'left out',
          content: { reason: 'no shim in the house' }
        });
      else if (s.step.input.type === 'close')
        for (const itemKey of s.step.input.items) await write(visitId, { itemKey, action: 'shut' });
      else await write(visitId, { stepKey: s.step.key, action: 'done' });
    }
    await closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, LATER);
    expect(await on.rows('finding')).toMatchObject([
      {
        severity: 'fix now',
        note: 'no shim in the house',
        visit_id: visitId,
        what: expect.stringContaining('Inlet left: clearance too tight')
      }
    ]);
  });

  it('given up, leaves its check to go on by itself', async () => {
    await on.measure([[IL, { by: 'reading', at: 120 }]], { visitId });
    expect(await on.rows('valve_check')).toMatchObject([{ visit_id: visitId }]);
    await on.send('visit.give-up', { visitId, reason: 'rain' });
    expect(await on.rows('valve_check')).toMatchObject([{ visit_id: null, closed_at: null }]);
  });
});

describe('a valve check of screws and lock-nuts', () => {
  it('has no shims in it: set, and read again after the nut', async () => {
    const visitId = await open(USUAL_LAYOUTS[3]!.layout, 'valve-screws');
    const key = (await work(visitId))!;
    const checkId = await on.measure([
      ['1-inlet', blades(60, 80)],
      ['1-exhaust', blades(200, 225)]
    ]);
    await done(visitId, key, checkId, 1, 2);
    expect(await work(visitId)).toBe('screws');
    const all = (await state(visitId)).steps.map((s) => s.step.key);
    expect(all.some((k) => k.includes('caps') || k.includes('buckets'))).toBe(false);
    expect(await refusedWith(done(visitId, 'screws', checkId, 0, 2))).toBe('Inlet is too tight.');
    await on.measure([['1-inlet', blades(110, 130), 'left']]);
    await done(visitId, 'screws', checkId, 0, 2);
    expect(await work(visitId)).toBeNull();
    await closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, LATER);
    expect(await on.rows('service_record')).toHaveLength(2);
  });
});
