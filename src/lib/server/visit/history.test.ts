import { addEntry, addFastener } from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { circuitHistory, forgottenLast, layoutInput } from './history';
import { earlierConsumption, recordsOfVisit } from '../record/records';
import { refreshStanding } from '../book/standing';
import { fastenerSchema } from '../../core/specs/form';
import { BUILT_IN } from '../../core/job/built-in/jobs';
import { makeStep } from '../../core/job/plan';
import { DEFAULT_RULES } from '../../core/rules/rules';
import { insertVisit } from './start';

let book: Book;
let drain: string;
const records: string[] = [];

/** A record of the engine's oil, so many days ago, at so many hours, as a visit would leave it. */
async function record(daysAgo: number, hours: number, more: object): Promise<string> {
  const id = uuid();
  const at = new Date(NOW.getTime() - daysAgo * 86_400_000);
  const whole = {
    job: 'engine-oil',
    version: 2,
    rules: {},
    drainedMl: 900,
    pouredMl: 950,
    level: null,
    circuits: [
      {
        circuit: 'engine',
        drainedMl: 900,
        pouredMl: 950,
        level: null,
        oil: null,
        oilHours: null,
        used: null
      }
    ],
    debris: [],
    fasteners: [],
    leftOut: [],
    remarks: [],
    minutes: 60,
    ...more
  };
  await book.sql`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, content, created_by)
    values (${book.team.id}, ${id}, ${book.machineId}, ${book.taskId}, ${at.toISOString().slice(0, 10)}, ${at}, ${hours}, ${book.sql.json(whole as never)}, ${book.personId})`;
  records.push(id);
  return id;
}
const seal = (use: 'new' | 'again') => ({
  fasteners: [
    {
      name: 'Plug',
      place: '',
      quantity: 1,
      stand: 'torqued' as const,
      torque: null,
      reason: null,
      fastenerId: drain,
      seal: use
    }
  ]
});
const used = (mlPerHour: number) => ({
  circuits: [
    {
      circuit: 'engine' as const,
      drainedMl: 900,
      pouredMl: 950,
      level: null,
      oil: { id: null, name: 'Brindle', grade: '10W-50', deviation: null },
      oilHours: null,
      used: { ml: mlPerHour * 10, mlPerHour }
    }
  ]
});
const glitter = { debris: [{ place: 'Plug', grade: 'fine glitter' as const, materials: [] }] };
const paste = { debris: [{ place: 'Plug', grade: 'grey paste or fuzz' as const, materials: [] }] };

beforeAll(async () => {
  book = await openBook();
  drain = uuid();
  await addFastener(
    book.sql,
    book.team.id,
    book.personId,
    fastenerSchema.parse({
      id: drain,
      machineId: book.machineId,
      role: 'drain plug',
      circuit: 'engine',
      name: 'Plug',
      quantity: 1,
      magnet: true,
      seal: 'crush washer'
    })
  );
  await book.sql`delete from service_record`;
  await record(40, 1000, {
    ...paste,
    ...seal('new'),
    found: [{ name: 'Plug', place: '', fastenerId: drain, how: 'loose', note: '' }]
  });
  await record(25, 2200, { ...paste, ...seal('again'), ...used(2) });
  await record(10, 3500, {
    ...glitter,
    ...seal('again'),
    ...used(3),
    found: [{ name: 'Plug', place: '', fastenerId: drain, how: 'loose', note: 'again' }]
  });
  await refreshStanding(book.sql, book.team.id, book.machineId);
});
afterAll(() => book.close());
/** What a change of the engine's oil would be laid out from today. */
const inputNow = () =>
  layoutInput(
    book.sql,
    book.team,
    { id: book.machineId, kind: 'four-stroke enduro' },
    [{ template: BUILT_IN.find((t) => t.key === 'engine-oil')!, taskId: book.taskId }],
    TODAY
  );

describe('what the bench knows of earlier changes', () => {
  it('debris at each place, the latest first, with the hours the oil had run', async () => {
    const history = await circuitHistory(book.sql, book.team.id, book.machineId, book.taskId, 'engine');
    expect(history.debris.Plug!.map((d) => [d.grade, d.oilHours])).toEqual([
      ['fine glitter', 1300],
      ['grey paste or fuzz', 1200],
      ['grey paste or fuzz', null]
    ]);
    expect(history).toMatchObject({
      pouredLastTimeMl: 950,
      inside: { name: 'Brindle', grade: '10W-50' },
      breakIn: false
    });
  });
  it('how long the oil has been in, from the hours since', async () => {
    const { oilHours } = await circuitHistory(book.sql, book.team.id, book.machineId, book.taskId, 'engine');
    expect(oilHours).toBe(3840 - 3500);
  });
  it('nothing of a circuit that was never changed', async () => {
    const gearbox = await circuitHistory(book.sql, book.team.id, book.machineId, book.taskId, 'gearbox');
    expect(gearbox).toMatchObject({ pouredLastTimeMl: null, inside: null, debris: {} });
  });
  it('uses of the washer that is in it, and what was found there, the oldest first', async () => {
    const input = await inputNow();
    expect(input.sealUses).toEqual({ [drain]: 3 });
    expect(input.found[drain]).toHaveLength(2);
    expect(input.found[drain]![1]!.words).toMatch(/^Found loose, .*: again$/);
    expect(Object.keys(input.history)).toEqual(['engine']);
  });
});

