import {
  addCall,
  addReminder,
  addTask,
  backToBook,
  changeTask,
  decide,
  noteReminder,
  recordDone,
  setRule,
  dropCall,
  retireTask
} from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, byHours, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { reminderSchema } from '../../core/finding/form';
import { callSchema, doneSchema, taskChangeSchema, taskSchema } from '../../core/schedule/form';
import { ruleSchema } from '../../core/rules/form';
import { DEFAULT_RULES } from '../../core/rules/rules';
import { isOpen, listCalls } from './calls';
import { duePage, type DueFilter } from './dues';
import { listProposals, proposeFrom } from './proposals';
import { getRecord } from '../record/records';
import { listRuleChanges, readRules } from '../rules/rules';
import { rehearse } from '../commands/carry-out';
import { getTask, listTaskChanges, previewOf } from './task-pages';
import { lanesOf } from '../trail/lanes';

const later = (hours: number) => new Date(NOW.getTime() + hours * 3_600_000);
let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(() => book.close());

const stake = async (name: string, now = NOW) => {
  const [lane] = await lanesOf(book.sql, book.team, [book.machineId], now);
  return lane!.stakes.find((s) => s.name === name);
};
const task = (more: object) =>
  taskSchema.parse({
    id: uuid(),
    machineId: book.machineId,
    name: `Task ${Math.floor(Math.random() * 1e9)}`,
    triggers: [byHours('20')],
    lastDone: 'done',
    lastDoneDay: TODAY,
    lastDoneHours: '38.4',
    ...more
  });
const add = async (more: object) => {
  const t = task(more);
  await addTask(book.sql, book.team, book.personId, t, NOW);
  return t;
};
const done = (taskId: string, more: object = {}, now = NOW) =>
  recordDone(
    book.sql,
    book.team,
    book.personId,
    doneSchema.parse({ id: uuid(), taskId, day: TODAY, reason: 'was open', ...more }),
    now
  );

describe('triggers of every kind', () => {
  it('count outings, races and distance as they are logged', async () => {
    const t = await add({
      name: 'Everything',
      triggers: [
        { id: uuid(), measure: 'outings', every: '3' },
        { id: uuid(), measure: 'races', every: '2' },
        { id: uuid(), measure: 'distance', every: '50 km' }
      ]
    });
    // Nobody has noted a distance yet: unknown, not zero.
    expect(await stake('Everything')).toMatchObject({ state: 'unknown', left: 'not known' });
    await book.log('39', { outing: 'race', distance: '20 km', day: '2026-06-11' }, later(12));
    await book.log('40', { outing: 'moto', distance: '20 km', day: '2026-06-11' }, later(14));
    expect(await stake('Everything', later(15))).toMatchObject({ state: 'past due', left: 'due now' });
    await done(t.id, { day: '2026-06-11' }, later(16));
    expect((await stake('Everything', later(17)))!.state).not.toBe('past due');
  });

  it('count the doings of another task, and a fitted part is restarted by a new one only', async () => {
    const oil = await add({ name: 'Oil of the ring' });
    const ring = await add({
      name: 'Ring',
      perPart: true,
      triggers: [{ id: uuid(), measure: 'times', ofTaskId: oil.id, every: '2' }]
    });
    await done(oil.id, { day: '2026-06-11' }, later(20));
    expect((await stake('Ring', later(21)))!.left).toBe('at the next Oil of the ring');
    await done(ring.id, { replaced: false, day: '2026-06-11' }, later(22));
    expect((await stake('Ring', later(23)))!.left).toBe('at the next Oil of the ring');
    await done(oil.id, { day: '2026-06-11' }, later(24));
    expect(await stake('Ring', later(25))).toMatchObject({ state: 'past due', left: 'due now' });
    await done(ring.id, { day: '2026-06-11' }, later(26));
    expect((await stake('Ring', later(27)))!.left).toBe('after 2 more of Oil of the ring');
  });

  it('never run in a circle, whoever closes it, and never count themselves', async () => {
    const a = await add({ name: 'A' });
    const b = await add({
      name: 'B',
      triggers: [{ id: uuid(), measure: 'times', ofTaskId: a.id, every: '3' }]
    });
    const change = (triggers: object[]) =>
      changeTask(
        book.sql,
        book.team,
        book.personId,
        taskChangeSchema.parse({ id: uuid(), taskId: a.id, name: 'A', triggers })
      );
    await expect(change([{ id: uuid(), measure: 'times', ofTaskId: b.id, every: '2' }])).rejects.toThrow(
      /circle.*A → B → A/
    );
    await expect(change([{ id: uuid(), measure: 'times', ofTaskId: a.id, every: '2' }])).rejects.toThrow(
      /cannot count itself/
    );
    await expect(change([{ id: uuid(), measure: 'times', ofTaskId: uuid(), every: '2' }])).rejects.toThrow(
      /not in this team/
    );
    await expect(retireTask(book.sql, book.team, book.personId, a.id, 'x')).rejects.toThrow(/B counts it/);
  });
});

