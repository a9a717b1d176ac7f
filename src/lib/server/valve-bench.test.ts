import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openBook, uuid, NOW, byHours, type Book } from '../../../tests/database/book';
import { addEntry, addTask, closeVisit, command, startVisit } from '../../../tests/database/hands';
import type { Input, Kind } from '../core/command/commands';
import { taskSchema } from '../core/schedule/form';
import { figureSchema } from '../core/specs/form';
import { fitSchema, measureSchema } from '../core/valve/form';
import { USUAL_LAYOUTS, type Layout } from '../core/valve/head';
import { entrySchema, type NewEntry } from '../core/visit/entry';
import { startSchema } from '../core/visit/form';
import { visitState } from '../core/visit/state';
import { Refusal } from './refusal';
import { getVisit } from './visits';

const [IL, IR, EL, ER] = ['1-inlet-left', '1-inlet-right', '1-exhaust-left', '1-exhaust-right'] as const;
let book: Book;
let headId: string;
let taskId: string;
const LATER = new Date(NOW.getTime() + 24 * 3_600_000);
const send = <K extends Exclude<Kind, 'team.found'>>(kind: K, input: Input<K>) =>
  command(book.sql, book.team, book.personId, kind, input, LATER);
const refused = async (sent: Promise<unknown>): Promise<string> => {
  const e = await sent.then(
    () => null,
    (error: unknown) => error
  );
  expect(e).toBeInstanceOf(Refusal);
  return (e as Refusal).message;
};
const measure = (
  readings: [valve: string, goes: number, stops: number][],
  stage: 'found' | 'left' = 'found'
) =>
  send(
    'valve.measure',
    measureSchema.parse({
      checkId: uuid(),
      headId,
      cold: 'said',
      readings: readings.map(([valve, goes, stops]) => ({
        id: uuid(),
        valve,
        stage,
        measured: { by: 'blades', goes, stops }
      }))
    })
  ) as Promise<string>;

async function open(layout: Layout, job: string) {
  book = await openBook();
  headId = (await send('head.set', { id: uuid(), machineId: book.machineId, layout })) as string;
  for (const [side, typed] of [
    ['inlet', '0.10–0.15 mm'],
    ['exhaust', '0.20–0.25 mm']
  ])
    await send(
      'figure.add',
      figureSchema.parse({
        id: uuid(),
        machineId: book.machineId,
        key: `${side} valve clearance`,
        typed,
        source: 'Workshop manual',
        confidence: 'printed'
      })
    );
  taskId = uuid();
  await addTask(
    book.sql,
    book.team,
    book.personId,
    taskSchema.parse({
      id: taskId,
      machineId: book.machineId,
      name: 'Valves',
      job,
      triggers: [byHours('40')],
      lastDone: 'not known'
    }),
    NOW
  );
  const id = uuid();
  await startVisit(
    book.sql,
    book.team,
    book.personId,
    startSchema.parse({ id, machineId: book.machineId, jobs: [{ taskId }] }),
    LATER
  );
  return id;
}
const entry = (e: object): NewEntry => entrySchema.parse({ id: uuid(), content: {}, ...e });
const write = (visitId: string, e: object) =>
  addEntry(book.sql, book.team.id, book.personId, visitId, entry(e));