it('a word at a step is of the day it was written on there, past midnight too', async () => {
  const visitId = uuid();
  const steps = [makeStep({ key: 'look', title: 'Look', input: { type: 'tick' } })];
  const plan = { jobs: [], title: 'Look', steps, items: [], points: [], coolsIn: 480, estimate: null };
  const start = { id: visitId, machineId: book.machineId, personId: book.personId, startedAt: NOW };
  await book.sql.begin((tx) => insertVisit(tx, book.team.id, start, plan, DEFAULT_RULES));
  await addEntry(book.sql, book.team.id, book.personId, visitId, {
    id: uuid(),
    stepKey: 'look',
    itemKey: null,
    action: 'done',
    content: { remark: 'weeps' }
  });
  await book.sql`update visit_entry set at = '2026-06-08T23:30:00Z' where visit_id = ${visitId}`;
  await book.sql`update visit set closed_at = now(), closed_by = ${book.personId} where id = ${visitId}`;
  const input = await inputNow();
  expect(input.last.look).toMatchObject({ day: '2026-06-09', remark: 'weeps' });
});

describe('what was forgotten', () => {
  /** A visit for a job with what had to be fetched in it, closed so many days ago; null: it stands open. */
  async function visit(job: string, daysAgo: number | null, fetched: string[]): Promise<string> {
    const id = uuid();
    const plan = {
      jobs: [{ key: job, version: 1, title: 'Look', taskId: book.taskId, circuits: [] }],
      title: 'Look',
      steps: [makeStep({ key: 'look', title: 'Look', input: { type: 'tick' } })],
      items: [],
      points: [],
      coolsIn: 480,
      estimate: null
    };
    const start = { id, machineId: book.machineId, personId: book.personId, startedAt: NOW };
    await book.sql.begin((tx) => insertVisit(tx, book.team.id, start, plan, DEFAULT_RULES));
    for (const what of fetched)
      await addEntry(book.sql, book.team.id, book.personId, id, {
        id: uuid(),
        stepKey: null,
        itemKey: null,
        action: 'fetched',
        content: { what }
      });
    if (daysAgo !== null) {
      const at = new Date(NOW.getTime() - daysAgo * 86_400_000);
      await book.sql`update visit set closed_at = ${at}, closed_by = ${book.personId} where id = ${id}`;
    }
    return id;
  }
  const last = (but: string | null) => forgottenLast(book.sql, book.team, book.machineId, but);
  const dayBefore = (days: number) => new Date(NOW.getTime() - days * 86_400_000).toISOString().slice(0, 10);

  it('is what the last closed visit for each job says, without what was there after all', async () => {
    await visit('engine-oil', 30, ['funnel']);
    const latest = await visit('engine-oil', 20, ['8 mm socket', 'rags']);
    await visit('gearbox-oil', 25, ['stands']);
    const [socket] = await book.sql`
      select id from visit_entry where visit_id = ${latest} and content->>'what' = '8 mm socket'`;
    const back = { id: uuid(), stepKey: null, itemKey: null } as const;
    const of = { ...back, action: 'not fetched', content: { of: socket!.id as string } } as const;
    await book.sql`update visit set closed_at = null, closed_by = null where id = ${latest}`;
    await addEntry(book.sql, book.team.id, book.personId, latest, of);
    // One that stands open is not the last.
    expect(await last(null)).toEqual([
      { job: 'gearbox-oil', day: dayBefore(25), what: ['stands'] },
      { job: 'engine-oil', day: dayBefore(30), what: ['funnel'] }
    ]);
    const at = new Date(NOW.getTime() - 20 * 86_400_000);
    await book.sql`update visit set closed_at = ${at}, closed_by = ${book.personId} where id = ${latest}`;
    expect((await last(null))[0]).toEqual({ job: 'engine-oil', day: dayBefore(20), what: ['rags'] });
    // Looked at again, a visit does not tell what it forgot itself.
    expect((await last(latest)).find((f) => f.job === 'engine-oil')!.what).toEqual(['funnel']);
  });
  it('is nothing once a visit went by without', async () => {
    await visit('engine-oil', 1, []);
    expect((await last(null)).map((f) => f.job)).toEqual(['gearbox-oil']);
    expect(await forgottenLast(book.sql, { ...book.team, id: uuid() }, book.machineId, null)).toEqual([]);
  });
});

describe('beside a record', () => {
  it('stands what was used between the changes before it, the latest first', async () => {
    const before = await earlierConsumption(book.sql, book.team.id, records[2]!);
    expect(before).toEqual([{ ml: 20, mlPerHour: 2 }]);
    expect(await earlierConsumption(book.sql, book.team.id, records[0]!)).toEqual([]);
  });
  it('stand the other jobs of its visit, and none of another team', async () => {
    expect(await recordsOfVisit(book.sql, book.team.id, uuid())).toEqual({ records: [], steps: [] });
    expect(await earlierConsumption(book.sql, uuid(), records[2]!)).toEqual([]);
  });
});
