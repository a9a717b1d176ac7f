import {
  addEvent,
  addMachine,
  addTask,
  callOff,
  logReadings,
  recordDone
} from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, byHours, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { eventSchema } from '../../core/outing/form';
import { machineSchema } from '../../core/machine/form';
import { doneSchema, taskSchema } from '../../core/schedule/form';
import { FIRST_LANES } from '../../core/trail/lane';
import { addDays } from '../../core/time/day';
import { listEvents, listOutings } from '../outing/events';
import { getMachine, listMachines } from '../machine/machines';
import { getRecord, listRecords } from '../record/records';
import { becameDue, lanesOf, readCalendar, trailPage } from './lanes';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(() => book.close());

const event = (more: object) =>
  eventSchema.parse({
    id: uuid(),
    name: 'Cross',
    kind: 'race',
    firstDay: addDays(TODAY, 3),
    lastDay: addDays(TODAY, 4),
    hoursEach: '2',
    wholeFleet: true,
    ...more
  });
const lane = async () =>
  (await trailPage(book.sql, book.team, NOW)).lanes.find((l) => l.id === book.machineId)!;

describe('the calendar on the trail', () => {
  it('brings work before the outing that reaches it, and lets go when that is called off', async () => {
    await book.log('38.9');
    expect(await lane()).toMatchObject({ state: 'coming', next: 'Engine oil in 1.1 h' });
    const race = event({});
    await addEvent(book.sql, book.team.id, book.personId, race);
    await addEvent(book.sql, book.team.id, book.personId, race);
    expect(await lane()).toMatchObject({
      state: 'due before the next outing',
      next: 'Engine oil in 1.1 h, inside Cross'
    });
    expect((await trailPage(book.sql, book.team, NOW)).nextOuting).toEqual({
      name: 'Cross',
      firstDay: addDays(TODAY, 3)
    });
    await callOff(book.sql, book.team.id, race.id, true);
    expect((await lane()).state).toBe('coming');
    await callOff(book.sql, book.team.id, race.id, false);
    expect(await listEvents(book.sql, book.team.id, TODAY, 'ahead')).toHaveLength(1);
    await callOff(book.sql, book.team.id, race.id, true);
  });

  it('touches only the machines that go', async () => {
    const other = uuid();
    await addMachine(
      book.sql,
      book.team,
      book.personId,
      machineSchema.parse({
        id: other,
        plate: '9',
        name: 'Stays',
        kind: 'electric',
        meter: 'hour meter',
        reading: '1',
        tasks: []
      }),
      NOW
    );
    const race = event({ wholeFleet: false, machineIds: [other] });
    await addEvent(book.sql, book.team.id, book.personId, race);
    expect((await lane()).stretches).toEqual([]);
    expect((await lanesOf(book.sql, book.team, [other], NOW))[0]!.stretches).toMatchObject([
      { from: 0, to: 200 }
    ]);
    expect(await listEvents(book.sql, book.team.id, addDays(TODAY, 30), 'past')).toMatchObject([
      { name: 'Cross', machineIds: [other] }
    ]);
  });
});

describe('outings that were planned', () => {
  let book: Book;
  beforeAll(async () => {
    book = await openBook();
  });
  afterAll(() => book.close());
  it('takes an outing for the planned one its day and machine belong to, unless somebody says otherwise', async () => {
    const today = event({ name: 'Club day', firstDay: TODAY, lastDay: TODAY, kind: 'practice' });
    await addEvent(book.sql, book.team.id, book.personId, today);
    const of = async (more: object) => {
      const id = uuid();
      await book.log('+0.05', { id, outing: 'practice', ...more });
      return (await book.sql`select event_id from outing where id = ${id}`)[0]!.event_id as string | null;
    };
    expect(await of({})).toBe(today.id);
    expect(await of({ eventId: null })).toBeNull();
    expect(await of({ day: addDays(TODAY, -1) })).toBeNull();
    const pasted = { id: uuid(), machineId: book.machineId, typed: '+0.05', day: TODAY, outing: 'practice' };
    await logReadings(book.sql, book.team, book.personId, [pasted], NOW);
    const [row] = await book.sql`select event_id from outing where id = ${pasted.id}`;
    expect(row!.event_id).toBe(today.id);
    await callOff(book.sql, book.team.id, today.id, true);
    expect(await of({})).toBeNull();
  });

  it('knows a season of outings, each machine its own', async () => {
    for (let n = 0; n < 15; n++)
      await addEvent(
        book.sql,
        book.team.id,
        book.personId,
        event({ name: `Round ${n}`, firstDay: addDays(TODAY, 40 + n), lastDay: addDays(TODAY, 40 + n) })
      );
    const calendar = await readCalendar(book.sql, book.team.id, TODAY);
    expect(calendar.of(book.machineId)).toHaveLength(15);
  });
});

