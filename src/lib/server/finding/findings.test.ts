import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  addFastener,
  addFinding,
  addReminder,
  closeFinding,
  noteReminder,
  regrade
} from '../../../../tests/database/hands';
import { later, Pit } from '../../../../tests/database/pit';
import { uuid } from '../../../../tests/database/book';
import { findingSchema, reminderSchema, type FindingInput } from '../../core/finding/form';
import { fastenerSchema } from '../../core/specs/form';
import { keepLeaves, listFindings } from './findings';
import { duePage } from '../schedule/dues';
import { rebuildStanding } from '../book/standing';
import { lanesOf, trailPage } from '../trail/lanes';

let pit: Pit;
const add = (more: Partial<FindingInput>, at = later(1)) => {
  const f = findingSchema.parse({
    id: uuid(),
    machineId: pit.book.machineId,
    what: 'It weeps',
    severity: 'watch',
    ...more
  });
  return addFinding(pit.sql, pit.book.team, pit.book.personId, f, at).then(() => f.id);
};
const close = (findingId: string, word = 'new seal', at = later(40)) =>
  closeFinding(pit.sql, pit.book.team, pit.book.personId, { findingId, how: 'done', word }, at);
const lane = async (machineId: string) => (await lanesOf(pit.sql, pit.book.team, [machineId], later(30)))[0]!;

beforeAll(async () => {
  pit = await Pit.open();
});
afterAll(() => pit.book.close());

describe('findings', () => {
  it('one that parks a machine keeps it from being ready on every screen, until it is closed with a word', async () => {
    const id = await add({ what: 'Bar clamp cracked', severity: 'park the machine' });
    expect(await lane(pit.book.machineId)).toMatchObject({
      state: 'past limit',
      notReady: ['Bar clamp cracked'],
      next: 'Bar clamp cracked'
    });
    const { order, counts } = await trailPage(pit.sql, pit.book.team, later(30));
    expect([order[0], counts['past limit']]).toEqual([pit.book.machineId, 1]);
    const filter = { machine: '', rider: '', task: '', state: '', weekend: '', sort: 'pressing' } as const;
    const due = await duePage(pit.sql, pit.book.team, filter, 0, later(30));
    expect(due.rows[0]).toMatchObject({
      kind: 'finding',
      name: 'Bar clamp cracked',
      parks: true,
      left: 'not ready'
    });
    // A finding is no task to narrow the list by.
    expect(due.choices.tasks).not.toContain('Bar clamp cracked');
    expect(
      await pit.sql`select ready from machine_standing where machine_id = ${pit.book.machineId}`
    ).toEqual([{ ready: false }]);
    await close(id, 'new clamp, 22 N·m');
    await expect(close(id, 'somebody else, later')).rejects.toMatchObject({
      errors: { word: expect.stringMatching(/new clamp, 22 N·m/) }
    });
    expect((await lane(pit.book.machineId)).notReady).toEqual([]);
    expect(await listFindings(pit.sql, pit.book.team.id, { machineId: pit.book.machineId })).toMatchObject([
      { what: 'Bar clamp cracked', hours: 3840, closed: { word: 'new clamp, 22 N·m' } }
    ]);
  });
  it('goes where its component goes: after a swap the other machine is not ready', async () => {
    const id = await add({ what: 'Bronze in the oil', severity: 'park the machine', componentId: pit.a });
    await expect(add({ componentId: pit.b })).rejects.toMatchObject({
      errors: { componentId: 'That is not on this machine.' }
    });
    await pit.swap({}, later(10));
    expect((await lane(pit.book.machineId)).notReady).toEqual([]);
    expect((await lane(pit.other)).notReady).toEqual(['Bronze in the oil']);
    await close(id);
    expect((await lane(pit.other)).notReady).toEqual([]);
  });
  it('judged otherwise with a word; what it was stays readable', async () => {
    const id = await add({ what: 'Play in the head', severity: 'watch' });
    const judge = (severity: 'fix now' | 'park the machine') =>
      regrade(pit.sql, pit.book.team, pit.book.personId, {
        id: uuid(),
        findingId: id,
        severity,
        word: 'worse'
      });
    await judge('fix now');
    await judge('fix now');
    await judge('park the machine');
    expect((await lane(pit.book.machineId)).notReady).toEqual(['Play in the head']);
    expect(
      await pit.sql`select was, became from finding_change where finding_id = ${id} order by changed_at`
    ).toEqual([
      { was: 'watch', became: 'fix now' },
      { was: 'fix now', became: 'park the machine' }
    ]);
    await close(id);
    await expect(judge('fix now')).rejects.toMatchObject({ errors: { '': 'It is closed already.' } });
  });
  it('its hours follow the book while it is open', async () => {
    const id = await add({ what: 'Dent in the pipe' }, later(5));
    const hours = async () => (await pit.sql`select hours from finding where id = ${id}`)[0]!.hours;
    const before = await hours();
    // Entered late, of the same day: it had run further than anybody knew.
    await pit.book.log('40', {}, later(4));
    expect([before, await hours()]).toEqual([3840, 4000]);
    await close(id, 'beaten out');
    await pit.book.log('41', { day: '2026-06-11' }, later(20));
    await rebuildStanding(pit.sql, pit.book.team.id, pit.book.machineId);
    expect(await hours()).toBe(4000);
  });
  it('a fastener torqued closes what was deferred on it, unless that has gone with its engine', async () => {
    const fastener = uuid();
    const { team, personId, machineId } = pit.book;
    const sheet = {
      circuit: 'engine',
      role: 'drain plug',
      name: 'Drain plug',
      quantity: 1,
      magnet: false,
      seal: 'none'
    };
    await addFastener(pit.sql, team, personId, fastenerSchema.parse({ ...sheet, id: fastener, machineId }));
    // Engine a went to the other machine above; b is on this one.
    const on = [await add({ what: 'On b', componentId: pit.b }), await add({ what: 'On it' })];
    const gone = await addFinding(
      pit.sql,
      team,
      personId,
      findingSchema.parse({
        id: uuid(),
        machineId: pit.other,
        componentId: pit.a,
        what: 'On a',
        severity: 'park the machine'
      }),
      later(12)
    ).then(async () => (await pit.sql`select id from finding where what = 'On a'`)[0]!.id as string);
    await pit.sql`update finding set cause = 'deferred', fastener_id = ${fastener} where id = any(${[...on, gone]})`;
    await pit.sql.begin((tx) =>
      keepLeaves(
        {
          tx,
          team,
          personId,
          role: 'mechanic',
          now: later(45),
          at: later(45),
          held: { machines: new Map(), components: [] }
        },
        { id: uuid(), machineId, jobs: [] },
        { findings: [], tight: [{ fastenerId: fastener, word: 'At the bench: torqued, 20 N·m.' }] }
      )
    );
    expect(
      await pit.sql`select what, closed_at is not null as closed from finding where fastener_id = ${fastener} order by what`
    ).toEqual([
      { what: 'On a', closed: false },
      { what: 'On b', closed: true },
      { what: 'On it', closed: true }
    ]);
  });
  it('closed by twenty at once it is closed once', async () => {
    const id = await add({ what: 'Raced' });
    const sent = await Promise.allSettled(
      Array.from({ length: 20 }, (_, i) => close(id, `by ${i}`, later(41)))
    );
    // The others are told with what: nobody believes theirs was kept.
    expect(sent.filter((s) => s.status === 'fulfilled')).toHaveLength(1);
    for (const s of sent)
      if (s.status === 'rejected') expect((s.reason as Error).message).toMatch(/closed it: “by \d+”/);
    const rows = await pit.sql`select closed_word from finding where id = ${id}`;
    expect(rows[0]!.closed_word).toMatch(/^by \d+$/);
  });
});

