import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { ChainBook } from '../../../../tests/database/chains';
import { refused } from '../../../../tests/database/refused';
import { slackStand } from '../../core/chain/check';
import { chainLengthSchema, chainLookSchema, chainReplaceSchema } from '../../core/chain/form';
import { chainNow, nextWithin, setWear } from '../../core/chain/sheet';
import { readStandings } from '../trail/lanes';

/** Of a set of which nothing is replaced yet. */
const NOTHING = {
  chain: null,
  front: null,
  rear: null,
  was: { chain: null, front: null, rear: null },
  old: 'scrapped',
  reason: 'worn out'
};
let on: ChainBook;
beforeEach(async () => {
  on = await ChainBook.open();
});
afterEach(() => on.book.close());

describe('a chain', () => {
  const grown = (measured: string, now: Date, sure = false) =>
    on.send(
      'chain.length',
      chainLengthSchema.parse({ id: uuid(), machineId: on.book.machineId, measured, pitches: '20', sure }),
      now
    );

  it('is measured over pitches; a miscount is refused at its field', async () => {
    expect(await refused(grown('318', at(24)))).toMatchObject({
      pitches: expect.stringContaining('not on the spec sheet')
    });
    await on.figure('chain pitch', '15.875 mm');
    expect(await refused(grown('303', at(24)))).toMatchObject({
      measured: expect.stringContaining('about 19 pitches')
    });
    // One pitch too many over twenty is 5 %: asked about, and taken once somebody has counted again.
    expect(await refused(grown('333.4', at(24)))).toMatchObject({
      measured: expect.stringContaining('over 21 it would be 0.0 %')
    });
    await grown('12 17/32 in', at(24));
    expect(await on.rows('chain_entry')).toMatchObject([
      { kind: 'length', content: { pitches: 20, pitch: 15.875 } }
    ]);
    // 12.53125 in are 318.29 mm of 317.5: a quarter of a percent.
    expect((await on.sheet()).lengths[0]!.grown).toBeCloseTo(0.25, 3);
  });

  it('grows by hours of its own, mud told apart, and sets a stake where it ends sooner than the book says', async () => {
    await on.figure('chain pitch', '15.875 mm');
    const taskId = await on.task('100');
    // 317.5 new; 320.04 is 0.8 %, 321.31 is 1.2 %.
    await grown('320.04', at(0));
    await on.book.log('48.4', { day: '2026-06-12', outing: 'ride', conditions: ['mud'], sure: true }, at(48));
    await grown('321.31', at(49));
    const wear = setWear(await on.sheet());
    expect(wear.chain.rate).toBeCloseTo(0.04, 4);
    expect(wear.chain.latest).toMatchObject({ mud: 10, outings: 1 });
    // 0.3 % to go at 0.04 % an hour.
    expect(wear.ahead!.likely).toBeCloseTo(7.5, 3);
    expect(nextWithin(wear)).toBe(750);
    const checkId = await on.measure([['found', 40]], at(50));
    await on.close(checkId, { taskId }, at(50));
    const [standing] = await readStandings(on.book.sql, on.book.team, [on.book.machineId]);
    expect(standing!.tasks.find((t) => t.id === taskId)!.triggers[0]).toMatchObject({
      due: 750,
      book: 10_000
    });
  });

  it('that is named only now takes over what was measured of it; a new one begins anew', async () => {
    await on.figure('chain pitch', '15.875 mm');
    await grown('324', at(0));
    await on.send(
      'chain.look',
      chainLookSchema.parse({
        id: uuid(),
        machineId: on.book.machineId,
        front: 'hooked',
        rear: null,
        joint: null,
        stiff: '',
        guides: null,
        note: ''
      })
    );
    const chain = await on.name('chain');
    const sprockets = await on.name('sprockets');
    expect((await on.sheet()).lengths).toHaveLength(1);
    expect(await on.rows('chain_entry')).toMatchObject([{ component_id: chain }, { component_id: chain }]);
    const [next, rear] = [uuid(), uuid()];
    await on.send(
      'chain.replace',
      chainReplaceSchema.parse({
        machineId: on.book.machineId,
        chain: { id: next, name: 'Chain, 116 links', links: '116', halfLink: false },
        front: null,
        rear: { id: rear, name: 'Rear sprocket, 52', teeth: '52' },
        was: { chain, front: sprockets, rear: sprockets },
        old: 'scrapped',
        reason: 'worn out'
      }),
      at(26)
    );
    const s = await on.sheet();
    expect(s).toMatchObject({
      chain: { id: next },
      rear: { id: rear },
      front: null,
      lengths: [],
      drive: { rear: 52, links: 116 }
    });
    // What was wrong with what came off is over.
    expect((await on.rows('finding')).map((f) => [f.what, f.closed_word]).sort()).toEqual([
      ['Chain worn out: 2.05 % longer than new, 1.50 % is the end', 'A new one is on: worn out'],
      ['Teeth of the front sprocket hooked', '']
    ]);
    const parts = await on.rows('component');
    expect(
      parts
        .filter((p) => p.scrapped_at)
        .map((p) => p.id)
        .sort()
    ).toEqual([chain, sprockets].sort());
  });

  it('of which something is wrong by its look is a finding, once', async () => {
    const look = () =>
      on.send(
        'chain.look',
        chainLookSchema.parse({
          id: uuid(),
          machineId: on.book.machineId,
          front: 'rounded',
          rear: 'hooked',
          joint: 'clip, wrong way round',
          stiff: '0',
          guides: 'good',
          note: ''
        })
      );
    await look();
    await look();
    expect((await on.rows('finding')).map((f) => f.what).sort()).toEqual([
      'Clip of the joining link sits the wrong way round: its closed end leads',
      'Teeth of the rear sprocket hooked'
    ]);
    expect(setWear(await on.sheet()).replace).toMatchObject({ chain: true, front: true, rear: true });
  });

  it('is dressed, and what it ran through since is told; struck out it was not', async () => {
    const id = uuid();
    await on.send(
      'chain.dress',
      { id, machineId: on.book.machineId, cleaned: true, dressing: 'lube' },
      at(0)
    );
    await on.book.log(
      '40.4',
      { day: '2026-06-12', outing: 'ride', conditions: ['mud', 'cold'], sure: true },
      at(48)
    );
    const s = await on.sheet();
    expect(s.dressings).toMatchObject([{ cleaned: true, dressing: 'lube' }]);
    expect(s.since).toMatchObject({
      outings: 1,
      grounds: [
        { ground: 'mud', hours: 2 },
        { ground: 'cold', hours: 2 }
      ]
    });
    expect(s.since!.hours).toBeCloseTo(2, 6);
    await on.send('chain.strike-entry', { entryId: id, reason: 'the other bike' });
    expect(await on.sheet()).toMatchObject({ dressings: [], since: null });
  });

  it('of an empty sheet says nothing that is not known', async () => {
    const bare = { ...(await on.sheet()), figures: [] };
    const now = chainNow(bare);
    expect(now).toMatchObject({ wanted: null, tight: null, toLeave: null, advice: null, slack: null });
    expect(now.missing[0]!.key).toBe('front sprocket');
    expect(setWear(bare)).toMatchObject({ ends: null, ahead: null, replace: null });
    expect(slackStand([], null).verdict).toBe('not measured');
  });

  it('keeps its latest thousand entries in sight, not its first', async () => {
    await on.figure('chain pitch', '15.875 mm');
    await on.book.sql`
      insert into chain_entry (team_id, id, machine_id, kind, content, at, by)
      select ${on.book.team.id}, gen_random_uuid(), ${on.book.machineId}, 'dressing', '{"v":1,"cleaned":true,"dressing":"lube"}', ${at(-5000)}::timestamptz + n * interval '1 hour', ${on.book.personId}
      from generate_series(1, 1100) n`;
    await grown('320', at(24));
    expect((await on.sheet()).lengths).toHaveLength(1);
  });

  it('one sprocket new, the other still looks as it did; a new chain on old teeth does not make them new', async () => {
    const look = (front: string, rear: string) =>
      on.send(
        'chain.look',
        chainLookSchema.parse({
          id: uuid(),
          machineId: on.book.machineId,
          front,
          rear,
          joint: 'riveted',
          stiff: '2',
          guides: 'good',
          note: ''
        }),
        at(1)
      );
    await look('thin', 'hooked');
    const replace = (parts: object, now: Date) =>
      on.send(
        'chain.replace',
        chainReplaceSchema.parse({ ...NOTHING, machineId: on.book.machineId, ...parts }),
        now
      );
    const front = { id: uuid(), name: 'Front sprocket, 13', teeth: '13' };
    await replace({ front }, at(2));
    expect((await on.sheet()).looks[0]).toMatchObject({ front: 'as new', rear: 'hooked', stiff: 2 });
    expect(setWear(await on.sheet()).replace).not.toBeNull();
    const chain = { id: uuid(), name: 'Chain', links: '114', halfLink: false };
    await replace({ chain, was: { ...NOTHING.was, front: front.id } }, at(3));
    expect((await on.sheet()).looks[0]).toMatchObject({
      front: 'as new',
      rear: 'hooked',
      joint: null,
      stiff: null,
      guides: 'good'
    });
  });

  it('is replaced once by two who do it at the same moment', async () => {
    const one = () =>
      on.send(
        'chain.replace',
        chainReplaceSchema.parse({
          ...NOTHING,
          machineId: on.book.machineId,
          chain: { id: uuid(), name: 'Chain', links: '114', halfLink: false }
        }),
        at(26)
      );
    const both = await Promise.allSettled([one(), one()]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(await on.rows('component')).toHaveLength(1);
  });

  it('measured by mistake and struck out is not worn out any more', async () => {
    await on.figure('chain pitch', '15.875 mm');
    await grown('324', at(24));
    const [entry] = await on.rows('chain_entry');
    await on.send('chain.strike-entry', { entryId: entry!.id, reason: 'one pitch too many' });
    expect(await on.rows('finding')).toMatchObject([{ closed_word: 'Struck out: one pitch too many' }]);
  });
});