describe('a task written down as done', () => {
  it('restarts its count from those hours, once, and leaves a record', async () => {
    const done = doneSchema.parse({
      id: uuid(),
      taskId: book.taskId,
      day: TODAY,
      hours: '38.5',
      reason: 'race tomorrow'
    });
    await recordDone(book.sql, book.team, book.personId, done, NOW);
    await recordDone(book.sql, book.team, book.personId, done, NOW);
    expect((await lane()).stakes[0]).toMatchObject({ name: 'Engine oil', left: 'in 14.6 h' });
    const records = await listRecords(book.sql, book.team.id, book.machineId);
    expect(records.map((r) => [r.hours, r.reason])).toEqual([
      [3850, 'race tomorrow'],
      [2500, '']
    ]);
    expect(await getRecord(book.sql, book.team.id, records[0]!.id)).toMatchObject({
      task: 'Engine oil',
      plate: '7',
      by: 'Wren Oddie',
      content: null
    });
    expect(await getRecord(book.sql, uuid(), records[0]!.id)).toBeNull();
    // Of the whole team the same, and of another team nothing.
    expect((await listRecords(book.sql, book.team.id, null)).slice(0, 2)).toEqual(records);
    expect(await listRecords(book.sql, uuid(), null)).toEqual([]);
    expect(await listRecords(book.sql, book.team.id, book.machineId, records[0]!.id)).toHaveLength(1);
  });
  it('twice on one day gone by, is listed and counted in the order it was written down', async () => {
    const done = (hours: string) =>
      recordDone(
        book.sql,
        book.team,
        book.personId,
        doneSchema.parse({ id: uuid(), taskId: book.taskId, day: '2026-06-02', hours, reason: 'again' }),
        NOW
      );
    for (const hours of ['36', '37', '36.5', '37.5']) await done(hours);
    const records = await listRecords(book.sql, book.team.id, book.machineId);
    const ofDay = records.filter((r) => r.doneOn === '2026-06-02');
    expect(ofDay.map((r) => r.hours)).toEqual([3750, 3650, 3700, 3600]);
    const rest = await listRecords(book.sql, book.team.id, book.machineId, ofDay[1]!.id);
    expect(rest.filter((r) => r.doneOn === '2026-06-02').map((r) => r.hours)).toEqual([3700, 3600]);
  });
  it('cannot be ahead of the machine, the clock or the team', async () => {
    const done = (more: object) =>
      recordDone(
        book.sql,
        book.team,
        book.personId,
        doneSchema.parse({ id: uuid(), taskId: book.taskId, day: TODAY, hours: '38', ...more }),
        NOW
      );
    await expect(done({ hours: '999' })).rejects.toThrow(/not run that far/);
    await expect(done({ day: addDays(TODAY, 1) })).rejects.toThrow(/not come/);
    await expect(done({ taskId: uuid() })).rejects.toThrow(/not in this team/);
  });
  it('an earlier day written down late does not move the count', async () => {
    await recordDone(
      book.sql,
      book.team,
      book.personId,
      doneSchema.parse({ id: uuid(), taskId: book.taskId, day: '2026-03-01', hours: '10' }),
      NOW
    );
    expect((await lane()).stakes[0]).toMatchObject({ left: 'in 14.6 h' });
  });
});

