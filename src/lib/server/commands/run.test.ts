import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, openBook, TODAY, NOW, uuid } from '../../../../tests/database/book';
import type { Kind } from '../../core/command/commands';
import type { Envelope, Outcome } from '../../core/command/envelope';
import { RULES } from '../../core/command/rules';
import { REGISTRY } from './registry';
import { addPerson } from '../team/teams';
import { runCommands, type Sender } from './run';

let book: Book;
let from: Sender;
beforeAll(async () => {
  book = await openBook();
  from = { team: book.team, person: { id: book.personId, role: 'chief mechanic' }, device: 'tablet' };
});
afterAll(() => book.close());

const command = (kind: Kind, body: unknown, more: Partial<Envelope> = {}): Envelope => ({
  id: uuid(),
  kind,
  at: '2026-06-10T17:59:00Z',
  body,
  after: null,
  ...more
});
const faults: unknown[] = [];
/** Each write two minutes after the one before, so that no reading is too many hours for the clock. */
let minutes = 0;
const later = () => new Date(NOW.getTime() + (minutes += 2) * 60_000);
const run = (commands: Envelope[], who = from): Promise<Outcome[]> =>
  runCommands(book.sql, who, commands, later, (e) => `fault ${faults.push(e)}`);
const one = async (kind: Kind, body: unknown, more: Partial<Envelope> = {}): Promise<Outcome> =>
  (await run([command(kind, body, more)]))[0]!;
const reading = (typed: string, more: object = {}) => ({
  id: uuid(),
  machineId: book.machineId,
  typed,
  day: TODAY,
  ...more
});

describe('a command', () => {
  it('is kept with who, from where, when it was done, what was sent and what it was answered', async () => {
    const body = reading('38.9');
    const c = command('reading.log', body);
    expect((await run([c]))[0]).toMatchObject({ id: c.id, ok: true, data: { plate: '7', total: '38.9 h' } });
    const [row] = await book.sql`select * from command where id = ${c.id}`;
    expect(row).toMatchObject({
      kind: 'reading.log',
      person_id: book.personId,
      device: 'tablet',
      at: new Date(c.at),
      body,
      answer: { total: '38.9 h' }
    });
  });

  it('what waited on a device is of the day it was written there, however late it comes; what plans is of today', async () => {
    const finding = {
      id: uuid(),
      machineId: book.machineId,
      what: 'Left radiator hose chafes',
      severity: 'watch'
    };
    const saturday = '2026-06-06T15:20:00.000Z';
    expect((await one('finding.add', finding, { at: saturday })).ok).toBe(true);
    const [found] =
      await book.sql`select found_on::text as day, found_at from finding where id = ${finding.id}`;
    expect(found).toEqual({ day: '2026-06-06', found_at: new Date(saturday) });
    const rule = { id: uuid(), machineId: null, key: 'roundHolds', value: 30, word: '' };
    expect((await one('rule.set', rule, { at: saturday })).ok).toBe(true);
    const [set] = await book.sql`select set_at from house_rule where id = ${rule.id}`;
    expect(set!.set_at.getTime()).toBeGreaterThanOrEqual(NOW.getTime());
  });

  it('how far the device’s clock was ahead is kept with it, and nobody changes that', async () => {
    const c = command('finding.add', {
      id: uuid(),
      machineId: book.machineId,
      what: 'Loose spoke',
      severity: 'watch'
    });
    await run([c], { ...from, clockAheadS: 31_536_000 });
    const kept = () => book.sql`select clock_ahead_s from command where id = ${c.id}`;
    expect(await kept()).toEqual([{ clock_ahead_s: 31_536_000 }]);
    await expect(book.sql`update command set clock_ahead_s = 0 where id = ${c.id}`).rejects.toThrow(
      /not changed/
    );
  });

  it('sent twice gives the same answer and is written once, also at the same instant', async () => {
    const c = command('reading.log', reading('38.91'));
    const answers = (await Promise.all(Array.from({ length: 6 }, () => run([c])))).flat();
    expect(answers[0]!.ok).toBe(true);
    for (const a of answers) expect(a).toEqual(answers[0]);
    expect(await book.sql`select 1 from reading where value = 3891`).toHaveLength(1);
  });

  it('of a kind that is carried out by itself, too', async () => {
    const c = command('person.add', { id: uuid(), name: 'Sent Often', role: 'mechanic' });
    const answers = (await Promise.all(Array.from({ length: 6 }, () => run([c])))).flat();
    expect(answers.map((a) => a.ok)).toEqual(Array(6).fill(true));
    expect(await book.sql`select 1 from person where name = 'Sent Often'`).toHaveLength(1);
  });

  it('under the id of another is refused, and so is a thing under the id of another thing', async () => {
    const c = command('reading.log', reading('38.92'));
    await run([c]);
    for (const other of [
      { ...c, body: reading('38.93') },
      { ...c, kind: 'odometer.log' as const, body: { ...reading('3 km') } }
    ])
      expect((await run([other]))[0]).toMatchObject({
        ok: false,
        errors: { '': expect.stringMatching(/other content/) }
      });
    const again = { ...(c.body as object), typed: '38.94' };
    expect(await one('reading.log', again)).toMatchObject({
      ok: false,
      errors: { '': expect.stringMatching(/other content/) }
    });
    expect(await book.sql`select 1 from reading where value in (3893, 3894)`).toEqual([]);
  });

  it('refused is not kept: put right, it goes through under the same id', async () => {
    const c = command('reading.log', reading('12'));
    expect((await run([c]))[0]).toMatchObject({ ok: false, more: { ways: expect.any(Array) } });
    expect(await book.sql`select 1 from command where id = ${c.id}`).toEqual([]);
    expect((await run([{ ...c, body: { ...(c.body as object), typed: '38.95' } }]))[0]!.ok).toBe(true);
  });
});

