import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { RoundBook } from '../../../../tests/database/rounds';

let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

describe('a finding by hand', () => {
  const make = async () => {
    await on.answer([{ check: 'coolant', said: 'wrong' }]);
    return (await on.book.sql`select id from finding`)[0]!.id as string;
  };
  it('two close it differently: the second is told what the first wrote', async () => {
    const findingId = await make();
    const close = (word: string, how: 'done' | 'as it was' = 'done') =>
      on.send('finding.close', { findingId, how, word }, at(26));
    await close('hose clamp tightened');
    await close('hose clamp tightened');
    expect(await refused(close('weeps since spring', 'as it was'))).toEqual({
      word: 'Wren Oddie closed it: “hose clamp tightened”. What you write here is not kept.'
    });
  });
  it('of a brake is not put right with a fluid the machine does not take, or nobody knows', async () => {
    await on.answer([{ check: 'front-brake', said: 'wrong', note: 'fluid low' }]);
    const findingId = (await on.book.sql`select id from finding`)[0]!.id as string;
    const close = (word: string, how: 'done' | 'owner told' = 'done') =>
      on.send('finding.close', { findingId, how, word }, at(26));
    expect((await refused(close('topped up, DOT 4')))['word']).toMatch(/not on its sheet/);
    await on.figure('brake fluid', 'mineral');
    expect((await refused(close('topped up, DOT 4')))['word']).toMatch(/^The sheet names mineral/);
    expect(await on.findings()).toMatchObject([{ closed: false }]);
    await close('topped up with mineral, pads new');
    expect(await on.findings()).toMatchObject([{ closed_how: 'done' }]);
  });
  it('waits for a part, then for another; closed, nothing waits', async () => {
    const findingId = await make();
    const wait = (part: string, expectedOn: string | null = null) =>
      on.send(
        'finding.wait',
        { id: uuid(), findingId, waitsFor: 'a part to arrive', part, expectedOn },
        at(26)
      );
    await wait('hose');
    await wait('hose and clamp');
    expect(await on.book.sql`select part from reminder where done_at is null`).toEqual([
      { part: 'hose and clamp' }
    ]);
    await on.send('finding.close', { findingId, how: 'owner told', word: 'he brings one' }, at(27));
    expect(await on.book.sql`select part from reminder where done_at is null`).toEqual([]);
    expect(await on.findings()).toMatchObject([{ closed_how: 'owner told' }]);
    expect(await refusedWith(wait('x'))).toMatch(/closed already/);
  });
});
