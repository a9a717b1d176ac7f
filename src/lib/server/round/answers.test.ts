import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, NOW, uuid } from '../../../../tests/database/book';
import { addMachine, addPerson } from '../../../../tests/database/hands';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { RoundBook, WHOLE } from '../../../../tests/database/rounds';
import { machineSchema } from '../../core/machine/form';

let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

describe('a round', () => {
  it('is begun by the first answer and done by the last, in one request or in many', async () => {
    const roundId = await on.answer(WHOLE);
    expect(await on.book.sql`select done_hours, done_by from machine_round where id = ${roundId}`).toEqual([
      { done_hours: 3840, done_by: on.book.personId }
    ]);
    expect((await on.stand()).open).toEqual([]);

    const second = await on.answer(WHOLE.slice(0, 5), { now: at(30) });
    expect(second).not.toBe(roundId);
    expect((await on.sheet()).round).toMatchObject({ id: second, doneAt: null });
    for (const a of WHOLE.slice(5)) expect(await on.answer([a], { now: at(31) })).toBe(second);
    expect((await on.sheet()).round!.doneAt).toEqual(at(31));
  });

  it('sent twice it is one round with each answer once', async () => {
    const input = on.input(WHOLE);
    for (let i = 0; i < 2; i++) await on.send('round.answer', input, at(24));
    expect(await on.book.sql`select count(*)::int as n from round_answer`).toEqual([{ n: WHOLE.length }]);
    expect(await on.book.sql`select count(*)::int as n from machine_round`).toEqual([{ n: 1 }]);
  });

  it('what is in the book already begins no new round, whatever became of the one it is in', async () => {
    const input = on.input(WHOLE);
    await on.send('round.answer', input, at(24));
    await on.send('round.strike', { roundId: input.roundId, reason: 'another bike' }, at(25));
    // Its answer was lost on the way: the device sends the same again, and then under a new round.
    expect(await on.send('round.answer', input, at(26))).toBe(input.roundId);
    expect(await on.send('round.answer', { ...input, roundId: uuid() }, at(27))).toBe(input.roundId);
    expect(await on.book.sql`select count(*)::int as n from machine_round`).toEqual([{ n: 1 }]);
  });

  it('several people answer in one, at once; who sees otherwise is kept in sight', async () => {
    const other = uuid();
    await addPerson(
      on.book.sql,
      on.book.team,
      on.book.personId,
      { id: other, name: 'Nye Harrow', role: 'rider' },
      NOW
    );
    const ids = await Promise.all(
      WHOLE.map((a, i) => on.answer([a], { who: i % 2 ? other : on.book.personId, now: at(24) }))
    );
    expect(new Set(ids).size).toBe(1);
    expect((await on.stand()).open).toEqual([]);
    await on.answer([{ check: 'fork-seals', said: 'wrong', note: 'right' }], {
      roundId: ids[0]!,
      who: other
    });
    await on.answer([{ check: 'fork-seals' }], { roundId: ids[0]!, now: at(25) });
    const item = (await on.stand()).items.find((i) => i.check.key === 'fork-seals')!;
    expect(item).toMatchObject({ judged: { well: true }, otherwise: { by: 'Nye Harrow' } });
  });

  it('what was seen last holds, though it came in first', async () => {
    const roundId = await on.answer([{ check: 'fork-seals', said: 'wrong', note: 'weeps' }], {
      now: at(26)
    });
    await on.answer([{ check: 'fork-seals' }], { roundId, now: at(27), pressed: at(25) });
    const item = (await on.stand()).items.find((i) => i.check.key === 'fork-seals')!;
    expect(item.judged).toMatchObject({ well: false });
    expect(await on.findings()).toMatchObject([{ closed: false }]);
  });
  it('what is wrong is a finding at once, changes with the answer, and put right in the round it is closed', async () => {
    const roundId = await on.answer([{ check: 'front-tyre', said: 'wrong', found: '60' }]);
    expect(await on.findings()).toMatchObject([
      {
        what: 'Front tyre pressure: 60 kPa, too little, 80–100 kPa is wanted',
        severity: 'fix now',
        cause: 'round',
        closed: false
      }
    ]);
    await on.answer([{ check: 'front-tyre', said: 'wrong', found: '62', severity: 'watch' }], { roundId });
    expect(await on.findings()).toMatchObject([{ severity: 'watch', closed: false }]);
    await on.answer([{ check: 'front-tyre', found: '62', set: '90' }], { roundId, now: at(25) });
    expect(await on.findings()).toMatchObject([
      { closed: true, closed_word: 'In the same round: found 62 kPa, set to 90 kPa' }
    ]);
  });

  it('what parks the machine keeps it from being called ready until it is closed', async () => {
    await on.answer([{ check: 'air-filter', choice: 'torn or unseated' }]);
    expect((await on.board(at(25))).readiness.reasons.some((x) => x.kind === 'parked')).toBe(true);
    const [f] = await on.book.sql`select id from finding where check_key = 'air-filter'`;
    await on.send('finding.close', { findingId: f!.id as string, how: 'done', word: 'new one in' }, at(26));
    expect((await on.board(at(25))).readiness.reasons.some((x) => x.kind === 'parked')).toBe(false);
  });

  it('what stands open from an earlier round is not written twice, and found again once closed it is', async () => {
    const wrong = { check: 'fork-seals', said: 'wrong' as const, note: 'right' };
    await on.answer([...WHOLE, wrong]);
    await on.answer([wrong], { now: at(48) });
    expect(await on.findings()).toHaveLength(1);
    const [f] = await on.book.sql`select id from finding`;
    await on.send('finding.close', { findingId: f!.id as string, how: 'done', word: 'new seal' }, at(49));
    await on.answer([{ ...wrong, note: 'right ' }], { now: at(50) });
    expect(await on.findings()).toHaveLength(2);
  });

  it('a machine that has none of something is asked for it no more, until somebody looks at it all the same', async () => {
    const roundId = await on.answer([{ check: 'lights', said: 'wrong' }]);
    await on.answer([{ check: 'lights', said: 'none' }], { roundId });
    expect((await on.findings())[0]).toMatchObject({ closed: true });
    expect((await on.sheet()).none.map((c) => c.title)).toEqual(['Lights and brake light']);
    expect((await on.sheet()).checks.some((c) => c.key === 'lights')).toBe(false);
    await on.answer([{ check: 'lights' }], { roundId });
    expect((await on.sheet()).none).toEqual([]);
  });

  it('numbers are read by this machine’s sheet; what is no number, or of another unit, is refused at its field', async () => {
    expect(await refused(on.answer([{ check: 'front-tyre', found: '12' }]))).toEqual({
      'answers.0.found': expect.stringMatching(/12 psi would be within/)
    });
    expect(
      await refused(on.answer([{ check: 'plug' }, { check: 'front-tyre' }, { check: 'nonsense' }]))
    ).toEqual({
      'answers.1.found': expect.stringMatching(/A pass needs its number/),
      'answers.2.check': 'There is no such check.'
    });
    // Nothing of what was refused is written.
    expect(await on.book.sql`select count(*)::int as n from machine_round`).toEqual([{ n: 0 }]);
  });

  it('a check this kind of machine does not have is kept and says nothing', async () => {
    await on.answer([{ check: 'battery', choice: 'low' }]);
    expect(await on.findings()).toEqual([]);
    expect(await on.book.sql`select check_key from round_answer`).toEqual([{ check_key: 'battery' }]);
  });

  it('one that is over takes no more; a new one is not begun under its id, nor under another machine’s', async () => {
    const first = await on.answer(WHOLE);
    await on.answer(WHOLE, { now: at(30) });
    expect(await refusedWith(on.answer([WHOLE[0]!], { roundId: first, now: at(31) }))).toMatch(
      /That round is over/
    );
    const machineId = uuid();
    await addMachine(
      on.book.sql,
      on.book.team,
      on.book.personId,
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
    const other = { ...on.input([{ check: 'kill-switch' }], first), machineId };
    expect(await refusedWith(on.send('round.answer', other, at(32)))).toMatch(/That round is over/);
  });

  it('struck out it does not count, and takes what it found along', async () => {
    const roundId = await on.answer([...WHOLE, { check: 'coolant', said: 'wrong' }]);
    await on.send('round.strike', { roundId, reason: 'another bike' }, at(25));
    expect((await on.sheet()).round).toBeNull();
    expect(await on.findings()).toMatchObject([{ closed: true, closed_word: 'Struck out: another bike' }]);
  });

  it('dirt proposes its task more often, once', async () => {
    const very = { check: 'engine-oil', choice: 'topped up to it' };
    const roundId = await on.answer([very]);
    await on.answer([very], { roundId });
    expect(
      await on.book.sql`select reason, from_amount, to_amount < from_amount as less from interval_proposal`
    ).toEqual([{ reason: 'Engine oil level: topped up to it', from_amount: 1500, less: true }]);
  });
});
