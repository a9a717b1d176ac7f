import ICAL from 'ical.js';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, openBook, TODAY, uuid, type Book } from '../../../../tests/database/book';
import {
  addEvent,
  addMachine,
  addPerson,
  command,
  createTeam,
  recordDone
} from '../../../../tests/database/hands';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { eventSchema } from '../../core/outing/form';
import { machineSchema } from '../../core/machine/form';
import { doneSchema } from '../../core/schedule/form';
import { addDays } from '../../core/time/day';
import { entriesOf, feedBy, icsOf, listFeeds } from './feeds';

let book: Book;
beforeEach(async () => {
  book = await openBook();
});
afterEach(() => book.close());

const keep = (more: object = {}, now = at(1)) =>
  command(
    book.sql,
    book.team,
    book.personId,
    'calendar.keep',
    { id: uuid(), machineId: null, personId: null, ...more },
    now
  );
const plan = (name: string, more: object = {}) => {
  const said = {
    id: uuid(),
    name,
    kind: 'race',
    firstDay: '2026-06-20',
    lastDay: '2026-06-21',
    hoursEach: '3',
    wholeFleet: true
  };
  return addEvent(book.sql, book.team, book.personId, eventSchema.parse({ ...said, ...more }), at(1));
};
/** As somebody else's calendar reads an address. */
async function read(secret: string, now = at(2)) {
  const subject = (await feedBy(book.sql, secret))!;
  const text = icsOf(subject.of, await entriesOf(book.sql, subject, now), now);
  // Lines of at most 75 octets, ended as RFC 5545 has it.
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  expect(text).not.toMatch(/[^\r]\n/);
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  return {
    name: calendar.getFirstPropertyValue('x-wr-calname'),
    events: calendar.getAllSubcomponents('vevent').map((v) => {
      const e = new ICAL.Event(v);
      return {
        uid: e.uid,
        title: e.summary,
        words: e.description,
        from: e.startDate.toString(),
        end: e.endDate.toString(),
        wholeDays: e.startDate.isDate && e.endDate.isDate,
        status: v.getFirstPropertyValue('status'),
        free: v.getFirstPropertyValue('transp')
      };
    })
  };
}
const secretOf = async (of = 'the team') =>
  (await listFeeds(book.sql, book.team.id)).find((f) => f.of === of)!.secret;