describe('a task changed', () => {
  it('moves its stake, keeps what it was and why, and is changed once', async () => {
    const t = await add({ name: 'Changing', triggers: [byHours('20', { limit: '25' })] });
    const saved = (await getTask(book.sql, book.team.id, t.id))!;
    expect(saved.triggers).toMatchObject([{ measure: 'hours', interval: 2000, limit: 2500, of: null }]);
    const change = taskChangeSchema.parse({
      id: uuid(),
      taskId: t.id,
      name: 'Changed',
      triggers: [{ ...byHours('10'), id: t.triggers[0]!.id }],
      word: 'new edition says so'
    });
    await changeTask(book.sql, book.team, book.personId, change);
    await changeTask(book.sql, book.team, book.personId, change);
    expect((await stake('Changed', later(30)))!.ahead).toBe(1000 - 160);
    expect(await listTaskChanges(book.sql, book.team.id, t.id)).toMatchObject([
      { word: 'new edition says so', was: [{ interval_amount: 2000, limit_amount: 2500 }] }
    ]);
    await expect(
      changeTask(book.sql, book.team, book.personId, { ...change, id: uuid(), name: 'engine OIL' })
    ).rejects.toThrow(/has a task of that name/);
  });
  it('may have its triggers change places; what was shortened does not carry over to another measure', async () => {
    const [h, d] = [byHours('20'), { id: uuid(), measure: 'days', every: '90' }];
    const t = await add({ name: 'Changing places', triggers: [h, d] });
    await book.sql`update task_trigger set shortened_to = 1500 where id = ${h.id}`;
    const triggers = [
      { ...h, measure: 'days', every: '900' },
      { ...d, measure: 'hours', every: '20' }
    ];
    await changeTask(
      book.sql,
      book.team,
      book.personId,
      taskChangeSchema.parse({ id: uuid(), taskId: t.id, name: 'Changing places', triggers })
    );
    expect(
      await book.sql`select measure, shortened_to from task_trigger where task_id = ${t.id} order by measure`
    ).toEqual([
      { measure: 'days', shortened_to: null },
      { measure: 'hours', shortened_to: null }
    ]);
  });
  it('is looked at before it is saved: what is shown is what saving brings, and nothing is kept', async () => {
    const t = task({ name: 'Only looked at', triggers: [byHours('12')] });
    const before = await book.sql`select count(*)::int as n from task`;
    const show = (task: typeof t, now: Date) =>
      rehearse(
        book.sql,
        { team: book.team, person: { id: book.personId, role: 'mechanic' }, device: '' },
        'task.add',
        task,
        now,
        (tx) => previewOf(tx, book.team, task.id, now)
      );
    const commands = await book.sql`select count(*)::int as n from command`;
    const preview = await show(t, later(30));
    expect(preview.lane!.stakes.find((s) => s.name === 'Only looked at')!.left).toBe('in 10.4 h');
    expect(preview.why.map((w) => w.head)).toContain('Interval');
    expect(await book.sql`select count(*)::int as n from task`).toEqual(before);
    expect(await book.sql`select count(*)::int as n from command`).toEqual(commands);
    await addTask(book.sql, book.team, book.personId, t, later(30));
    expect((await stake('Only looked at', later(30)))!.left).toBe('in 10.4 h');
    await retireTask(book.sql, book.team, book.personId, t.id, 'no longer fitted');
    expect(await stake('Only looked at', later(30))).toBeUndefined();
    await expect(show(task({ lastDoneHours: '999' }), NOW)).rejects.toThrow(/not run that far/);
  });
});

