import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { whole } from '../../../tests/core/bench';
import {
  addEntry,
  addMachine,
  addPerson,
  closeVisit,
  command,
  startVisit
} from '../../../tests/database/hands';
import { at, NOW, openBook, uuid, type Book } from '../../../tests/database/book';
import { refused, refusedWith } from '../../../tests/database/refused';
import type { Input } from '../core/command/commands';
import { machineSchema } from '../core/machine/form';
import type { TypedAnswer } from '../core/round/answer';
import { checksOf } from '../core/round/library';
import { roundAnswerSchema } from '../core/round/form';
import { roundStand } from '../core/round/stand';
import { fastenerSchema, figureSchema } from '../core/specs/form';
import { entrySchema } from '../core/visit/entry';
import { startSchema } from '../core/visit/form';
import { boardPage } from './board';
import { roundSheet } from './round-sheet';
import { getVisit } from './visits';

let book: Book;
beforeEach(async () => {
  book = await openBook();
  await send('figure.add', figureSchema.parse({ ...figure, id: uuid(), machineId: book.machineId }), at(1));
});
afterEach(() => book.close());

const figure = { key: 'front tyre pressure', typed: '80–100 kPa', source: 'Manual', confidence: 'printed' };
function send<K extends Parameters<typeof command>[3]>(
  kind: K,
  input: Input<K>,
  now: Date,
  who = book.personId
): Promise<unknown> {
  return command(book.sql, book.team, who, kind, input, now);
}
type Said = Partial<TypedAnswer> & { check: string };
const answer = (
  answers: Said[],
  { roundId = uuid() as string, now = at(24), who = book.personId, list = 'ready' } = {}
) =>
  send(
    'round.answer',
    roundAnswerSchema.parse({
      roundId,
      machineId: book.machineId,
      list,
      answers: answers.map((a) => ({ id: uuid(), said: 'well', ...a }))
    }),
    now,
    who
  ) as Promise<string>;
const sheet = () =>
  roundSheet(book.sql, book.team.id, { id: book.machineId, kind: 'four-stroke enduro' }, 'ready');
const stand = async () => {
  const s = await sheet();
  return roundStand(s.checks, s.answers, s.bands);
};
const findings = () =>
  book.sql`select what, severity, cause, check_key, closed_word, closed_how, closed_at is not null as closed from finding where team_id = ${book.team.id} order by found_at, what`;
const WHOLE: Said[] = checksOf('four-stroke enduro', 'ready').map((c) => ({
  check: c.key,
  found: c.how === 'measure' ? (c.key.endsWith('tyre') ? '90 kPa' : '4 mm') : '',
  choice: c.how === 'choose' ? c.choices[0]!.word : '',
  count: c.how === 'count' ? '4' : ''
}));
const ready = async () =>
  (await book.sql`select ready from machine_standing where machine_id = ${book.machineId}`)[0]!.ready;

