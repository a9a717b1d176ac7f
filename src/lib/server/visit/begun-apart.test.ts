import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, byHours, NOW, openBook, uuid, type Book } from '../../../../tests/database/book';
import { addFinding, addPerson, addTask, giveUpVisit } from '../../../../tests/database/hands';
import { patiently } from '../../../../tests/patiently';
import type { Kind } from '../../core/command/commands';
import type { Outcome } from '../../core/command/envelope';
import { findingSchema } from '../../core/finding/form';
import { taskSchema } from '../../core/schedule/form';
import { personSchema } from '../../core/team/form';
import { layOut } from '../../core/job/layout/layout';
import { orderPlan } from '../../core/job/order/order';
import { runCommands } from '../commands/run';
import { getMachine } from '../machine/machines';
import { readStandings } from '../trail/lanes';
import { visitBefore } from './before';
import { getVisit, readEntries, recordsOf } from './visits';

/** Two devices without a signal; what they wrote comes in hours later. */
let book: Book;
let other: string;
let gearbox: string;
beforeEach(async () => {
  book = await openBook();
  other = uuid();
  gearbox = uuid();
  await addPerson(
    book.sql,
    book.team,
    book.personId,
    personSchema.parse({ id: other, name: 'Jory Pell', role: 'mechanic' })
  );
  await addTask(
    book.sql,
    book.team,
    book.personId,
    taskSchema.parse({
      id: gearbox,
      machineId: book.machineId,
      name: 'Gearbox oil',
      triggers: [byHours('30')],
      lastDone: 'not known'
    }),
    NOW
  );
});
afterEach(() => book.close());

type Sent = { id: string; kind: Kind; at: string; body: object; after: string | null };
const sent = (kind: Kind, body: object, hours: number, id = uuid()): Sent => ({
  id,
  kind,
  at: at(hours).toISOString(),
  body,
  after: null
});
const begin = (id: string, hours: number, jobs: string[], more: object = {}) =>
  sent(
    'visit.start',
    { id, machineId: book.machineId, jobs: jobs.map((taskId) => ({ taskId })), ...more },
    hours
  );
const enter = (visitId: string, hours: number, entry: object) => {
  const id = uuid();
  return sent('visit.enter', { visitId, entry: { id, stepKey: null, itemKey: null, ...entry } }, hours, id);
};
const fetched = (what: string) => ({ action: 'fetched', content: { what } });
const from = (personId: string) => ({
  team: book.team,
  person: { id: personId, role: 'mechanic' as const },
  device: personId
});
/** All of it comes in at once, the evening after. */
const send = (personId: string, list: Sent[], hours = 12): Promise<Outcome[]> =>
  runCommands(
    book.sql,
    from(personId),
    list as never,
    () => at(hours),
    (e) => {
      throw e;
    }
  );
const whats = async (visitId: string) =>
  (await readEntries(book.sql, book.team.id, visitId)).map((e) =>
    'what' in e.content ? e.content.what : e.action
  );
async function hoseChafes(): Promise<string> {
  const { sql, team, personId, machineId } = book;
  const id = uuid();
  await addFinding(
    sql,
    team,
    personId,
    findingSchema.parse({ id, machineId, what: 'Hose chafes', severity: 'watch' })
  );
  return id;
}
const well = (outcomes: Outcome[]) => outcomes.map((o) => (o.ok ? 'taken' : Object.values(o.errors)[0]));

describe('a visit that was begun without a signal', () => {
  it('is of when it was begun, with what was written in it, in the order that was shown', async () => {
    const v = uuid();
    const list = [begin(v, 1, [book.taskId]), enter(v, 1.2, fetched('rag')), enter(v, 1.5, fetched('tray'))];
    expect(well(await send(book.personId, list))).toEqual(['taken', 'taken', 'taken']);
    const visit = (await getVisit(book.sql, book.team.id, v))!;
    expect(visit.startedAt).toEqual(at(1));
    expect(visit.entries.map((e) => e.at)).toEqual([at(1.2).toISOString(), at(1.5).toISOString()]);
    // All of it sent again, because the answer was lost, is nothing new.
    const again = await send(book.personId, list, 13);
    expect(again.map((o) => o.ok && o.data)).toEqual([v, expect.anything(), expect.anything()]);
    expect(await whats(v)).toEqual(['rag', 'tray']);
    expect(await book.sql`select 1 from visit`).toHaveLength(1);
  });

  it('is laid out on the device as it is on the server: the same steps, and what each of them opens', async () => {
    const finding = await hoseChafes();
    const machine = (await getMachine(book.sql, book.team.id, book.machineId))!;
    const [standing] = await readStandings(book.sql, book.team, [machine.id]);
    const before = await visitBefore(book.sql, book.team, machine, standing!, at(1));
    const jobs = [
      ...before.jobs.map(({ taskId, template }) => ({ taskId, template })),
      ...before.findings.map((f) => f.job)
    ];
    const { plan } = orderPlan(layOut({ ...before.input, jobs }), 'cold');
    const v = uuid();
    const order = plan.steps.map((s) => s.key);
    const tasks = before.jobs.map((j) => j.taskId);
    expect(
      well(await send(book.personId, [begin(v, 1, tasks, { findings: [finding], order, engine: 'cold' })]))
    ).toEqual(['taken']);
    const kept = (await getVisit(book.sql, book.team.id, v))!.plan;
    expect(kept.steps.map((s) => [s.key, s.title, s.input.type])).toEqual(
      plan.steps.map((s) => [s.key, s.title, s.input.type])
    );
    expect(kept.items.map((i) => i.key)).toEqual(plan.items.map((i) => i.key));
    expect(kept.jobs.map((j) => j.key)).toEqual(plan.jobs.map((j) => j.key));
  });

  it('goes in the order that was shown, with what has come onto the sheet since at its end', async () => {
    const [v, w] = [uuid(), uuid()];
    await send(book.personId, [begin(v, 1, [book.taskId])]);
    const keys = (await getVisit(book.sql, book.team.id, v))!.plan.steps.map((s) => s.key);
    await giveUpVisit(book.sql, book.team.id, v, 'only to look');
    const shown = [...keys.slice(1).reverse(), 'a step that is not there'];
    await send(book.personId, [begin(w, 2, [book.taskId], { order: shown })]);
    expect((await getVisit(book.sql, book.team.id, w))!.plan.steps.map((s) => s.key)).toEqual([
      ...keys.slice(1).reverse(),
      keys[0]
    ]);
  });
});

