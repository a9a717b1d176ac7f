import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { whole } from '../../../../tests/core/bench';
import { at, uuid } from '../../../../tests/database/book';
import { addEntry, closeVisit, giveUpVisit, startVisit } from '../../../../tests/database/hands';
import { refusedWith } from '../../../../tests/database/refused';
import { RoundBook } from '../../../../tests/database/rounds';
import { doStep, findingTemplate } from '../../core/job/plain';
import { entrySchema } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { readStandings } from '../trail/lanes';
import { getVisit } from './visits';

let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

const SEAL = { what: 'Right fork seal weeps', place: 'right leg', note: 'since {gather} the jump' };
async function find(said: object = SEAL): Promise<string> {
  const id = uuid();
  const { machineId } = on.book;
  const input = {
    id,
    machineId,
    componentId: null,
    place: '',
    note: '',
    what: 'x',
    severity: 'fix now' as const,
    ...said
  };
  await on.send('finding.add', input, at(2));
  return id;
}
const start = (findings: string[], more: object = {}, now = at(24)) => {
  const { sql, team, personId, machineId } = on.book;
  const input = startSchema.parse({ id: uuid(), machineId, findings, ...more });
  return startVisit(sql, team, personId, input, now);
};
/** Works through a visit; `leaving` is left out with a reason. */
async function work(visitId: string, leaving: string | null = null, remark = ''): Promise<void> {
  const { sql, team, personId } = on.book;
  const { plan } = (await getVisit(sql, team.id, visitId))!;
  for (const e of whole(plan)) {
    const { stepKey, itemKey } = e;
    const left = stepKey === leaving && leaving !== null;
    const action = left ? 'left out' : e.action;
    const content = left
      ? { reason: 'no seal here' }
      : { ...e.content, ...(stepKey?.endsWith('.do') && remark ? { remark } : {}) };
    await addEntry(
      sql,
      team.id,
      personId,
      visitId,
      entrySchema.parse({ id: uuid(), stepKey, itemKey, action, content })
    );
  }
}
const close = (visitId: string) => closeVisit(on.book.sql, on.book.team, on.book.personId, visitId, at(30));
const standing = async () => (await readStandings(on.book.sql, on.book.team, [on.book.machineId]))[0]!;

describe('a finding put right at the bench', () => {
  it('is a job of its own with its words before the eyes, leaves a record, and is closed by it', async () => {
    const id = await find();
    const visitId = await start([id]);
    const { plan } = (await getVisit(on.book.sql, on.book.team.id, visitId))!;
    const doing = plan.steps.find((s) => s.key === doStep(findingTemplate({ id, ...SEAL }).key))!;
    expect(doing.title).toBe('Right fork seal weeps');
    expect(doing.lines.slice(0, 2)).toEqual(['right leg', 'since gather the jump']);
    await work(visitId, null, 'both seals new');
    const recordId = await close(visitId);
    expect(
      await on.book
        .sql`select t.name, t.retired_at is not null as retired, r.hours is not null as hours from service_record r join task t on t.id = r.task_id where r.id = ${recordId}`
    ).toEqual([{ name: 'Right fork seal weeps', retired: true, hours: true }]);
    expect(await on.findings()).toMatchObject([
      { closed: true, closed_word: 'both seals new', closed_how: 'done' }
    ]);
    expect((await standing()).findings).toEqual([]);
    // Closing twice is closing once.
    expect(await close(visitId)).toBe(recordId);
  });
  it('is never among what falls due, before or after', async () => {
    const before = (await standing()).tasks.map((t) => t.name);
    const visitId = await start([await find()]);
    expect((await standing()).tasks.map((t) => t.name)).toEqual(before);
    await work(visitId);
    await close(visitId);
    expect((await standing()).tasks.map((t) => t.name)).toEqual(before);
  });
  it('goes along with a job that is due, each with its record', async () => {
    const visitId = await start([await find()], {
      jobs: [{ taskId: on.book.taskId, template: 'engine-oil-only' }]
    });
    await work(visitId);
    await close(visitId);
    expect(
      await on.book.sql`select count(*)::int as n from service_record where visit_id = ${visitId}`
    ).toEqual([{ n: 2 }]);
  });
  it('left out at its step it stays open', async () => {
    const id = await find();
    const visitId = await start([id]);
    await work(visitId, doStep(findingTemplate({ id, ...SEAL }).key));
    await close(visitId);
    expect(await on.findings()).toMatchObject([{ closed: false }]);
  });
  it('given up it stays open, and can be taken to the bench again; two of like words are two', async () => {
    const [a, b] = [await find(), await find()];
    const visitId = await start([a, b]);
    await giveUpVisit(on.book.sql, on.book.team.id, visitId, 'rain');
    expect(await on.findings()).toMatchObject([{ closed: false }, { closed: false }]);
    const again = await start([a, b], {}, at(26));
    await work(again);
    await close(again);
    expect(await on.findings()).toMatchObject([{ closed: true }, { closed: true }]);
  });
  it('closed meanwhile by hand, the word of the hand stays', async () => {
    const id = await find();
    const visitId = await start([id]);
    await on.send('finding.close', { findingId: id, how: 'as it was', word: 'only grease' }, at(25));
    await work(visitId);
    await close(visitId);
    expect(await on.findings()).toMatchObject([{ closed_word: 'only grease', closed_how: 'as it was' }]);
  });
  it('closed, unknown, or nothing at all: refused', async () => {
    const id = await find();
    await on.send('finding.close', { findingId: id, how: 'done', word: 'wiped' }, at(3));
    expect(await refusedWith(start([id]))).toMatch(/closed already/);
    expect(await refusedWith(start([uuid()]))).toMatch(/not in this team/);
    const { machineId } = on.book;
    expect(startSchema.safeParse({ id: uuid(), machineId }).success).toBe(false);
    expect(startSchema.safeParse({ id: uuid(), machineId, findings: [id, id] }).success).toBe(false);
  });
});
