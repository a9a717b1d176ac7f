import { addFastener, addFigure, addMachine, setRule, startVisit } from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, byHours, NOW, openBook, uuid } from '../../../../tests/database/book';
import { machineSchema } from '../../core/machine/form';
import { fastenerSchema, figureSchema } from '../../core/specs/form';
import { ruleSchema } from '../../core/rules/form';
import { startSchema } from '../../core/visit/form';
import { asksAt } from '../../core/visit/asks';
import { visitState } from '../../core/visit/state';
import { listRuleChanges, readRules } from '../rules/rules';
import { getVisit } from './visits';

let book: Book;
const machineId = uuid();
const taskId = uuid();
beforeAll(async () => {
  book = await openBook();
  await addMachine(
    book.sql,
    book.team,
    book.personId,
    machineSchema.parse({
      id: machineId,
      plate: '41',
      name: 'Garth 125',
      kind: 'two-stroke motocross',
      meter: 'reckoned',
      reading: '12',
      tasks: [
        {
          id: taskId,
          name: 'Gearbox oil',
          job: 'gearbox-two-stroke',
          triggers: [byHours('20')],
          lastDone: 'not known'
        }
      ]
    }),
    NOW
  );
});
afterAll(() => book.close());

const put = (key: string, typed: string, fastenerId: string | null = null) =>
  addFigure(
    book.sql,
    book.team.id,
    book.personId,
    figureSchema.parse({
      id: uuid(),
      machineId,
      key,
      fastenerId,
      typed,
      source: 'Handbook',
      confidence: 'printed'
    })
  );

it('a machine’s own house rule is in its visits and in no other’s', async () => {
  const { sql, team, personId } = book;
  const set = (value: unknown, on: string | null) =>
    setRule(
      sql,
      team.id,
      personId,
      ruleSchema.parse({ id: uuid(), machineId: on, key: 'holdBackPercent', value })
    );
  await set(10, null);
  await set(20, machineId);
  expect((await readRules(sql, team.id, machineId)).holdBackPercent).toBe(20);
  expect((await readRules(sql, team.id, book.machineId)).holdBackPercent).toBe(10);
  expect((await readRules(sql, team.id)).holdBackPercent).toBe(10);
  await set(12, null);
  expect((await readRules(sql, team.id, machineId)).holdBackPercent).toBe(20);
  await set(null, machineId);
  expect((await readRules(sql, team.id, machineId)).holdBackPercent).toBe(12);
  expect((await listRuleChanges(sql, team.id, machineId)).map((c) => c.value)).toEqual([null, 20]);
  await expect(set(9, uuid())).rejects.toThrow(/not in this team/);
  await set(8, null);
});

describe('a visit begun with an empty sheet', () => {
  it('is told what comes onto the sheet while it stands open; nothing it knew is changed', async () => {
    const { sql, team, personId } = book;
    const id = await startVisit(
      sql,
      team,
      personId,
      startSchema.parse({ id: uuid(), machineId, jobs: [{ taskId }] }),
      NOW
    );
    const plan = async () => (await getVisit(sql, team.id, id))!.plan;
    const asked = async () => {
      const p = await plan();
      const state = visitState(p, []);
      return state.steps.flatMap((s) => asksAt(state, s).map((a) => a.key));
    };
    // Its hours are counted from time ridden: there is no meter to read.
    expect((await plan()).steps.map((s) => s.key)).not.toContain('meter');
    expect(await asked()).toEqual(['gearbox oil grade', 'gearbox oil', 'gearbox level method']);

    await put('gearbox oil', '650 ml');
    await put('gearbox oil grade', '75W-80');
    expect(await asked()).toEqual(['gearbox level method']);
    // Corrected later, the visit goes on by what it was told.
    await put('gearbox oil', '700 ml');
    const pour = (await plan()).steps.find((s) => s.input.type === 'pour')!.input;
    expect(pour).toMatchObject({ fill: { quantityMl: 650 } });

    const plug = uuid();
    await addFastener(
      sql,
      team.id,
      personId,
      fastenerSchema.parse({
        id: plug,
        machineId,
        role: 'drain plug',
        circuit: 'gearbox',
        name: 'Gearbox drain plug',
        quantity: '1',
        magnet: false,
        seal: 'none'
      })
    );
    await put('torque', '20 N·m', plug);
    expect((await plan()).items.find((i) => i.role === 'drain plug')).toMatchObject({
      fastenerId: plug,
      torque: { band: { from: { value: 20, unit: 'N·m' } }, source: 'Handbook · printed' }
    });
    // Closed or given up, a visit is what it was.
    await sql`update visit set given_up_at = now(), given_up_reason = 'a test' where id = ${id}`;
    await put('gearbox level method', 'check screw');
    expect(await asked()).toEqual(['gearbox level method']);
  });
});
