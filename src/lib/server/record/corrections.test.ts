import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { addOil, correct } from '../../../../tests/database/hands';
import { jobRecord } from '../../../../tests/core/records';
import type { CircuitRecord } from '../../core/record/record';
import { correctionSchema } from '../../core/record/correction';
import { fastenerPast } from '../../core/record/past';
import { writeRecord } from '../../core/record/stored';
import { oilSchema } from '../../core/stores/form';
import { circuitHistory } from '../visit/history';
import { correctionsOf } from './corrections';
import { getRecord } from './records';
import { readToolbox } from '../stores/stores';

let book: Book;
let recordId: string;
const oilId = uuid();
beforeAll(async () => {
  book = await openBook();
  const oil = { id: oilId, name: 'Brindle', kind: 'engine oil, four-stroke', grade: '10W-50', bottle: '1 L' };
  await addOil(book.sql, book.team.id, book.personId, oilSchema.parse({ ...oil, stock: '3 L' }));
});
afterAll(() => book.close());
/** A record of the engine's oil, so many days after the first. */
async function write(days: number, more: Partial<CircuitRecord> = {}): Promise<string> {
  const id = uuid();
  const oil = { id: oilId, name: 'Brindle', grade: '10W-50', deviation: null };
  const circuit = {
    circuit: 'engine',
    drainedMl: 880,
    pouredMl: 900,
    intoFilterMl: null,
    level: null,
    oil,
    oilHours: 1500
  } as const;
  const content = jobRecord({ circuits: [{ ...circuit, used: { ml: 60, mlPerHour: 4 }, ...more }] });
  const at = new Date(NOW.getTime() + days * 86_400_000);
  await book.sql`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, content, created_by)
    values (${book.team.id}, ${id}, ${book.machineId}, ${book.taskId}, ${TODAY}, ${at}, 4000, ${book.sql.json(writeRecord(content) as never)}, ${book.personId})`;
  return id;
}
beforeEach(async () => {
  await book.sql`delete from service_record where team_id = ${book.team.id}`;
  recordId = await write(0);
});
const put = (now: string, more: object = {}) =>
  correct(
    book.sql,
    book.team.id,
    book.personId,
    correctionSchema.parse({
      id: uuid(),
      recordId,
      amount: { circuit: 'engine', what: 'poured', now },
      words: 'misread the jug',
      ...more
    })
  );
const stock = async () => (await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl;
const poured = async () =>
  (await getRecord(book.sql, book.team.id, recordId))!.content!.circuits[0]!.pouredMl;

describe('a record put right', () => {
  it('says what it was and what it is, is what the next drain is held against, and takes the difference from the stores', async () => {
    const before = await stock();
    await put('0.95 L');
    expect(await poured()).toBe(950);
    expect(await stock()).toBeCloseTo(before - 50, 3);
    expect(await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null })).toMatchObject([
      {
        words: 'misread the jug',
        amount: { circuit: 'engine', what: 'poured', was: 900, now: 950 },
        by: expect.any(String)
      }
    ]);
    const history = await circuitHistory(book.sql, book.team.id, book.machineId, book.taskId, 'engine');
    expect(history.pouredLastTimeMl).toBe(950);
  });
  it('is followed by the record of the change after it, and by no other', async () => {
    // 900 went in, 870 came out: 30 ml; 950 went in: 80 ml in 15 h.
    const used = (ml: number) => ({ ml, mlPerHour: ml / 15 });
    const later = await write(1, { drainedMl: 870, used: used(30) });
    const last = await write(2, { drainedMl: 850, used: used(50) });
    await put('950');
    const usedIn = async (id: string) =>
      (await getRecord(book.sql, book.team.id, id))!.content!.circuits[0]!.used;
    expect(await usedIn(later)).toEqual(used(80));
    expect(await usedIn(last)).toEqual(used(50));
  });
  it('in words only, changes nothing but what stands beside it', async () => {
    const before = await stock();
    await put('1', { amount: null, words: 'It was the left plug.' });
    expect([await poured(), await stock()]).toEqual([900, before]);
    const [made] = await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null });
    expect(made).toMatchObject({ words: 'It was the left plug.', amount: null });
  });
  it('sent twice it is one; of two at once each says what it found', async () => {
    const body = { id: uuid() };
    await Promise.all([put('950', body), put('950', body)]);
    expect(await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null })).toHaveLength(1);
    const before = await stock();
    await Promise.all([put('1000'), put('1100')]);
    const amounts = (await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null })).map(
      (c) => c.amount!
    );
    expect(amounts).toHaveLength(3);
    // One after the other, whichever came first: each begins where the one before it ended.
    expect(amounts.map((a) => a.was).sort()).toEqual(
      [900, 950, amounts.find((a) => a.was === 950)!.now].sort()
    );
    expect(await stock()).toBeCloseTo(before - ((await poured())! - 950), 3);
  });
  it('is refused at its field', async () => {
    await expect(put('900')).rejects.toMatchObject({
      errors: { 'amount.now': expect.stringContaining('already') }
    });
    await expect(
      put('1', { amount: { circuit: 'gearbox', what: 'poured', now: '900' } })
    ).rejects.toMatchObject({ errors: { 'amount.circuit': expect.any(String) } });
    await expect(put('950', { recordId: uuid() })).rejects.toThrow(/not in this team/);
    expect(await poured()).toBe(900);
  });
});

describe('a washer or ring put right', () => {
  const drain = uuid();
  const fastener = {
    name: 'Drain plug',
    place: 'underneath',
    quantity: 1,
    stand: 'torqued',
    torque: null,
    reason: null,
    fastenerId: drain,
    wrenchId: null,
    settingNm: null,
    seal: 'new',
    marked: false
  } as const;
  beforeEach(async () => {
    const content = jobRecord({ fasteners: [fastener] });
    await book.sql`update service_record set content = ${book.sql.json(writeRecord(content) as never)} where team_id = ${book.team.id} and id = ${recordId}`;
  });
  const again = { amount: null, seal: { fastenerId: drain, now: 'again' }, words: 'none was in the drawer' };
  const sealed = async () => (await getRecord(book.sql, book.team.id, recordId))!.content!.fasteners[0]!.seal;
  it('says what it was and what it is, and the uses behind it follow', async () => {
    await put('', again);
    expect(await sealed()).toBe('again');
    expect(await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null })).toMatchObject([
      { amount: null, seal: { fastenerId: drain, name: 'Drain plug', was: 'new', now: 'again' } }
    ]);
    const record = (await getRecord(book.sql, book.team.id, recordId))!.content!;
    const past = fastenerPast([{ id: recordId, visitId: null, day: TODAY, record }], TODAY);
    // Nobody knows how often before: at least the second use.
    expect(past.sealUses).toEqual({ [drain]: 2 });
  });
  it('sent twice it is one, and is refused where it says so already or is not there', async () => {
    const body = { ...again, id: uuid() };
    await Promise.all([put('', body), put('', body)]);
    expect(await correctionsOf(book.sql, book.team.id, { id: recordId, visitId: null })).toHaveLength(1);
    await expect(put('', again)).rejects.toMatchObject({
      errors: { 'seal.now': expect.stringContaining('already') }
    });
    await expect(put('', { ...again, seal: { fastenerId: uuid(), now: 'new' } })).rejects.toMatchObject({
      errors: { 'seal.fastenerId': expect.any(String) }
    });
    expect(await sealed()).toBe('again');
  });
});