describe('a round', () => {
  it('is begun by the first answer and done by the last, in one request or in many', async () => {
    const roundId = await answer(WHOLE);
    expect(await book.sql`select done_hours, done_by from machine_round where id = ${roundId}`).toEqual([
      { done_hours: 3840, done_by: book.personId }
    ]);
    expect((await stand()).open).toEqual([]);

    const second = await answer(WHOLE.slice(0, 5), { now: at(30) });
    expect(second).not.toBe(roundId);
    expect((await sheet()).round).toMatchObject({ id: second, doneAt: null });
    for (const a of WHOLE.slice(5)) expect(await answer([a], { now: at(31) })).toBe(second);
    expect((await sheet()).round!.doneAt).toEqual(at(31));
  });

  it('sent twice it is one round with each answer once', async () => {
    const roundId = uuid();
    const input = roundAnswerSchema.parse({
      roundId,
      machineId: book.machineId,
      list: 'ready',
      answers: WHOLE.map((a) => ({ id: uuid(), said: 'well', ...a }))
    });
    for (let i = 0; i < 2; i++) await send('round.answer', input, at(24));
    expect(await book.sql`select count(*)::int as n from round_answer`).toEqual([{ n: WHOLE.length }]);
    expect(await book.sql`select count(*)::int as n from machine_round`).toEqual([{ n: 1 }]);
  });

  it('several people answer in one, at once; who sees otherwise is kept in sight', async () => {
    const other = uuid();
    await addPerson(
      book.sql,
      book.team,
      book.personId,
      { id: other, name: 'Nye Harrow', role: 'rider' },
      NOW
    );
    const ids = await Promise.all(
      WHOLE.map((a, i) => answer([a], { who: i % 2 ? other : book.personId, now: at(24) }))
    );
    expect(new Set(ids).size).toBe(1);
    expect((await stand()).open).toEqual([]);
    await answer([{ check: 'fork-seals', said: 'wrong', note: 'right' }], { roundId: ids[0]!, who: other });
    await answer([{ check: 'fork-seals' }], { roundId: ids[0]!, now: at(25) });
    const item = (await stand()).items.find((i) => i.check.key === 'fork-seals')!;
    expect(item).toMatchObject({ judged: { well: true }, otherwise: { by: 'Nye Harrow' } });
  });

  it('what is wrong is a finding at once, changes with the answer, and put right in the round it is closed', async () => {
    const roundId = await answer([{ check: 'front-tyre', said: 'wrong', found: '60' }]);
    expect(await findings()).toMatchObject([
      {
        what: 'Front tyre pressure: 60 kPa, too little, 80–100 kPa is wanted',
        severity: 'fix now',
        cause: 'round',
        closed: false
      }
    ]);
    await answer([{ check: 'front-tyre', said: 'wrong', found: '62', severity: 'watch' }], { roundId });
    expect(await findings()).toMatchObject([{ severity: 'watch', closed: false }]);
    await answer([{ check: 'front-tyre', found: '62', set: '90' }], { roundId, now: at(25) });
    expect(await findings()).toMatchObject([
      { closed: true, closed_word: 'In the same round: found 62 kPa, set to 90 kPa' }
    ]);
  });

  it('what parks the machine keeps it from being called ready until it is closed', async () => {
    await answer([{ check: 'air-filter', choice: 'torn or unseated' }]);
    expect(await ready()).toBe(false);
    const [f] = await book.sql`select id from finding where check_key = 'air-filter'`;
    await send('finding.close', { findingId: f!.id as string, how: 'done', word: 'new one in' }, at(26));
    expect(await ready()).toBe(true);
  });

  it('what stands open from an earlier round is not written twice, and found again once closed it is', async () => {
    const wrong = { check: 'fork-seals', said: 'wrong' as const, note: 'right' };
    await answer([...WHOLE, wrong]);
    await answer([wrong], { now: at(48) });
    expect(await findings()).toHaveLength(1);
    const [f] = await book.sql`select id from finding`;
    await send('finding.close', { findingId: f!.id as string, how: 'done', word: 'new seal' }, at(49));
    await answer([{ ...wrong, note: 'right ' }], { now: at(50) });
    expect(await findings()).toHaveLength(2);
  });

  it('a machine that has none of something is asked for it no more, until somebody looks at it all the same', async () => {
    const roundId = await answer([{ check: 'lights', said: 'wrong' }]);
    await answer([{ check: 'lights', said: 'none' }], { roundId });
    expect((await findings())[0]).toMatchObject({ closed: true });
    expect((await sheet()).none.map((c) => c.title)).toEqual(['Lights and brake light']);
    expect((await sheet()).checks.some((c) => c.key === 'lights')).toBe(false);
    await answer([{ check: 'lights' }], { roundId });
    expect((await sheet()).none).toEqual([]);
  });

  it('numbers are read by this machine’s sheet; what is no number, or of another unit, is refused at its field', async () => {
    expect(await refused(answer([{ check: 'front-tyre', found: '12' }]))).toEqual({
      'answers.0.found': expect.stringMatching(/12 psi would be within/)
    });
    expect(
      await refused(answer([{ check: 'plug' }, { check: 'front-tyre' }, { check: 'nonsense' }]))
    ).toEqual({
      'answers.1.found': expect.stringMatching(/A pass needs its number/),
      'answers.2.check': 'There is no such check.'
    });
    // Nothing of what was refused is written.
    expect(await book.sql`select count(*)::int as n from machine_round`).toEqual([{ n: 0 }]);
  });

  it('a check this kind of machine does not have is kept and says nothing', async () => {
    await answer([{ check: 'battery', choice: 'low' }]);
    expect(await findings()).toEqual([]);
    expect(await book.sql`select check_key from round_answer`).toEqual([{ check_key: 'battery' }]);
  });

  it('one that is over takes no more; a new one is not begun under its id, nor under another machine’s', async () => {
    const first = await answer(WHOLE);
    await answer(WHOLE, { now: at(30) });
    expect(await refusedWith(answer([WHOLE[0]!], { roundId: first, now: at(31) }))).toMatch(
      /That round is over/
    );
    const machineId = uuid();
    await addMachine(
      book.sql,
      book.team,
      book.personId,
      machineSchema.parse({
        id: machineId,
        plate: '8',
        name: 'Other',
        kind: 'electric',
        meter: 'hour meter',
        reading: '1',
        tasks: []
      }),
      at(31)
    );
    const other = roundAnswerSchema.parse({
      roundId: first,
      machineId,
      list: 'ready',
      answers: [{ id: uuid(), check: 'kill-switch', said: 'well' }]
    });
    expect(await refusedWith(send('round.answer', other, at(32)))).toMatch(/That round is over/);
  });

  it('struck out it does not count, and takes what it found along', async () => {
    const roundId = await answer([...WHOLE, { check: 'coolant', said: 'wrong' }]);
    await send('round.strike', { roundId, reason: 'another bike' }, at(25));
    expect((await sheet()).round).toBeNull();
    expect(await findings()).toMatchObject([{ closed: true, closed_word: 'Struck out: another bike' }]);
  });

  it('dirt proposes its task more often, once', async () => {
    const very = { check: 'engine-oil', choice: 'topped up to it' };
    const roundId = await answer([very]);
    await answer([very], { roundId });
    expect(
      await book.sql`select reason, from_amount, to_amount < from_amount as less from interval_proposal`
    ).toEqual([{ reason: 'Engine oil level: topped up to it', from_amount: 1500, less: true }]);
  });
});