describe('what was seen', () => {
  it('proposes, once at a time; accepted it shortens, and the book’s comes back with a word', async () => {
    const t = await add({ name: 'Seen', triggers: [byHours('20')] });
    await done(t.id, { worse: 'slack doubled', reason: '', day: '2026-06-11' }, later(29));
    await proposeFrom(book.sql, book.team.id, book.personId, t.id, null, 'again');
    const [p, ...rest] = await listProposals(book.sql, book.team.id, [t.id]);
    expect(rest).toEqual([]);
    expect(p).toMatchObject({ from: 2000, to: 1500, reason: 'slack doubled', decided: null });
    const say = (decision: 'accepted' | 'dismissed') =>
      decide(book.sql, book.team.id, book.personId, { proposalId: p!.id, decision, word: 'seen' });
    await say('accepted');
    await say('accepted');
    await expect(say('dismissed')).rejects.toThrow(/accepted already/);
    expect((await stake('Seen', later(31)))!.left).toBe('in 15.0 h');
    const [trigger] = await book.sql`select id from task_trigger where task_id = ${t.id}`;
    await backToBook(book.sql, book.team.id, book.personId, { triggerId: trigger!.id, word: 'new sprocket' });
    expect((await stake('Seen', later(31)))!.left).toBe('in 20.0 h');
    expect(await listTaskChanges(book.sql, book.team.id, t.id)).toMatchObject([
      { shortenedTo: 1500, word: 'new sprocket' }
    ]);
  });
  it('done early wants a reason, which the record keeps with how early it was', async () => {
    const t = await add({ name: 'Early', triggers: [byHours('20')] });
    await expect(done(t.id, { reason: '' })).rejects.toThrow(/It has 18\.4 h left/);
    const id = uuid();
    await done(t.id, { id, reason: 'before the race' });
    expect(await getRecord(book.sql, book.team.id, id)).toMatchObject({
      early: '18.4 h left',
      reason: 'before the race',
      rules: DEFAULT_RULES
    });
  });
});

describe('calls and reminders', () => {
  it('a symptom calls the tasks that answer it until they are done, or it is dropped with a word', async () => {
    const t = await add({ name: 'Answers', answers: ['clutch slips'] });
    const call = callSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      what: 'clutch slips',
      day: '2026-06-11'
    });
    await addCall(book.sql, book.team, book.personId, call, later(30));
    await addCall(book.sql, book.team, book.personId, call, later(30));
    expect(await stake('Answers', later(31))).toMatchObject({
      state: 'past due',
      left: 'called: clutch slips',
      ahead: 0
    });
    expect((await listCalls(book.sql, book.team.id, book.machineId)).filter(isOpen)).toHaveLength(1);
    await done(t.id, { day: '2026-06-11' }, later(32));
    expect((await stake('Answers', later(33)))!.state).toBe('clear');
    expect((await listCalls(book.sql, book.team.id, book.machineId)).filter(isOpen)).toHaveLength(0);
    const crash = callSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      what: 'crash',
      day: '2026-06-11',
      words: 'bars bent'
    });
    await addCall(book.sql, book.team, book.personId, crash, later(33));
    // Nothing answers it: it stays in sight until somebody drops it.
    expect((await listCalls(book.sql, book.team.id, book.machineId)).filter(isOpen)).toMatchObject([
      { kind: 'incident', tasks: [] }
    ]);
    await dropCall(book.sql, book.team.id, book.personId, crash.id, 'straightened');
    expect((await listCalls(book.sql, book.team.id, book.machineId)).filter(isOpen)).toEqual([]);
  });
  it('a reminder waits for its event: the next outing raises it, a part by a press', async () => {
    const remind = (more: object) =>
      addReminder(
        book.sql,
        book.team.id,
        book.personId,
        reminderSchema.parse({
          id: uuid(),
          machineId: book.machineId,
          words: 'Level again',
          waitsFor: 'the next outing',
          ...more
        })
      );
    await remind({});
    expect(() => remind({ waitsFor: 'a part to arrive' })).toThrow(/Which part/);
    await remind({ words: 'Torque it', waitsFor: 'a part to arrive', part: 'adapter' });
    expect(await stake('Level again', later(33))).toMatchObject({
      state: 'clear',
      left: 'waits for the next outing'
    });
    const tomorrow = new Date(Date.now() + 86_400_000);
    const day = tomorrow.toISOString().slice(0, 10);
    await book.log('+1', { outing: 'ride', day }, tomorrow);
    expect(await stake('Level again', tomorrow)).toMatchObject({
      state: 'past due',
      left: 'now: the next outing has come'
    });
    expect((await stake('Torque it', tomorrow))!.left).toBe('waits for a part to arrive (adapter)');
    for (const { id } of await book.sql`select id from reminder`) {
      await noteReminder(book.sql, book.team.id, book.personId, { reminderId: id, now: 'come', word: '' });
      await noteReminder(book.sql, book.team.id, book.personId, { reminderId: id, now: 'done', word: '' });
    }
    expect(await stake('Torque it', tomorrow)).toBeUndefined();
  });
});