describe('two that were begun apart at one machine', () => {
  it('of the same jobs are one, whoever comes in first, and what both wrote is in one log', async () => {
    const [v, w] = [uuid(), uuid()];
    const heard: string[] = [];
    const line = await book.sql.listen('trail', (told) => heard.push(told.split(' ').at(-1)!));
    await send(book.personId, [begin(v, 1, [book.taskId, gearbox]), enter(v, 1.1, fetched('rag'))]);
    const late = [
      begin(w, 0.5, [book.taskId]),
      enter(w, 0.6, fetched('funnel')),
      enter(w, 0.7, fetched('tray'))
    ];
    const outcomes = await send(other, late, 13);
    expect(well(outcomes)).toEqual(['taken', 'taken', 'taken']);
    expect(outcomes[0]).toMatchObject({ data: v });
    for (const id of [v, w]) expect(await whats(id)).toEqual(['rag', 'funnel', 'tray']);
    expect((await getVisit(book.sql, book.team.id, w))!.id).toBe(v);
    expect(await recordsOf(book.sql, book.team.id, w)).toEqual([]);
    // Who looks at it is told by the id it has; and the audit knows of which machine it was.
    await patiently(() => expect(heard.filter((id) => id === v)).toHaveLength(3));
    expect(heard).not.toContain(w);
    expect(
      await book.sql`select machines from command where kind = 'visit.enter' and body->>'visitId' = ${w}`
    ).toEqual([{ machines: [book.machineId] }, { machines: [book.machineId] }]);
    await line.unlisten();
    // Given up under the id it went by on the other device, it is given up.
    await giveUpVisit(book.sql, book.team.id, w, 'both went home');
    expect((await getVisit(book.sql, book.team.id, v))!.givenUpAt).not.toBeNull();
  });

  it('come in at once and are one all the same', async () => {
    const ids = [uuid(), uuid(), uuid()];
    const all = await Promise.all(
      ids.map((id, i) =>
        send(i === 0 ? book.personId : other, [begin(id, 1, [book.taskId]), enter(id, 2, fetched(`${i}`))])
      )
    );
    expect(all.flatMap(well)).toEqual(Array(6).fill('taken'));
    expect(new Set(all.map(([begun]) => begun!.ok && begun!.data)).size).toBe(1);
    expect(await book.sql`select 1 from visit`).toHaveLength(1);
    for (const id of ids) expect((await whats(id)).sort()).toEqual(['0', '1', '2']);
  });

  it('of other jobs are two, one after the other: the second waits, and is told for whom', async () => {
    const [v, w] = [uuid(), uuid()];
    await send(book.personId, [begin(v, 1, [book.taskId])]);
    const late = [begin(w, 2, [gearbox]), enter(w, 2.1, fetched('tray'))];
    expect(well(await send(other, late))).toEqual([
      'Another visit stands open at this machine (Engine oil, begun by Wren Oddie). Close it first.',
      'That visit is not in this team.'
    ]);
    expect(await book.sql`select 1 from visit_begun_apart`).toEqual([]);
    await giveUpVisit(book.sql, book.team.id, v, 'done with it');
    expect(well(await send(other, late, 14))).toEqual(['taken', 'taken']);
    expect(await whats(w)).toEqual(['tray']);
  });

  it('where the one that stands is of no task of the book, the second is told by whom it was begun', async () => {
    const v = uuid();
    await send(book.personId, [begin(v, 1, [book.taskId])]);
    await book.sql`delete from visit_task where visit_id = ${v}`;
    expect(well(await send(other, [begin(uuid(), 2, [book.taskId])]))).toEqual([
      'Another visit stands open at this machine (begun by Wren Oddie). Close it first.'
    ]);
  });

  it('about one finding are one', async () => {
    const finding = await hoseChafes();
    const [v, w] = [uuid(), uuid()];
    await send(book.personId, [begin(v, 1, [book.taskId], { findings: [finding] })]);
    const [outcome] = await send(other, [begin(w, 1, [], { findings: [finding] })]);
    expect(outcome).toMatchObject({ ok: true, data: v });
  });

  it('of another team it knows nothing', async () => {
    const [v, w] = [uuid(), uuid()];
    await send(book.personId, [begin(v, 1, [book.taskId])]);
    await send(other, [begin(w, 1, [book.taskId])]);
    expect(await getVisit(book.sql, uuid(), w)).toBeNull();
    expect(await readEntries(book.sql, uuid(), w)).toEqual([]);
  });
});