describe('a torque round', () => {
  let nut: string;
  beforeEach(async () => {
    nut = uuid();
    const rest = {
      place: 'right end of the axle',
      quantity: 1,
      magnet: false,
      seal: 'none',
      head: '27 mm',
      thread: 'M20x1.5'
    };
    await send(
      'fastener.add',
      fastenerSchema.parse({
        ...rest,
        id: nut,
        machineId: book.machineId,
        circuit: null,
        role: 'axle nut',
        name: 'Rear axle nut'
      }),
      at(1)
    );
    await send(
      'fastener.add',
      fastenerSchema.parse({
        ...rest,
        id: uuid(),
        machineId: book.machineId,
        circuit: null,
        role: 'guard',
        name: 'Skid plate'
      }),
      at(1)
    );
    await send(
      'figure.add',
      figureSchema.parse({
        ...figure,
        id: uuid(),
        machineId: book.machineId,
        key: 'torque',
        fastenerId: nut,
        typed: '90 N·m'
      }),
      at(1)
    );
  });
  const torque = () =>
    roundSheet(book.sql, book.team.id, { id: book.machineId, kind: 'four-stroke enduro' }, 'torque');
  const tried = (choice: string, note = '', more: Parameters<typeof answer>[1] = {}) =>
    answer([{ check: nut, choice, note }], { list: 'torque', ...more });

  it('tries what matters, with its number; a guard is not among it, and what is not on the sheet is said', async () => {
    const s = await torque();
    expect(s.checks.map((c) => [c.title, c.station])).toEqual([['Rear axle nut', 'At the rear']]);
    expect(s.bands[nut]).toMatchObject({ from: { base: 90 } });
    expect(s.torque!.missing).toEqual(['pivot', 'clamp', 'brake']);
    const roundId = await tried('held');
    expect(await findings()).toEqual([]);
    expect(
      await book.sql`select done_at is not null as done from machine_round where id = ${roundId}`
    ).toEqual([{ done: true }]);
  });
  it('loose once it is tightened there; loose the second time it stays open, and asks for the cause', async () => {
    const first = await tried('loose', 'a flat');
    // Said again in the same round it is the same one.
    await tried('loose', 'a flat', { roundId: first });
    expect(await findings()).toMatchObject([
      { what: 'Rear axle nut: found loose', closed: true, closed_word: 'Tightened in the round: 90 N·m.' }
    ]);
    expect((await torque()).checks[0]).toMatchObject({ looseBefore: 0 });
    await tried('loose', 'a few degrees', { now: at(48) });
    expect((await findings())[1]).toMatchObject({
      what: 'Rear axle nut: loose again: thread-lock, or find the cause',
      severity: 'fix now',
      closed: false
    });
    expect((await boardPage(book.sql, book.team, null, at(49))).rows[0]!.readiness.reasons[0]!.words).toMatch(
      /loose again/
    );
  });
  it('what moved is tried again after the first ride: asked for when it was ridden, and done by the next round', async () => {
    await tried('moved', 'a flat');
    const waits = () =>
      book.sql`select words, come_at is not null as come, done_word from reminder order by created_at`;
    const words = 'Rear axle nut: try it again after the first ride';
    expect(await waits()).toEqual([{ words, come: false, done_word: '' }]);
    // Held now, but nobody has ridden it: it goes on waiting.
    await tried('held', '', { now: at(30) });
    expect(await waits()).toEqual([{ words, come: false, done_word: '' }]);
    await book.log('40.4', { day: '2026-06-12', outing: 'ride' }, at(40));
    expect(
      (await boardPage(book.sql, book.team, null, at(41))).rows[0]!.readiness.reasons.map((r) => r.words)
    ).toContain(words);
    await tried('held', '', { now: at(42) });
    expect(await waits()).toEqual([{ words, come: true, done_word: 'In a round: held, 90 N·m' }]);
  });
  it('what is no fastener of it is refused', async () => {
    expect(await refused(answer([{ check: uuid(), choice: 'held' }], { list: 'torque' }))).toEqual({
      'answers.0.check': 'There is no such check.'
    });
    expect(await refused(tried('quite tight'))).toEqual({
      'answers.0.choice': 'One of: held, moved, loose, over-tight.'
    });
  });
});

