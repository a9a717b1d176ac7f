import { afterAll, beforeAll, expect, it } from 'vitest';
import { byHours, uuid } from '../../../../tests/database/book';
import { addComponent, addMachine, addTask } from '../../../../tests/database/hands';
import { later, Pit } from '../../../../tests/database/pit';
import { componentSchema } from '../../core/component/form';
import { machineSchema } from '../../core/machine/form';
import { taskSchema } from '../../core/schedule/form';
import { connect, type Sql } from '../base/db';
import { rebuildStanding } from '../book/standing';
import type { Kind } from '../../core/command/commands';
import type { Envelope, Outcome } from '../../core/command/envelope';
import { runCommands, type Sender } from './run';

/**
 * Twenty people write at once: readings, engines swapped back and forth between machines, rebuilds, tasks done, house rules,
 * visits. Nothing deadlocks, nothing acknowledged is lost, and every machine stands where working it out anew puts it, also
 * those that once shared an engine.
 */
let pit: Pit;
let sql: Sql;
let from: Sender;
const machines: string[] = [];
const engines: string[] = [];
const tasks: string[] = [];
const faults: unknown[] = [];
let minute = 0;

beforeAll(async () => {
  pit = await Pit.open();
  const { book } = pit;
  machines.push(book.machineId, pit.other);
  engines.push(pit.a, pit.b);
  tasks.push(book.taskId, pit.oilA, pit.oilB);
  for (const plate of ['11', '12', '13']) {
    const [machine, engine, oil] = [uuid(), uuid(), uuid()];
    const form = {
      id: machine,
      plate,
      name: `Barrow ${plate}`,
      kind: 'four-stroke enduro',
      meter: 'hour meter',
      reading: '10',
      tasks: []
    };
    await addMachine(book.sql, book.team, book.personId, machineSchema.parse(form), later(-100));
    const part = {
      id: engine,
      kind: 'engine',
      name: `Engine of ${plate}`,
      brought: '5',
      machineId: machine,
      fittedOn: '2026-06-07'
    };
    await addComponent(book.sql, book.team, book.personId, componentSchema.parse(part), later(-90));
    const task = {
      id: oil,
      componentId: engine,
      name: 'Oil',
      triggers: [byHours('15', { first: '3' })],
      lastDone: 'done',
      lastDoneDay: '2026-06-01',
      lastDoneHours: '1'
    };
    await addTask(book.sql, book.team, book.personId, taskSchema.parse(task), later(-80));
    machines.push(machine);
    engines.push(engine);
    tasks.push(oil);
  }
  sql = connect(book.url, 20);
  from = { team: book.team, person: { id: book.personId, role: 'chief mechanic' }, device: 'a race' };
});
afterAll(async () => {
  await sql.end();
  await pit.book.close();
});

const any = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;
/** A day on which the clock stands: later each time, so that hours may be claimed. */
const clock = () => later(48 + (minute += 1));
async function send(kind: Kind, body: (day: string) => object): Promise<{ outcome: Outcome; body: object }> {
  const now = clock();
  const sent = body(now.toISOString().slice(0, 10));
  const c: Envelope = { id: uuid(), kind, at: now.toISOString(), body: sent, after: null };
  const [outcome] = await runCommands(
    sql,
    from,
    [c],
    () => now,
    (e) => `fault ${faults.push(e)}`
  );
  return { outcome: outcome!, body: sent };
}
const ride = () =>
  send('reading.log', (day) => ({
    id: uuid(),
    machineId: any(machines),
    typed: '+0.2',
    day,
    outing: 'ride',
    sure: true
  }));
const swap = () => {
  const [a, b] = [any(engines), any(engines)];
  return send('component.swap', (day) => ({
    id: uuid(),
    componentId: a,
    withId: b,
    day,
    reading: '',
    withReading: '',
    reason: ''
  }));
};

it('leaves every machine right', async () => {
  const taken: Record<string, number> = {};
  const acknowledged: string[] = [];
  const worker = async (n: number) => {
    for (let i = 0; i < 12; i++) {
      const dice = (n + i) % 12;
      const done =
        dice < 5
          ? await ride()
          : dice < 8
            ? await swap()
            : dice === 8
              ? await send('component.rebuild', (day) => {
                  const at = Math.floor(Math.random() * engines.length);
                  return { id: uuid(), componentId: engines[at], day, remark: '', taskIds: [tasks[at + 1]] };
                })
              : dice === 9
                ? await send('task.done', (day) => ({ id: uuid(), taskId: any(tasks), day, reason: 'race' }))
                : dice === 10
                  ? await send('rule.set', () => ({
                      id: uuid(),
                      key: 'anchoring',
                      value: any(['from due', 'from done']),
                      word: ''
                    }))
                  : await send('task.add', () => ({
                      id: uuid(),
                      machineId: any(machines),
                      name: `T ${uuid()}`,
                      triggers: [byHours('20')],
                      lastDone: 'not known'
                    }));
      if (!done.outcome.ok) continue;
      const [noun] = Object.keys(done.body).includes('typed') ? ['ride'] : ['other'];
      taken[noun!] = (taken[noun!] ?? 0) + 1;
      if (noun === 'ride') acknowledged.push((done.body as { id: string }).id);
    }
  };
  await Promise.all(Array.from({ length: 20 }, (_, n) => worker(n)));
  expect(faults).toEqual([]);
  expect(taken.ride).toBeGreaterThan(60);
  expect(taken.other).toBeGreaterThan(60);

  const kept = await sql`select id from reading where id = any(${acknowledged})`;
  expect(kept).toHaveLength(acknowledged.length);

  const stood = await sql`select * from machine_standing order by machine_id`;
  const parts = await sql`select id, total from component order by id`;
  for (const m of machines) await rebuildStanding(sql, pit.book.team.id, m);
  expect(await sql`select * from machine_standing order by machine_id`).toEqual(stood);
  expect(await sql`select id, total from component order by id`).toEqual(parts);
}, 120_000);

it('a machine that is written by all at once takes them one after the other', async () => {
  const before = await sql`select total from machine_standing where machine_id = ${machines[4]!}`;
  const sent = await Promise.all(
    Array.from({ length: 30 }, () =>
      send('reading.log', (day) => ({
        id: uuid(),
        machineId: machines[4],
        typed: '+0.1',
        day,
        outing: 'ride'
      }))
    )
  );
  expect(sent.every((s) => s.outcome.ok)).toBe(true);
  const after = await sql`select total from machine_standing where machine_id = ${machines[4]!}`;
  expect(after[0]!.total - before[0]!.total).toBe(300);
});