describe('a list of commands', () => {
  it('each goes by itself; what rests on one that was not taken waits, and says so', async () => {
    const bad = command('reading.log', reading('1'));
    const rests = command('reading.log', reading('38.96'), { after: bad.id });
    const other = command('reading.log', reading('38.97'));
    const restsOnOther = command('reading.log', reading('38.98'), { after: other.id });
    const outcomes = await run([bad, rests, other, restsOnOther]);
    expect(outcomes.map((o) => o.ok)).toEqual([false, false, true, true]);
    expect(outcomes[1]).toMatchObject({ more: { waits: true } });
    // What was taken at another time is rested on too.
    expect((await run([command('reading.log', reading('38.99'), { after: other.id })]))[0]!.ok).toBe(true);
  });

  it('goes on over a mistake of ours, which writes nothing and may be sent again', async () => {
    const good = REGISTRY['person.add'];
    const person = { id: uuid(), name: 'Half Written', role: 'mechanic' };
    REGISTRY['person.add'] = {
      ...good,
      handle: async (w, input) => {
        await addPerson(w, input);
        throw new TypeError('ours');
      }
    };
    const outcomes = await run([command('person.add', person), command('reading.log', reading('39'))]);
    REGISTRY['person.add'] = good;
    expect(outcomes.map((o) => o.ok)).toEqual([false, true]);
    expect(outcomes[0]).toMatchObject({ more: { retry: true, fault: 'fault 1' } });
    expect(await book.sql`select 1 from person where name = 'Half Written'`).toEqual([]);
    expect(faults).toHaveLength(1);
  });

  it('refuses a rider what is another’s among those it is carried out with, and keeps nothing of it', async () => {
    const own = await openBook();
    try {
      const { sql, team, machineId } = own;
      const rider = uuid();
      await sql`insert into person (team_id, id, name, role) values (${team.id}, ${rider}, 'Not His', 'rider')`;
      const mechanic = { team, person: { id: own.personId, role: 'mechanic' as const }, device: 'tablet' };
      const send = (who: Sender) => {
        const body = { ...reading('+0.1'), machineId, outing: 'ride', sure: true };
        return runCommands(sql, who, [command('reading.log', body)], later, (e) => `fault ${faults.push(e)}`);
      };
      const outcomes = (
        await Promise.all([
          send(mechanic),
          send(mechanic),
          send({ ...mechanic, person: { id: rider, role: 'rider' } }),
          send(mechanic)
        ])
      ).flat();
      expect(outcomes.map((o) => o.ok)).toEqual([true, true, false, true]);
      expect(outcomes[2]).toMatchObject({
        errors: { machineId: expect.stringMatching(/not a machine of yours/) }
      });
      expect(await sql`select 1 from reading where team_id = ${team.id} and ridden = 10`).toHaveLength(3);
      expect(await sql`select 1 from command where person_id = ${rider}`).toEqual([]);
    } finally {
      await own.close();
    }
  });

  it('is enforced by role in one place', async () => {
    const all = RULES['person.add'];
    RULES['person.add'] = { ...all, who: ['chief mechanic'] };
    const person = () => ({ id: uuid(), name: `P ${uuid()}`, role: 'rider' });
    const hand = { ...from, person: { ...from.person, role: 'mechanic' as const } };
    const refused = await run([command('person.add', person())], hand);
    const taken = await one('person.add', person());
    RULES['person.add'] = all;
    expect([refused[0]!.ok, taken.ok]).toEqual([false, true]);
  });
});