describe('a finding by hand', () => {
  const make = async () => {
    await answer([{ check: 'coolant', said: 'wrong' }]);
    return (await book.sql`select id from finding`)[0]!.id as string;
  };
  it('two close it differently: the second is told what the first wrote', async () => {
    const findingId = await make();
    const close = (word: string, how: 'done' | 'as it was' = 'done') =>
      send('finding.close', { findingId, how, word }, at(26));
    await close('hose clamp tightened');
    await close('hose clamp tightened');
    expect(await refused(close('weeps since spring', 'as it was'))).toEqual({
      word: 'Wren Oddie closed it: “hose clamp tightened”. What you write here is not kept.'
    });
  });
  it('waits for a part, then for another; closed, nothing waits', async () => {
    const findingId = await make();
    const wait = (part: string) =>
      send('finding.wait', { id: uuid(), findingId, waitsFor: 'a part to arrive', part }, at(26));
    await wait('hose');
    await wait('hose and clamp');
    expect(await book.sql`select part from reminder where done_at is null`).toEqual([
      { part: 'hose and clamp' }
    ]);
    await send('finding.close', { findingId, how: 'owner told', word: 'he brings one' }, at(27));
    expect(await book.sql`select part from reminder where done_at is null`).toEqual([]);
    expect(await findings()).toMatchObject([{ closed_how: 'owner told' }]);
    expect(await refusedWith(wait('x'))).toMatch(/closed already/);
  });
});

