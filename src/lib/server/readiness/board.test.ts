import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { RoundBook, WHOLE } from '../../../../tests/database/rounds';
import { workOut } from '../../core/job/minutes';
import { pickJobs } from '../../core/visit/pick';
import { boardPage } from './board';
import { getMachine } from '../machine/machines';
import { readStandings } from '../trail/lanes';
import { visitBefore } from '../visit/before';

/** It leaves on its first day, and all ride as long. */
const ALL_AS_ONE = { leavesOn: null, otherHours: [] };
let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

describe('the board', () => {
  const board = (now = at(24)) => on.board(now);
  const reasons = (now = at(24)) => on.reasons(now);
  it('says who may ride: with the round, with what it found, and with what was ridden since', async () => {
    expect(await reasons()).toContain('no ready round yet');
    expect((await board()).readiness.ready).toBe(false);
    const roundId = await on.answer(WHOLE);
    expect((await board()).readiness.ready).toBe(true);
    await on.answer([{ check: 'coolant', said: 'wrong', note: 'hose' }], { roundId });
    expect(await reasons()).toEqual(['Coolant: hose']);
    expect(await board()).toMatchObject({ findings: 1, gravest: 'fix now', deferred: 0 });
    await on.answer([{ check: 'coolant' }], { roundId, now: at(25) });
    expect((await board()).readiness.ready).toBe(true);
    // 0.4 h later it was ridden; four days later nobody was on it.
    expect(await reasons(at(24 + 4 * 24))).toEqual(['its ready round is 4 days old']);
    await on.book.log('38.8', { day: '2026-06-12', outing: 'ride' }, at(40));
    expect(await reasons(at(41))).toContain('ridden since its ready round');
    const next = await on.answer([WHOLE[0]!], { now: at(42) });
    expect((await board(at(42))).round).toEqual({ state: 'begun', left: WHOLE.length - 1, of: WHOLE.length });
    await on.send('round.strike', { roundId: next, reason: 'left' }, at(43));
    expect(await reasons(at(43))).toContain('ridden since its ready round');
  });
  it('a round that was walked before the ride and arrives after it does not hold', async () => {
    // Walked at eight without a signal, ridden at ten, sent at noon.
    await on.book.log('39.4', { day: '2026-06-11', outing: 'ride', before: '38.4', sure: true }, at(26));
    await on.answer(WHOLE, { pressed: at(24), now: at(28) });
    expect(await reasons(at(29))).toContain('ridden since its ready round');
  });
  it('counts what is left as the round itself does, without what the machine has none of', async () => {
    await on.answer([{ check: 'lights', said: 'none' }, ...WHOLE.filter((a) => a.check !== 'lights')]);
    await on.answer([WHOLE[0]!], { now: at(30) });
    await on.book.log('39.4', { day: '2026-06-12', outing: 'ride', sure: true }, at(40));
    const left = (await on.stand()).open.length;
    expect(left).toBe(WHOLE.length - 2);
    expect((await board(at(41))).round).toEqual({ state: 'begun', left, of: WHOLE.length - 1 });
  });
  it('is about an outing: who goes, what falls due before it is over, and by the rule of the house', async () => {
    const event = { kind: 'race', firstDay: '2026-06-13', lastDay: '2026-06-13', wholeFleet: false } as const;
    const eventId = uuid();
    await on.send(
      'event.plan',
      {
        ...event,
        id: eventId,
        name: 'Stone Wood',
        hoursEach: 400,
        machineIds: [on.book.machineId],
        ...ALL_AS_ONE
      },
      at(1)
    );
    const other = uuid();
    await on.send(
      'event.plan',
      {
        ...event,
        id: other,
        name: 'Elsewhere',
        firstDay: '2026-06-14',
        lastDay: '2026-06-14',
        hoursEach: 500,
        machineIds: [],
        ...ALL_AS_ONE
      },
      at(1)
    );
    // Done at 25 h, every 15: due at 40, at 38.4 now; four hours more and it is, short of its limit at 43.
    const page = await boardPage(on.book.sql, on.book.team, eventId, at(24));
    expect(page.event!.name).toBe('Stone Wood');
    expect(page.rows[0]).toMatchObject({ plate: '7', unserviced: 1 });
    expect(page.rows[0]!.readiness.work.attended).toBeGreaterThan(20);
    expect((await boardPage(on.book.sql, on.book.team, other, at(24))).rows).toEqual([]);
    await on.send('rule.set', { id: uuid(), machineId: null, key: 'roundHolds', value: 0, word: '' }, at(25));
    expect((await boardPage(on.book.sql, on.book.team, eventId, at(26))).rows[0]!.readiness.ready).toBe(true);
  });
  it('says the minutes of the visit as its own page does, and of the round; anew when the sheet is another', async () => {
    const eventId = uuid();
    await on.send(
      'event.plan',
      {
        id: eventId,
        name: 'Stone Wood',
        kind: 'race',
        firstDay: '2026-06-13',
        lastDay: '2026-06-13',
        wholeFleet: false,
        hoursEach: 400,
        machineIds: [on.book.machineId],
        ...ALL_AS_ONE
      },
      at(1)
    );
    const { sql, team, machineId } = on.book;
    const work = async () => (await boardPage(sql, team, eventId, at(24))).rows[0]!.readiness.work;
    const round = (await on.sheet()).checks.reduce((sum, c) => sum + c.minutes, 0);
    const atBench = async () => {
      const machine = (await getMachine(sql, team.id, machineId))!;
      const [standing] = await readStandings(sql, team, [machineId]);
      const before = await visitBefore(sql, team, machine, standing!, at(24));
      const picked = pickJobs(before.jobs, { tasks: [], only: false });
      const jobs = before.jobs.filter((j) => picked.includes(j.taskId));
      return workOut({ ...before.input, jobs }, 'cold').minutes;
    };
    const page = await atBench();
    expect(page.attended).toBeGreaterThan(10);
    expect(await work()).toMatchObject({
      elapsed: page.elapsed + round,
      attended: page.attended + round
    });
    // A skid plate in the way: off and on again.
    await on.fastener('guard', 'Skid plate');
    const guarded = await atBench();
    expect(guarded.attended).toBeGreaterThan(page.attended);
    expect((await work()).attended).toBe(guarded.attended + round);
  });
  it('is meant for the outing: a round that lapses before it, and a limit that is passed there, keep a machine off', async () => {
    const plan = async (name: string, day: string, hoursEach: number) => {
      const id = uuid();
      await on.send(
        'event.plan',
        {
          id,
          name,
          kind: 'race',
          firstDay: day,
          lastDay: day,
          wholeFleet: false,
          hoursEach,
          machineIds: [on.book.machineId],
          ...ALL_AS_ONE
        },
        at(1)
      );
      return id;
    };
    const [near, far] = [
      await plan('Stone Wood', '2026-06-13', 100),
      await plan('Long Edge', '2026-06-20', 500)
    ];
    await on.answer(WHOLE);
    const row = async (id: string) => (await boardPage(on.book.sql, on.book.team, id, at(24))).rows[0]!;
    const words = async (id: string) => (await row(id)).readiness.reasons.map((r) => r.words);
    expect(await words(near)).not.toContainEqual(expect.stringContaining('round'));
    // Ridden at the first, it is walked again for the second.
    expect((await row(far)).round).toEqual({ state: 'ridden before', at: 'Stone Wood' });
    expect((await row(far)).readiness.ready).toBe(false);
    await on.send('event.call-off', { eventId: near, off: true }, at(25));
    const later = (await boardPage(on.book.sql, on.book.team, far, at(26))).rows[0]!;
    // Walked on the 11th, it is nine days old on the 20th.
    expect(later.readiness.reasons.map((r) => r.words)).toContain(
      'its ready round will be 9 days old by then'
    );
    // Done at 25.0 h, its limit at 43.0: it stands at 38.4, and five hours are ridden there.
    expect(later.readiness.reasons.map((r) => r.words)).toContain(
      'Engine oil passes its limit there, by 0.4 h'
    );
    expect(later.unserviced).toBe(1);
  });
});