describe('what cannot be kept', () => {
  it.each([
    ['a zero byte', 'mud\u0000'],
    ['half a character', 'mud \ud83d'],
    ['the other half', '\udc00 mud']
  ])('%s is an error at its field', async (_, remark) => {
    const o = await one('reading.log', reading('39.01', { remark }));
    expect(o).toMatchObject({ ok: false, errors: { remark: expect.stringMatching(/cannot be kept/) } });
  });
  it.each([
    ['a rider of nobody', { outing: 'ride', riderId: uuid() }, 'riderId'],
    ['an event of nobody', { outing: 'ride', eventId: uuid() }, 'eventId']
  ])('%s is an error at its field, whether or not another team has it', async (_, more, field) => {
    const o = await one('reading.log', reading('39.01', more));
    expect(o).toMatchObject({ ok: false, errors: { [field]: expect.stringMatching(/not in this team/) } });
  });
  it('a machine of nobody, a figure of another machine’s fastener, a rebuild of another engine’s tasks', async () => {
    expect(await one('reading.log', reading('39.01', { machineId: uuid() }))).toMatchObject({ ok: false });
    const machine = uuid();
    const add = {
      id: machine,
      plate: '9',
      name: 'Other',
      kind: 'dual-sport',
      meter: 'hour meter',
      reading: '1',
      tasks: []
    };
    expect((await one('machine.add', add)).ok).toBe(true);
    const fastener = {
      id: uuid(),
      machineId: machine,
      circuit: null,
      role: 'guard',
      name: 'Guard',
      quantity: 1,
      magnet: false,
      seal: 'none'
    };
    expect((await one('fastener.add', fastener)).ok).toBe(true);
    const torque = {
      id: uuid(),
      machineId: book.machineId,
      key: 'torque',
      fastenerId: fastener.id,
      typed: '10 N·m',
      source: 'Manual',
      confidence: 'printed'
    };
    expect(await one('figure.add', torque)).toMatchObject({
      ok: false,
      errors: { typed: expect.stringMatching(/another machine/) }
    });
    const engine = { id: uuid(), kind: 'engine', name: 'Engine', brought: '1' };
    expect((await one('component.add', engine)).ok).toBe(true);
    const rebuild = { id: uuid(), componentId: engine.id, day: TODAY, taskIds: [book.taskId] };
    expect(await one('component.rebuild', rebuild)).toMatchObject({
      ok: false,
      errors: { taskIds: expect.any(String) }
    });
  });
  it('names that cannot be seen, numbers that are none, lists without end', async () => {
    expect(await one('person.add', { id: uuid(), name: '\u200b\u2060', role: 'rider' })).toMatchObject({
      errors: { name: expect.any(String) }
    });
    const fastener = (quantity: unknown) => ({
      id: uuid(),
      machineId: book.machineId,
      circuit: null,
      role: 'guard',
      name: `G ${uuid().slice(0, 6)}`,
      quantity,
      magnet: false,
      seal: 'none'
    });
    for (const odd of [null, '', true, [1], {}, '1e3'])
      expect(await one('fastener.add', fastener(odd))).toMatchObject({
        ok: false,
        errors: { quantity: expect.any(String) }
      });
    expect((await one('fastener.add', fastener('4'))).ok).toBe(true);
    const mud = Array.from({ length: 50_000 }, () => 'mud');
    expect(await one('reading.log', reading('39.01', { outing: 'ride', conditions: mud }))).toMatchObject({
      errors: { conditions: expect.any(String) }
    });
    const event = {
      id: uuid(),
      name: 'Long ago',
      kind: 'race',
      firstDay: '0001-01-01',
      lastDay: '0001-01-02',
      hoursEach: '2',
      wholeFleet: true
    };
    expect(await one('event.plan', event)).toMatchObject({ errors: { firstDay: expect.any(String) } });
    expect(
      await one('event.plan', {
        ...event,
        firstDay: TODAY,
        lastDay: TODAY,
        wholeFleet: false,
        machineIds: [uuid()]
      })
    ).toMatchObject({
      errors: { machineIds: expect.any(String) }
    });
  });
  it('“done” of what is not there', async () => {
    for (const [kind, body] of [
      ['call.drop', { callId: uuid(), word: 'x' }],
      ['task.retire', { taskId: uuid(), word: 'x' }],
      ['task.done', { id: uuid(), taskId: uuid(), day: TODAY }],
      ['proposal.decide', { proposalId: uuid(), decision: 'accepted' }],
      ['proposal.make', { taskId: uuid(), reason: 'seen' }],
      ['finding.close', { findingId: uuid(), word: 'x' }],
      ['finding.regrade', { id: uuid(), findingId: uuid(), severity: 'watch', word: 'x' }],
      ['reminder.note', { reminderId: uuid(), now: 'done' }],
      ['event.call-off', { eventId: uuid(), off: true }],
      ['outing.estimate', { outingId: uuid() }],
      ['component.scrap', { componentId: uuid(), reason: 'x' }],
      ['visit.close', { visitId: uuid() }]
    ] as const)
      expect([kind, await one(kind, body)]).toMatchObject([kind, { ok: false, errors: expect.any(Object) }]);
    expect(faults).toHaveLength(1);
  });
});
