import { afterEach, beforeEach, expect, it } from 'vitest';
import { at, byHours, NOW, openBook, uuid, type Book } from '../../../../tests/database/book';
import { addEntry, addTask, closeVisit, command, startVisit } from '../../../../tests/database/hands';
import { refusedWith } from '../../../../tests/database/refused';
import { slackMeasureSchema } from '../../core/chain/form';
import { taskSchema } from '../../core/schedule/form';
import { figureSchema } from '../../core/specs/form';
import { entrySchema } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { visitState } from '../../core/visit/state';
import { chainSheet } from './sheet';
import { getVisit } from '../visit/visits';

const LATER = at(24);
let book: Book;
let visitId: string;
const rows = (table: string) => book.sql`select * from ${book.sql(table)} where team_id = ${book.team.id}`;
const write = (e: object) =>
  addEntry(
    book.sql,
    book.team.id,
    book.personId,
    visitId,
    entrySchema.parse({ id: uuid(), content: {}, ...e })
  );
const slack = (key: string, mm: number) =>
  write({ stepKey: `chain.${key}`, action: 'done', content: { slack: { mm, asWritten: `${mm}`, left: 4 } } });
const state = async () => {
  const v = (await getVisit(book.sql, book.team.id, visitId))!;
  return visitState(v.plan, v.entries);
};
/** Works on until the next reading of slack, or to the end. */
async function work(): Promise<string | null> {
  for (;;) {
    const { next, steps } = await state();
    if (next === null) return null;
    const s = steps.find((x) => x.step.key === next)!;
    if (s.step.input.type === 'slack') return next;
    if (s.step.input.type === 'close')
      for (const itemKey of s.step.input.items)
        await write({ itemKey, action: 'torqued', content: { value: 100, unit: 'N·m' } });
    else await write({ stepKey: next, action: 'done' });
  }
}

beforeEach(async () => {
  book = await openBook();
  await command(
    book.sql,
    book.team,
    book.personId,
    'figure.add',
    figureSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      key: 'chain slack',
      typed: '35–45 mm',
      source: 'Workshop manual',
      confidence: 'printed'
    })
  );
  const taskId = uuid();
  await addTask(
    book.sql,
    book.team,
    book.personId,
    taskSchema.parse({
      id: taskId,
      machineId: book.machineId,
      name: 'Chain',
      job: 'chain',
      triggers: [byHours('10')],
      lastDone: 'not known'
    }),
    NOW
  );
  visitId = uuid();
  const start = startSchema.parse({ id: visitId, machineId: book.machineId, jobs: [{ taskId }] });
  await startVisit(book.sql, book.team, book.personId, start, LATER);
});
afterEach(() => book.close());

it('three readings and the dressing of a visit are the chain’s, closed with it', async () => {
  expect(await work()).toBe('chain.found');
  expect(await refusedWith(write({ stepKey: 'chain.found', action: 'done' }))).toContain('how much slack');
  await slack('found', 58);
  expect(await work()).toBe('chain.adjust');
  await slack('adjust', 44);
  expect(await work()).toBe('chain.tight');
  await slack('tight', 40);
  expect(await work()).toBeNull();
  const recordId = await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
  expect(await rows('chain_check')).toMatchObject([
    { visit_id: visitId, record_id: recordId, closed_at: LATER }
  ]);
  expect((await rows('chain_reading')).map((r) => [r.stage, r.slack_mm, r.left_mark])).toEqual([
    ['found', '58.0', '4.00'],
    ['adjusted', '44.0', '4.00'],
    ['tight', '40.0', '4.00']
  ]);
  expect(await rows('chain_entry')).toMatchObject([{ kind: 'dressing', content: { dressing: 'lube' } }]);
  expect(await rows('finding')).toEqual([]);
  // Closed twice is closed once.
  await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
  expect(await rows('chain_check')).toHaveLength(1);
});

it('what was begun on the chain sheet is the same check; left wrong it is a finding', async () => {
  await command(
    book.sql,
    book.team,
    book.personId,
    'chain.measure',
    slackMeasureSchema.parse({
      checkId: uuid(),
      machineId: book.machineId,
      readings: [{ id: uuid(), stage: 'found', slack: 20, typed: '20' }]
    }),
    LATER
  );
  await work();
  await slack('found', 20);
  // No tool for the axle today: each of the gated steps is left out, but those that want a number.
  await work();
  await slack('adjust', 30);
  await work();
  await slack('tight', 30);
  await work();
  await closeVisit(book.sql, book.team, book.personId, visitId, LATER);
  expect(await rows('chain_check')).toHaveLength(1);
  expect((await chainSheet(book.sql, book.team, book.machineId)).past).toMatchObject([
    { readings: [{ slack: 20 }, { slack: 20 }, { slack: 30 }, { slack: 30 }] }
  ]);
  expect((await rows('finding')).map((f) => f.what)).toEqual([
    'Chain slack too tight: 30 mm; wanted 35 mm to 45 mm'
  ]);
});
