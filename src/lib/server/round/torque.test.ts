import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, byHours, uuid } from '../../../../tests/database/book';
import { addTask } from '../../../../tests/database/hands';
import { refused } from '../../../../tests/database/refused';
import { RoundBook } from '../../../../tests/database/rounds';
import { taskSchema } from '../../core/schedule/form';

let on: RoundBook;
let nut: string;
beforeEach(async () => {
  on = await RoundBook.open();
  nut = await on.fastener('axle nut', 'Rear axle nut');
  await on.fastener('guard', 'Skid plate');
  await on.figure('torque', '90 N·m', nut);
});
afterEach(() => on.book.close());

const tried = (choice: string, note = '', more: Parameters<RoundBook['answer']>[1] = {}) =>
  on.answer([{ check: nut, choice, note }], { list: 'torque', ...more });
const looseBefore = async () => {
  const check = (await on.sheet('torque')).checks[0]!;
  return check.how === 'torque' ? check.looseBefore : null;
};
const AGAIN = 'Rear axle nut: found loose again: thread-lock, or find the cause';

describe('a torque round', () => {
  it('tries what matters, with its number; a guard is not among it, and what is not on the sheet is said', async () => {
    const s = await on.sheet('torque');
    expect(s.checks.map((c) => [c.title, c.station])).toEqual([['Rear axle nut', 'At the rear']]);
    expect(s.bands[nut]).toMatchObject({ from: { base: 90 } });
    expect(s.torque!.missing).toEqual(['pivot', 'clamp', 'brake']);
    await tried('held');
    expect(await on.findings()).toEqual([]);
    expect((await on.sheet('torque')).round!.doneAt).toEqual(at(24));
  });
  it('loose once it is tightened there; loose the second time it stays open, and asks for the cause', async () => {
    const first = await tried('loose', 'a flat');
    // Said again in the same round it is the same one.
    await tried('loose', 'a flat', { roundId: first });
    expect(await on.findings()).toMatchObject([
      { what: 'Rear axle nut: found loose', closed: true, closed_word: 'Tightened in the round: 90 N·m.' }
    ]);
    expect(await looseBefore()).toBe(0);
    await tried('loose', 'a few degrees', { now: at(48) });
    expect((await on.findings())[1]).toMatchObject({ what: AGAIN, severity: 'fix now', closed: false });
    expect(await on.reasons(at(49))).toContain(AGAIN);
  });
  it('a slip of the thumb that was put right in the same round was never loose', async () => {
    const roundId = await tried('loose', 'a flat');
    await tried('held', '', { roundId });
    await tried('loose', 'a flat', { now: at(48) });
    expect((await on.findings()).map((f) => f.what)).not.toContain(AGAIN);
  });
  it('loose in a round that was struck out is not loose before', async () => {
    const struck = await tried('loose', 'a flat');
    await on.send('round.strike', { roundId: struck, reason: 'another bike' }, at(25));
    expect(await looseBefore()).toBe(0);
    await tried('held', '', { now: at(26) });
    await tried('loose', 'a flat', { now: at(48) });
    expect((await on.findings()).map((f) => f.what)).not.toContain(AGAIN);
  });
  it('over-tight and then only moved: what stood open is closed by the wrench', async () => {
    const roundId = await tried('over-tight');
    expect(await on.findings()).toMatchObject([{ closed: false }]);
    await tried('moved', 'a flat', { roundId });
    expect(await on.findings()).toMatchObject([
      { what: 'Rear axle nut: found moved', closed: true, closed_word: 'Tightened in the round: 90 N·m.' }
    ]);
  });
  it('a fastener named after something loose was not found so', async () => {
    const odd = await on.fastener('clamp', 'Loose clamp');
    await on.answer([{ check: odd, choice: 'moved', note: 'a flat' }], { list: 'torque' });
    await on.send(
      'finding.add',
      {
        id: uuid(),
        machineId: on.book.machineId,
        componentId: null,
        what: 'Loose clamp squeaks',
        place: '',
        note: '',
        severity: 'watch'
      },
      at(25)
    );
    await tried('held', '', { now: at(48) });
    const check = (await on.sheet('torque')).checks.find((c) => c.key === odd)!;
    expect(check).toMatchObject({ looseBefore: 0 });
  });
  it('what moved is tried again after the first ride: asked for when it was ridden, and done by the next round', async () => {
    await tried('moved', 'a flat');
    const words = 'Rear axle nut: try it again after the first ride';
    expect(await on.reminders()).toEqual([{ words, come: false, done: false, done_word: '' }]);
    // Held now, but nobody has ridden it: it goes on waiting.
    await tried('held', '', { now: at(30) });
    expect(await on.reminders()).toMatchObject([{ come: false, done: false }]);
    await on.book.log('40.4', { day: '2026-06-12', outing: 'ride' }, at(40));
    expect(await on.reasons(at(41))).toContain(words);
    await tried('held', '', { now: at(42) });
    expect(await on.reminders()).toEqual([
      { words, come: true, done: true, done_word: 'In a round: held, 90 N·m' }
    ]);
  });
  it('what is no fastener of it is refused', async () => {
    expect(await refused(on.answer([{ check: uuid(), choice: 'held' }], { list: 'torque' }))).toEqual({
      'answers.0.check': 'There is no such check.'
    });
    expect(await refused(tried('quite tight'))).toEqual({
      'answers.0.choice': 'One of: held, moved, loose, over-tight.'
    });
  });
});

describe('the task of the torque round', () => {
  const task = async () => {
    const { sql, team, personId, machineId } = on.book;
    const id = uuid();
    const said = { id, machineId, name: 'Torque round', triggers: [byHours('20')], lastDone: 'not known' };
    await addTask(sql, team, personId, taskSchema.parse(said), at(1));
    return id;
  };
  it('is done by the round that tries the last of them, once', async () => {
    const taskId = await task();
    const roundId = await tried('held');
    await tried('held', '', { roundId, now: at(25) });
    expect(await on.book.sql`select remark, hours from service_record where task_id = ${taskId}`).toEqual([
      { remark: '1 fastener tried, all held.', hours: 3840 }
    ]);
  });
  it('is not done by one in which nothing was tried; what was passed over is said', async () => {
    const taskId = await task();
    const other = await on.fastener('clamp', 'Bar clamp');
    const over = { check: nut, said: 'passed over' as const, note: 'no wrench' };
    const remarks = async () =>
      (await on.book.sql`select remark from service_record where task_id = ${taskId}`).map((r) => r.remark);
    await on.answer([over, { ...over, check: other }], { list: 'torque' });
    expect(await remarks()).toEqual([]);
    await on.answer([over, { check: other, choice: 'held' }], { list: 'torque', now: at(48) });
    expect(await remarks()).toEqual(['1 fastener tried, all held, 1 passed over.']);
  });
  it('one that was loose proposes doing it more often', async () => {
    const taskId = await task();
    await tried('loose', 'a flat');
    expect(
      await on.book
        .sql`select from_amount, to_amount, reason from interval_proposal where task_id = ${taskId}`
    ).toEqual([{ from_amount: 2000, to_amount: 1500, reason: 'Rear axle nut: found loose' }]);
  });
  it('struck out, what it asked to be tried again is asked no more', async () => {
    const roundId = await tried('loose', 'a flat');
    expect(await on.reminders()).toMatchObject([{ done: false }]);
    await on.send('round.strike', { roundId, reason: 'another bike' }, at(25));
    expect(await on.reminders()).toMatchObject([{ done: true, done_word: 'Struck out: another bike' }]);
  });
});