describe('tasks', () => {
  const task = (more: object) =>
    taskSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      name: 'Air filter',
      triggers: [byHours('5')],
      lastDone: 'not known',
      ...more
    });
  it('are unknown until someone knows, and each name is there once', async () => {
    const t = task({});
    await addTask(book.sql, book.team, book.personId, t, NOW);
    await addTask(book.sql, book.team, book.personId, t, NOW);
    await expect(
      addTask(book.sql, book.team, book.personId, task({ name: 'air FILTER' }), NOW)
    ).rejects.toThrow(/has a task of that name/);
    expect((await lane()).stakes.find((s) => s.name === 'Air filter')).toMatchObject({
      state: 'unknown',
      ahead: null,
      left: 'not known'
    });
  });
  it('count from new with their first interval when the book begins with the machine', async () => {
    const [id, oil] = [uuid(), uuid()];
    await addMachine(
      book.sql,
      book.team,
      book.personId,
      machineSchema.parse({
        id,
        plate: 'N1',
        name: 'New',
        kind: 'youth bike',
        meter: 'hour meter',
        reading: '0.4',
        tasks: [
          {
            id: oil,
            name: 'Oil',
            triggers: [byHours('10', { first: '2', firstLimit: '3' })],
            lastDone: 'new'
          },
          // What counts the one before it comes into the book in the same go.
          {
            id: uuid(),
            name: 'Small rings',
            triggers: [{ id: uuid(), measure: 'times', ofTaskId: oil, every: '3' }],
            lastDone: 'new'
          }
        ]
      }),
      NOW
    );
    expect(await book.sql`select of_task_id as of from task_trigger where of_task_id = ${oil}`).toEqual([
      { of: oil }
    ]);
    const [fresh] = await lanesOf(book.sql, book.team, [id], NOW);
    expect(fresh!.stakes[0]).toMatchObject({ left: 'in 1.6 h', limitAhead: 260 });
  });
});

describe('a fleet larger than the screen', () => {
  it('sends the first lanes and the order of all; the others come by id', async () => {
    for (let i = 0; i < FIRST_LANES + 2; i++) {
      await addMachine(
        book.sql,
        book.team,
        book.personId,
        machineSchema.parse({
          id: uuid(),
          plate: `f${i}`,
          name: 'One of many',
          kind: 'electric',
          meter: 'hour meter',
          reading: String(i),
          tasks: []
        }),
        NOW
      );
    }
    const page = await trailPage(book.sql, book.team, NOW);
    expect(page.lanes).toHaveLength(FIRST_LANES);
    expect(page.order.length).toBeGreaterThan(FIRST_LANES);
    expect(page.lanes.map((l) => l.id)).toEqual(page.order.slice(0, FIRST_LANES));
    const rest = await lanesOf(book.sql, book.team, page.order.slice(FIRST_LANES), NOW);
    expect(rest).toHaveLength(page.order.length - FIRST_LANES);
    expect(await lanesOf(book.sql, book.team, [uuid()], NOW)).toEqual([]);
  });
  it('is found by plate, name or maker, and odd signs are only signs', async () => {
    expect((await listMachines(book.sql, book.team.id, 'many')).length).toBe(FIRST_LANES + 2);
    expect(await listMachines(book.sql, book.team.id, '%')).toEqual([]);
    expect(await listMachines(book.sql, book.team.id, "'; drop table machine; --")).toEqual([]);
    expect(await getMachine(book.sql, uuid(), book.machineId)).toBeNull();
  });
});

it('outings are listed with their hours, the latest first, a page at a time', async () => {
  await book.log(
    '39.5',
    { outing: 'race', remark: 'mud', riderId: book.personId },
    new Date(NOW.getTime() + 3_600_000 * 2)
  );
  await book.log('40.5', { outing: 'practice' }, new Date(NOW.getTime() + 3_600_000 * 4));
  const all = await listOutings(book.sql, book.team.id);
  expect(all).toHaveLength(2);
  const [first] = await listOutings(book.sql, book.team.id, null, 1);
  expect(await listOutings(book.sql, book.team.id, { day: first!.day, id: first!.id })).toHaveLength(1);
  expect(all.map((o) => o.value).sort()).toEqual([3950, 4050]);
});

it('what became due is what got worse, and only that', async () => {
  const after = await lane();
  const before = { ...after, stakes: after.stakes.map((s) => ({ ...s, state: 'clear' as const })) };
  const pressing = after.stakes.filter((s) =>
    ['past limit', 'past due', 'due before the next outing'].includes(s.state)
  );
  expect(becameDue(before, after).map((d) => d.name)).toEqual(pressing.map((s) => s.name));
  expect(becameDue(after, after)).toEqual([]);
});