describe('the house rules', () => {
  it('are the latest of each, with who and when; the schedule follows at once', async () => {
    const set = (key: string, value: unknown) =>
      setRule(
        book.sql,
        book.team.id,
        book.personId,
        ruleSchema.parse({ id: uuid(), key, value, word: 'so it is' })
      );
    const t = await add({ name: 'Weighted', sensitivity: { mud: '2' } });
    await book.sql`update outing set conditions = '{mud}'`;
    const tomorrow = new Date(Date.now() + 2 * 86_400_000);
    await book.log(
      '+2',
      { outing: 'ride', conditions: ['mud'], day: tomorrow.toISOString().slice(0, 10) },
      tomorrow
    );
    const plain = (await stake('Weighted', tomorrow))!.ahead!;
    await set('ageing', 'by the riding');
    const aged = (await stake('Weighted', tomorrow))!.ahead!;
    expect(aged).toBeLessThan(plain);
    await set('ageing', 'by the meter');
    expect((await stake('Weighted', tomorrow))!.ahead).toBe(plain);
    expect((await readRules(book.sql, book.team.id)).ageing).toBe('by the meter');
    expect((await listRuleChanges(book.sql, book.team.id)).map((c) => [c.key, c.value, c.by])).toEqual([
      ['ageing', 'by the meter', 'Wren Oddie'],
      ['ageing', 'by the riding', 'Wren Oddie']
    ]);
    expect(ruleSchema.safeParse({ id: uuid(), key: 'holdBackPercent', value: 99 }).success).toBe(false);
    expect(ruleSchema.safeParse({ id: uuid(), key: 'luck', value: true }).success).toBe(false);
    expect(t.id).toBeTruthy();
  });
});

describe('a task that was never done', () => {
  it('counts from new by itself: of the others of its machine nobody knows more than before', async () => {
    const unknown = await add({ name: 'Fork oil', lastDone: 'not known' });
    expect(await stake('Fork oil')).toMatchObject({ state: 'unknown' });
    await add({ name: 'Steering head', lastDone: 'new', triggers: [byHours('2000')] });
    expect(await stake('Steering head')).toMatchObject({ state: 'clear' });
    expect(await stake('Fork oil')).toMatchObject({ id: unknown.id, state: 'unknown', left: 'not known' });
  });
});

describe('the due list', () => {
  const all: DueFilter = { machine: '', rider: '', task: '', state: '', weekend: '', sort: 'pressing' };
  const list = (more: Partial<DueFilter> = {}, page = 0) =>
    duePage(book.sql, book.team, { ...all, ...more }, page, later(40));
  it('says the same of every task as its machine’s lane does', async () => {
    const [lane] = await lanesOf(book.sql, book.team, [book.machineId], later(40));
    const { rows, total } = await list();
    expect(total).toBe(lane!.stakes.length);
    for (const r of rows)
      expect([r.name, r.state, r.left]).toEqual([
        r.name,
        lane!.stakes.find((s) => s.id === r.id)!.state,
        lane!.stakes.find((s) => s.id === r.id)!.left
      ]);
    expect(rows.every((r) => r.why.length > 0)).toBe(true);
  });
  it('is narrowed and sorted', async () => {
    expect((await list({ task: 'engine OIL' })).rows.map((r) => r.name)).toEqual(['Engine oil']);
    expect((await list({ machine: uuid() })).total).toBe(0);
    expect((await list({ rider: uuid() })).total).toBe(0);
    expect((await list({ weekend: uuid() })).total).toBe(0);
    const names = (await list({ sort: 'task' })).rows.map((r) => r.name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
    expect((await list({ state: 'clear' })).rows.every((r) => r.state === 'clear')).toBe(true);
    expect((await list({}, 9)).rows).toEqual([]);
  });
});