/** An oil change from the first step to the last, as a visit. */
async function closeOilVisit({ sql, team, personId, machineId, taskId }: Book): Promise<void> {
  const input = startSchema.parse({ id: uuid(), machineId, jobs: [{ taskId, template: 'engine-oil-only' }] });
  const visitId = await startVisit(sql, team, personId, input, at(24));
  const { plan } = (await getVisit(sql, team.id, visitId))!;
  for (const { stepKey, itemKey, action, content } of whole(plan)) {
    const typed = entrySchema.parse({ id: uuid(), stepKey, itemKey, action, content });
    await addEntry(sql, team.id, personId, visitId, typed);
  }
  await closeVisit(sql, team, personId, visitId, at(30));
}
describe('after an oil change', () => {
  const waits = () => book.sql`select words, done_at is not null as done from reminder`;
  const oil = () => answer([{ check: 'engine-oil', choice: 'between the marks' }], { now: at(60) });
  it('the level is read again once it was ridden, and the round that reads it is what does it', async () => {
    await closeOilVisit(book);
    expect(await waits()).toEqual([
      { words: 'Engine oil level: read it again after the first ride', done: false }
    ]);
    await book.log('45.4', { day: '2026-06-12', outing: 'ride', sure: true }, at(50));
    await oil();
    expect((await waits())[0]!.done).toBe(true);
  });
  it('by house rule it is not', async () => {
    await send('rule.set', { id: uuid(), machineId: null, key: 'levelAgain', value: false, word: '' }, at(2));
    await closeOilVisit(book);
    expect(await waits()).toEqual([]);
  });
});

describe('the board', () => {
  const board = async (now = at(24)) => (await boardPage(book.sql, book.team, null, now)).rows[0]!;
  const reasons = async (now?: Date) => (await board(now)).readiness.reasons.map((r) => r.words);
  it('says who may ride: with the round, with what it found, and with what was ridden since', async () => {
    expect(await reasons()).toContain('no ready round yet');
    expect((await board()).readiness.ready).toBe(false);
    const roundId = await answer(WHOLE);
    expect((await board()).readiness.ready).toBe(true);
    await answer([{ check: 'coolant', said: 'wrong', note: 'hose' }], { roundId });
    expect(await reasons()).toEqual(['Coolant: hose']);
    expect(await board()).toMatchObject({ findings: 1, gravest: 'fix now', deferred: 0 });
    await answer([{ check: 'coolant' }], { roundId, now: at(25) });
    expect((await board()).readiness.ready).toBe(true);
    // 0.4 h later it was ridden; four days later nobody was on it.
    expect(await reasons(at(24 + 4 * 24))).toEqual(['its ready round is 4 days old']);
    await book.log('38.8', { day: '2026-06-12', outing: 'ride' }, at(40));
    expect(await reasons(at(41))).toContain('ridden since its ready round');
    const next = await answer([WHOLE[0]!], { now: at(42) });
    expect((await board(at(42))).round).toEqual({ state: 'begun', left: WHOLE.length - 1, of: WHOLE.length });
    await send('round.strike', { roundId: next, reason: 'left' }, at(43));
    expect(await reasons(at(43))).toContain('ridden since its ready round');
  });
  it('is about an outing: who goes, what falls due before it is over, and by the rule of the house', async () => {
    const event = { kind: 'race', firstDay: '2026-06-13', lastDay: '2026-06-13', wholeFleet: false } as const;
    const eventId = uuid();
    await send(
      'event.plan',
      { ...event, id: eventId, name: 'Stone Wood', hoursEach: 500, machineIds: [book.machineId] },
      at(1)
    );
    const other = uuid();
    await send(
      'event.plan',
      {
        ...event,
        id: other,
        name: 'Elsewhere',
        firstDay: '2026-06-14',
        lastDay: '2026-06-14',
        hoursEach: 500,
        machineIds: []
      },
      at(1)
    );
    // Done at 25 h, every 15: due at 40, at 38.4 now; five hours more and it is.
    const page = await boardPage(book.sql, book.team, eventId, at(24));
    expect(page.event!.name).toBe('Stone Wood');
    expect(page.rows[0]).toMatchObject({ plate: '7', unserviced: 1 });
    expect(page.rows[0]!.readiness.minutes).toBeGreaterThan(20);
    expect((await boardPage(book.sql, book.team, other, at(24))).rows).toEqual([]);
    await send('rule.set', { id: uuid(), machineId: null, key: 'roundHolds', value: 0, word: '' }, at(25));
    expect((await boardPage(book.sql, book.team, eventId, at(26))).rows[0]!.readiness.ready).toBe(true);
  });
});
