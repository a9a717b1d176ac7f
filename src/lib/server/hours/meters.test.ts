import {
  addTask,
  changeMeter,
  logDistance,
  strikeReading,
  estimateOuting,
  logReadings,
  recordDone
} from '../../../../tests/database/hands';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { doneSchema, taskSchema } from '../../core/schedule/form';
import { Book, byHours, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { meterChangeSchema, odometerSchema, strikeSchema } from '../../core/hours/form';
import { listMachines } from '../machine/machines';
import { listMeters, listReadings, runningHistory } from './meters';
import { outingsWithoutHours } from './outings';
import { Refusal } from '../base/refusal';
import { readStandings } from '../trail/lanes';

const later = (hours: number) => new Date(NOW.getTime() + hours * 3_600_000);
let book: Book;
const all: Book[] = [];
beforeEach(async () => {
  book = await openBook();
  all.push(book);
});
afterAll(() => Promise.all(all.map((b) => b.close())));
const change = (more: object, now = later(1)) =>
  changeMeter(
    book.sql,
    book.team,
    book.personId,
    meterChangeSchema.parse({ id: uuid(), machineId: book.machineId, day: TODAY, ...more }),
    now
  );
const refused = async (work: Promise<unknown>) => {
  const e = await work.then(
    () => null,
    (x: unknown) => x
  );
  expect(e).toBeInstanceOf(Refusal);
  return (e as Refusal).errors;
};

describe('what happens to an hour meter', () => {
  it('replaced, set back or taken off: the running total goes on', async () => {
    await change({ change: 'replaced', lastValue: '39', firstValue: '0.2' });
    expect(await book.standing()).toMatchObject({ total: 3900, estimated: false });
    await book.log('1.2', {}, later(3));
    expect(await book.standing()).toMatchObject({ total: 4000 });
    await change({ change: 'reset', lastValue: '1.2' }, later(4));
    await book.log('0.5', {}, later(6));
    expect(await book.standing()).toMatchObject({ total: 4050 });
    await change({ change: 'removed', lastValue: '' }, later(7));
    await book.log('1h', { outing: 'ride', day: '2026-06-11' }, later(8));
    expect(await book.standing()).toMatchObject({ total: 4150, estimated: true });
    expect((await listMeters(book.sql, book.team.id, book.machineId)).map((m) => [m.kind, m.change])).toEqual(
      [
        ['hour meter', 'replaced'],
        ['hour meter', 'reset'],
        ['hour meter', 'removed'],
        ['reckoned', '']
      ]
    );
  });
  // 38.4 when it went dark, 2 h ridden; it reads again at 38.9 and shows 39.9 an hour later: 38.4 + 2.0 + 1.5.
  it('dead, it is read no more; what was ridden meanwhile stays when it reads again', async () => {
    await change({ change: 'dead' });
    expect(await refused(change({ change: 'dead' }))).toHaveProperty('change');
    await book.log('2h', { outing: 'ride' }, later(2));
    expect(await book.standing()).toEqual({ total: 4040, estimated: true });
    await change({ change: 'works again', firstValue: '38.9', meanwhile: 'stood still' }, later(3));
    expect(await book.standing()).toEqual({ total: 4090, estimated: false });
    await book.log('39.9', {}, later(4));
    expect(await book.standing()).toEqual({ total: 4190, estimated: false });
    expect(await refused(change({ change: 'works again' }, later(5)))).toHaveProperty('change');
    const [meter] = await listMeters(book.sql, book.team.id, book.machineId);
    expect(meter!.dead).toMatchObject([{ until: expect.any(String), counted: false }]);
    // What it shows and what the machine has run are two figures, each in its place.
    const [listed] = await listMachines(book.sql, book.team.id);
    expect(listed).toMatchObject({ meterShows: 3990, total: 4190 });
    const [reading] = await listReadings(book.sql, book.team.id, book.machineId);
    expect(reading).toMatchObject({ value: 3990, total: 4190 });
  });
  it('asks whether it went on counting where what it shows looks like it', async () => {
    await change({ change: 'dead' });
    for (const hour of [2, 3, 4]) await book.log('2h', { outing: 'ride' }, later(hour));
    const again = (more: object) => change({ change: 'works again', ...more }, later(4.5));
    expect(await refused(again({ firstValue: '44.6' }))).toMatchObject({
      meanwhile: expect.stringMatching(/6\.2 h more .* 6\.0 h were ridden/)
    });
    expect(await refused(again({ firstValue: '38.2' }))).toMatchObject({
      firstValue: expect.stringMatching(/showed 38\.4 h before/)
    });
    expect(await refused(again({ meanwhile: 'went on counting' }))).toHaveProperty('firstValue');
    await again({ firstValue: '44.6', meanwhile: 'went on counting' });
    expect(await book.standing()).toEqual({ total: 4460, estimated: false });
  });
  // Three rides of 2 h on a dead meter, then a new one: 38.4 + 6.0, and what the new one counts.
  it('dead and replaced, what was ridden meanwhile stays', async () => {
    await change({ change: 'dead' });
    for (const hour of [2, 3, 4]) await book.log('2h', { outing: 'ride' }, later(hour));
    await change({ change: 'replaced', lastValue: '38.4', firstValue: '0' }, later(4.5));
    expect(await book.standing()).toMatchObject({ total: 4440 });
    await book.log('0.5', { day: '2026-06-11' }, later(10));
    expect(await book.standing()).toMatchObject({ total: 4490 });
  });
  it('found dead days later, what was ridden since it last read stays', async () => {
    const inDays = (n: number) => later(24 * n);
    await book.log('+2h', { outing: 'ride', day: '2026-06-11' }, inDays(1));
    await change({ change: 'dead', day: '2026-06-11' }, inDays(2));
    await change({ change: 'works again', firstValue: '38.5', day: '2026-06-12' }, inDays(2));
    expect(await book.standing()).toMatchObject({ total: 4050 });
  });
  it('is refused where it cannot be', async () => {
    expect(await refused(change({ change: 'replaced', lastValue: '12' }))).toMatchObject({
      lastValue: expect.stringMatching(/already showed 38\.4 h/)
    });
    expect(await refused(change({ change: 'replaced', lastValue: 'worn' }))).toHaveProperty('lastValue');
    expect(await refused(change({ change: 'replaced', counts: 'distance' }))).toMatchObject({
      change: expect.stringMatching(/no odometer/)
    });
    expect(await refused(change({ change: 'odometer added' }))).toHaveProperty('firstValue');
    expect(await refused(change({ change: 'dead', day: '2030-01-01' }))).toHaveProperty('day');
    expect(await listMeters(book.sql, book.team.id, book.machineId)).toHaveLength(1);
  });
});

it('what is done by distance before there is an odometer is counted from when one is added', async () => {
  const taskId = uuid();
  const { sql, team, personId, machineId } = book;
  await addTask(
    sql,
    team,
    personId,
    taskSchema.parse({
      id: taskId,
      machineId,
      name: 'Sprockets',
      triggers: [{ ...byHours('20'), measure: 'distance', every: '2000' }],
      lastDone: 'not known'
    }),
    NOW
  );
  await recordDone(
    sql,
    team,
    personId,
    doneSchema.parse({ id: uuid(), taskId, day: TODAY, reason: 'new set' }),
    later(0.5)
  );
  const counting = async () =>
    (await readStandings(sql, team, [machineId]))[0]!.tasks.find((t) => t.id === taskId)!.triggers[0]!;
  expect(await counting()).toMatchObject({ used: null, late: false });
  await change({ change: 'odometer added', firstValue: '1240 km' });
  const read = odometerSchema.parse({ id: uuid(), machineId, typed: '1300', day: '2026-06-11' });
  await logDistance(sql, team, personId, read, later(10));
  expect(await counting()).toMatchObject({ used: 6000, late: true });
});

it('an odometer is added, read, and goes only up', async () => {
  await change({ change: 'odometer added', firstValue: '1240 km' });
  const read = (typed: string, now: Date, day = '2026-06-11') =>
    logDistance(
      book.sql,
      book.team,
      book.personId,
      odometerSchema.parse({ id: uuid(), machineId: book.machineId, typed, day }),
      now
    );
  await read('1300', later(10));
  const [s] = await readStandings(book.sql, book.team, [book.machineId]);
  expect(s!.distance).toBe(130_000);
  expect(await refused(read('900', later(12)))).toMatchObject({
    typed: expect.stringMatching(/1300 km before/)
  });
  expect(await refused(change({ change: 'odometer added', firstValue: '1' }, later(12)))).toHaveProperty(
    'change'
  );
  // Late, it is held against what came after it as well.
  await read('1400', later(80), '2026-06-13');
  expect(await refused(read('1450', later(80), '2026-06-12'))).toMatchObject({
    typed: expect.stringMatching(/1400 km afterwards/)
  });
  await read('1350', later(80), '2026-06-12');
  // Hours are not touched by it.
  expect(await book.standing()).toMatchObject({ total: 3840 });
});

it('a reading struck out stays in the book and counts for nothing, once', async () => {
  await book.log('39.4', {}, later(2));
  const [row] = await listReadings(book.sql, book.team.id, book.machineId);
  const strike = strikeSchema.parse({ readingId: row!.id, reason: 'other bike' });
  await strikeReading(book.sql, book.team.id, book.personId, strike);
  await strikeReading(book.sql, book.team.id, book.personId, strike);
  expect(await book.standing()).toMatchObject({ total: 3840 });
  const history = await runningHistory(book.sql, book.team.id, book.machineId);
  expect(history.struck).toMatchObject([{ value: 3940, reason: 'other bike' }]);
  expect(history.steps.map((s) => s.total)).toEqual([3840]);
  expect(
    await refused(strikeReading(book.sql, book.team.id, book.personId, { readingId: uuid(), reason: 'x' }))
  ).toHaveProperty(['']);
});

describe('gaps', () => {
  const ride = async (hours: number, km: string, kind = 'ride') =>
    book.log(String(hours), { outing: kind as 'ride', distance: km, day: '2026-06-11' }, later(10 + hours));
  beforeEach(async () => {
    for (const [h, km] of [
      [39.4, '20'],
      [40.4, '22'],
      [41.4, '21']
    ] as const)
      await ride(h, km);
  });
  it('are filled from the machine’s own pace, marked, until a true reading comes', async () => {
    await book.log('', { outing: 'ride', distance: '42', day: '2026-06-12' }, later(54));
    const [gap, ...rest] = await outingsWithoutHours(book.sql, book.team.id, book.machineId);
    expect([gap!.distance, rest.length]).toEqual([4200, 0]);
    await estimateOuting(book.sql, book.team.id, book.personId, gap!.id);
    await estimateOuting(book.sql, book.team.id, book.personId, gap!.id);
    expect(await book.standing()).toEqual({ total: 4340, estimated: true });
    expect(await outingsWithoutHours(book.sql, book.team.id, book.machineId)).toEqual([]);
    await book.log('43.1', { day: '2026-06-12' }, later(55));
    expect(await book.standing()).toEqual({ total: 4310, estimated: false });
  });
  it('or straight from the form, by its distance or its usual outing', async () => {
    await book.log('~', { outing: 'ride', distance: '10.5', day: '2026-06-12' }, later(54));
    expect(await book.standing()).toEqual({ total: 4190, estimated: true });
    await book.log('~', { outing: 'ride', day: '2026-06-12' }, later(55));
    expect(await book.standing()).toEqual({ total: 4290, estimated: true });
    expect(
      await book.sql`select estimated_from from reading where ridden is not null order by read_at`
    ).toEqual([{ estimated_from: 'distance' }, { estimated_from: 'a usual outing' }]);
  });
  it('a figure that does not fit is questioned until somebody has looked again', async () => {
    const odd = { outing: 'ride' as const, distance: '120', day: '2026-06-12' };
    expect(await refused(book.log('42.4', odd, later(54)))).toMatchObject({
      distance: expect.stringMatching(/usually does about 21 km\/h/)
    });
    await book.log('42.4', { ...odd, sure: true }, later(54));
    expect(await book.standing()).toMatchObject({ total: 4240 });
  });
  it('a meter read before the outing tells what was ridden unseen from the outing itself', async () => {
    await book.log('43', { outing: 'race', before: '42', conditions: ['mud'], day: '2026-06-12' }, later(54));
    const [s] = await readStandings(book.sql, book.team, [book.machineId]);
    expect(s!.tasks[0]!.strained).toEqual({ mud: 100 });
    // A second outing of that past day, with what was ridden unseen between the two.
    await book.log('45', { outing: 'race', before: '44', conditions: ['mud'], day: '2026-06-12' }, later(80));
    const [twice] = await readStandings(book.sql, book.team, [book.machineId]);
    expect(twice!.tasks[0]!.strained).toEqual({ mud: 200 });
    expect(
      await refused(book.log('44', { outing: 'race', before: '40', day: '2026-06-12' }, later(56)))
    ).toHaveProperty('before');
  });
});

it('many rows at once: each by itself, in the order they were ridden, written once', async () => {
  const row = (typed: string, day: string, more: object = {}) => ({
    id: uuid(),
    machineId: book.machineId,
    typed,
    day,
    outing: 'ride',
    ...more
  });
  const rows = [
    row('41', '2026-06-09'),
    row('40', '2026-06-08'),
    row('12', '2026-06-10'),
    row('39', '2026-06-07', { machineId: uuid() }),
    row('39.5', '2026-06-06')
  ];
  const send = () => logReadings(book.sql, book.team, book.personId, rows, later(1));
  expect((await send()).map((a) => a.ok)).toEqual([true, true, false, false, true]);
  expect(await book.standing()).toMatchObject({ total: 4100 });
  await send();
  expect(await book.sql`select 1 from outing`).toHaveLength(3);
});

it('a late reading belongs to the meter that was fitted that day, and cannot lie past what it showed when it came off', async () => {
  // 38.4 h on the old one; it comes off at 39.0 on the 12th, and the new one starts at nothing.
  await change({ change: 'replaced', lastValue: '39', firstValue: '0', day: '2026-06-12' }, later(48));
  await book.log('2', { day: '2026-06-13' }, later(72));
  expect(await book.standing()).toMatchObject({ total: 4100 });
  // Of the 11th: the old one showed 38.7 then. The total of today stays what it is: 39.0 + 2.0.
  await book.log('38.7', { day: '2026-06-11' }, later(73));
  expect(await book.standing()).toMatchObject({ total: 4100 });
  expect(
    await book.sql`select m.last_value from reading r join meter m on m.id = r.meter_id where r.value = 3870`
  ).toEqual([{ last_value: 3900 }]);
  expect(await refused(book.log('39.4', { day: '2026-06-11' }, later(74)))).toMatchObject({
    typed: expect.stringMatching(/later reading shows 39\.0 h/)
  });
});