describe('a calendar to subscribe to', () => {
  it('has the weekends as whole days, and what is likely due as a span that takes nobody’s time', async () => {
    await plan('Harrow, Edge; Hare \\ “né”');
    // Two hours every fourth day for five weeks: less than four weeks say nothing of a week. 15 h from 25 were due at 40, limit 43.
    for (let n = 1; n <= 9; n++) {
      const day = addDays(TODAY, 4 * n);
      await book.log(String(38.4 + 2 * n), { day, outing: 'ride', sure: true }, at(96 * n + 1));
    }
    const now = at(96 * 9 + 2);
    await keep({}, now);
    const secret = await secretOf();
    const past = (await read(secret, now)).events.find((e) => e.title.includes('Engine oil'))!;
    expect(past).toMatchObject({
      title: '7: Engine oil, past its limit',
      status: 'CONFIRMED',
      from: addDays(TODAY, 36)
    });
    // Done at 56.4 it is due at 71.4, and how it was ridden says about when.
    await recordDone(
      book.sql,
      book.team,
      book.personId,
      doneSchema.parse({ id: uuid(), taskId: book.taskId, day: addDays(TODAY, 36) }),
      now
    );
    const { name, events } = await read(secret, now);
    expect(name).toBe('Hour Trail: Lower Barn Workshop');
    const race = events.find((e) => e.title.startsWith('Harrow'))!;
    expect(race).toMatchObject({
      title: 'Harrow, Edge; Hare \\ “né”',
      from: '2026-06-20',
      end: '2026-06-22',
      wholeDays: true,
      status: 'CONFIRMED',
      words: 'race; the whole fleet'
    });
    const oil = events.find((e) => e.title.includes('Engine oil'))!;
    expect(oil.wholeDays).toBe(true);
    expect(oil.free).toBe('TRANSPARENT');
    expect(oil).toMatchObject({ title: '7: Engine oil, likely', status: 'TENTATIVE' });
    expect(oil.words).toMatch(/^Likely on one of these days, eight times out of ten\. 7 Barrow 250\./);
    expect(oil.from < oil.end).toBe(true);
  });
  it('read twice it is the same entries, not others beside them', async () => {
    await plan('Harrow');
    await keep();
    const secret = await secretOf();
    const uids = async (now: Date) => (await read(secret, now)).events.map((e) => e.uid).sort();
    expect(await uids(at(2))).toEqual(await uids(at(26)));
  });
  it('what is called off goes from it', async () => {
    const id = uuid();
    await plan('Harrow', { id });
    await keep();
    const titles = async () => (await read(await secretOf())).events.map((e) => e.title);
    expect(await titles()).toContain('Harrow');
    await command(book.sql, book.team, book.personId, 'event.call-off', { eventId: id, off: true }, at(2));
    expect(await titles()).not.toContain('Harrow');
  });
  it('of a machine, and of what a rider rides, is only that', async () => {
    const [rider, other] = [uuid(), uuid()];
    await addPerson(
      book.sql,
      book.team,
      book.personId,
      { id: rider, name: 'Ines Varrow', role: 'rider' },
      at(0)
    );
    const form = {
      id: other,
      plate: '8',
      name: 'Gill',
      kind: 'electric',
      meter: 'hour meter',
      reading: '1',
      tasks: []
    };
    await addMachine(book.sql, book.team, book.personId, machineSchema.parse(form), at(0));
    await book.sql`update machine set rider_id = ${rider} where id = ${other}`;
    await plan('All of us');
    await plan('Only the eight', { wholeFleet: false, machineIds: [other] });
    await plan('Only the seven', { wholeFleet: false, machineIds: [book.machineId] });
    await keep({ machineId: book.machineId });
    await keep({ personId: rider });
    const titles = async (of: string) =>
      (await read(await secretOf(of))).events
        .filter((e) => e.uid.startsWith('event'))
        .map((e) => e.title)
        .sort();
    expect(await titles('7 Barrow 250')).toEqual(['All of us', 'Only the seven']);
    expect(await titles('Ines Varrow')).toEqual(['All of us', 'Only the eight']);
  });
});

describe('its address', () => {
  it('asked for anew, the old one reads nothing; withdrawn, none does', async () => {
    await keep();
    const old = await secretOf();
    await keep({}, at(2));
    const now = await secretOf();
    expect(now).not.toBe(old);
    expect(await feedBy(book.sql, old)).toBeNull();
    expect((await feedBy(book.sql, now))!.team.id).toBe(book.team.id);
    const [feed] = await listFeeds(book.sql, book.team.id);
    await command(book.sql, book.team, book.personId, 'calendar.withdraw', { feedId: feed!.id }, at(3));
    expect(await feedBy(book.sql, now)).toBeNull();
    expect(await listFeeds(book.sql, book.team.id)).toEqual([]);
  });
  it('is long, and stands in no command', async () => {
    await keep();
    const secret = await secretOf();
    expect(secret).toMatch(/^[\w-]{43}$/);
    expect(
      await book.sql`select 1 from command where body::text like ${`%${secret}%`} or answer::text like ${`%${secret}%`}`
    ).toEqual([]);
  });
  it('asked for by ten at once there is one', async () => {
    await Promise.all(Array.from({ length: 10 }, () => keep()));
    expect(await listFeeds(book.sql, book.team.id)).toHaveLength(1);
  });
  it('of a machine of another team, of both, or withdrawn by another team: refused', async () => {
    expect(await refused(keep({ machineId: uuid() }))).toHaveProperty('machineId');
    expect(await refused(keep({ personId: uuid() }))).toHaveProperty('personId');
    await keep();
    const you = uuid();
    const other = await createTeam(book.sql, {
      id: uuid(),
      name: 'Other',
      timeZone: 'Europe/London',
      you: { id: you, name: 'Ada', role: 'mechanic' }
    });
    const [feed] = await listFeeds(book.sql, book.team.id);
    expect(
      await refusedWith(command(book.sql, other, you, 'calendar.withdraw', { feedId: feed!.id }, at(3)))
    ).toMatch(/not of this team/);
    expect(await listFeeds(book.sql, other.id)).toEqual([]);
  });
});