describe('what a finding waits for', () => {
  it('a reminder that one person has done, another is told of; the first word stands', async () => {
    const id = uuid();
    const machineId = pit.book.machineId;
    await addReminder(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      reminderSchema.parse({ id, machineId, words: 'Bleed it', waitsFor: 'the next outing' })
    );
    const other = uuid();
    await pit.sql`insert into person (team_id, id, name, role) values (${pit.book.team.id}, ${other}, 'Ada Thorne', 'mechanic')`;
    const done = (personId: string, word: string) =>
      noteReminder(pit.sql, pit.book.team, personId, { reminderId: id, now: 'done', word });
    await done(pit.book.personId, 'bled');
    await done(pit.book.personId, 'bled, twice sent');
    await expect(done(other, 'mine')).rejects.toMatchObject({
      errors: { word: 'Wren Oddie has written that down already.' }
    });
    expect(await pit.sql`select done_word, done_by from reminder where id = ${id}`).toEqual([
      { done_word: 'bled', done_by: pit.book.personId }
    ]);
  });

  it('a reminder of a finding is not done by itself', async () => {
    const id = await add({ what: 'Waits' });
    const reminder = uuid();
    const r = reminderSchema.parse({
      id: reminder,
      machineId: pit.book.machineId,
      words: 'Waits',
      waitsFor: 'a tool to arrive'
    });
    await addReminder(pit.sql, pit.book.team, pit.book.personId, r);
    await pit.sql`update reminder set finding_id = ${id} where id = ${reminder}`;
    const note = (now: 'come' | 'done') =>
      noteReminder(pit.sql, pit.book.team, pit.book.personId, { reminderId: reminder, now, word: '' });
    await expect(note('done')).rejects.toMatchObject({
      errors: { word: expect.stringMatching(/close that/) }
    });
    await note('come');
    expect((await lane(pit.book.machineId)).stakes.find((s) => s.name === 'Waits')!.left).toBe(
      'watch: a tool to arrive has come'
    );
    await close(id);
    expect(await pit.sql`select done_word from reminder where id = ${reminder}`).toEqual([
      { done_word: 'new seal' }
    ]);
  });
});