const state = async (visitId: string) => {
  const v = (await getVisit(book.sql, book.team.id, visitId))!;
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
const rows = (table: string) => book.sql`select * from ${book.sql(table)} where team_id = ${book.team.id}`;

afterEach(() => book.close());

describe('a valve check at the bench, with shims', () => {
  let visitId: string;
  beforeEach(async () => {
    visitId = await open(USUAL_LAYOUTS[0]!.layout, 'valve-check');
  });

  it('all well folds up: no cam comes out, and the count starts again', async () => {
    const key = (await work(visitId))!;
    expect(key).toBe('valve-check.measure');
    const checkId = await measure([
      [IL, 100, 125],
      [IR, 125, 150],
      [EL, 200, 225]
    ]);
    // A pass needs its number, at every valve.
    expect(await refused(done(visitId, key, checkId, 0))).toBe('Exhaust right is not measured.');
    expect(await refused(write(visitId, { stepKey: key, action: 'done' }))).toContain('every valve');
    await measure([[ER, 200, 225]]);
    // Nobody can say that one is out where none is, nor the other way round.
    expect(await refused(done(visitId, key, checkId, 1))).toContain('measured anew');
    await done(visitId, key, checkId, 0);
    const steps = (await state(visitId)).steps.filter((s) => s.called).map((s) => s.step.key);
    expect(steps.some((k) => k.includes('caps-off') || k.includes('left'))).toBe(false);
    expect(await work(visitId)).toBeNull();
    const recordId = await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
    expect(await rows('valve_check')).toMatchObject([
      { id: checkId, record_id: recordId, visit_id: visitId, closed_at: LATER }
    ]);
    expect(await rows('finding')).toEqual([]);
  });

  it('a tight valve opens the gate: cams, buckets valve by valve, shims, and the proof', async () => {
    const key = (await work(visitId))!;
    const checkId = await measure([
      [IL, 50, 75],
      [IR, 125, 150],
      [EL, 200, 225],
      [ER, 200, 225]
    ]);
    await done(visitId, key, checkId, 1);
    expect(await work(visitId)).toBe('valve-check.shims');
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
    expect(await refused(done(visitId, 'valve-check.shims', checkId, 0))).toBe(
      'Inlet left is out of its limits and has its shim still.'
    );
    await send('valve.shim', { id: uuid(), headId, checkId, valve: IL, stamp: 1850, measured: null });
    await send(
      'valve.fit',
      fitSchema.parse({
        id: uuid(),
        checkId,
        fits: [{ id: uuid(), valve: IL, stamp: 1775, measured: null, was: 1850, from: 'bought' }]
      })
    );
    await done(visitId, 'valve-check.shims', checkId, 0);
    expect(await work(visitId)).toBe('valve-check.left');
    expect(await refused(done(visitId, 'valve-check.left', checkId, 0))).toBe(
      'Inlet left was changed and not measured again.'
    );
    expect(await refused(closeVisit(book.sql, book.team, book.personId, visitId, LATER))).toContain(
      'still stands open'
    );
    // 50 to 75 with 1850: 1775 leaves 125 to 150.
    await measure([[IL, 125, 150]], 'left');
    await done(visitId, 'valve-check.left', checkId, 0);
    expect(await work(visitId)).toBeNull();
    await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
    expect(await rows('shim_movement')).toMatchObject([{ stamp: 1850, count: 1, why: 'taken out: IN left' }]);
  });

  it('left as it is, with a reason, is a finding; what was changed cannot be left unmeasured', async () => {
    const key = (await work(visitId))!;
    const checkId = await measure([
      [IL, 50, 75],
      [IR, 125, 150],
      [EL, 200, 225],
      [ER, 200, 225]
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
    await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
    expect(await rows('finding')).toMatchObject([
      {
        severity: 'fix now',
        note: 'no shim in the house',
        visit_id: visitId,
        what: expect.stringContaining('Inlet left: clearance too tight')
      }
    ]);
  });

  it('given up, leaves its check to go on by itself', async () => {
    await send(
      'valve.measure',
      measureSchema.parse({
        checkId: uuid(),
        headId,
        visitId,
        cold: 'said',
        readings: [{ id: uuid(), valve: IL, stage: 'found', measured: { by: 'reading', at: 120 } }]
      })
    );
    expect(await rows('valve_check')).toMatchObject([{ visit_id: visitId }]);
    await send('visit.give-up', { visitId, reason: 'rain' });
    expect(await rows('valve_check')).toMatchObject([{ visit_id: null, closed_at: null }]);
  });
});

describe('a valve check of screws and lock-nuts', () => {
  it('has no shims in it: set, and read again after the nut', async () => {
    const visitId = await open(USUAL_LAYOUTS[3]!.layout, 'valve-screws');
    const key = (await work(visitId))!;
    const checkId = await measure([
      ['1-inlet', 60, 80],
      ['1-exhaust', 200, 225]
    ]);
    await done(visitId, key, checkId, 1, 2);
    expect(await work(visitId)).toBe('valve-screws.screws');
    const all = (await state(visitId)).steps.map((s) => s.step.key);
    expect(all.some((k) => k.includes('caps') || k.includes('buckets'))).toBe(false);
    expect(await refused(done(visitId, 'valve-screws.screws', checkId, 0, 2))).toBe('Inlet is too tight.');
    await measure([['1-inlet', 110, 130]], 'left');
    await done(visitId, 'valve-screws.screws', checkId, 0, 2);
    expect(await work(visitId)).toBeNull();
    await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
    expect(await rows('service_record')).toHaveLength(2);
  });
});
