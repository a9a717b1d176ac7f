import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KINDS } from '../machine/machine';
import { STATIONS } from './check';
import { added, askedAt, blankCheck, done, HOWS, moved, onKind, onList, readAlong } from './edit';
import {
  AS_IT_CAME,
  asked,
  checksOf,
  costOf,
  listProblems,
  readChecks,
  roundChecks,
  writeChecks,
  type RoundCheck
} from './lists';

const AT = { kind: 'sport quad', list: 'ready' } as const;
const keys = (checks: readonly RoundCheck[]) => checks.map((c) => c.key);
const named = (more: object = {}): RoundCheck => ({
  ...blankCheck(AS_IT_CAME, { ...AT, station: 'At the rear' }),
  title: 'Grab bar',
  wrong: 'Grab bar',
  ...(more as object)
});
const messages = (list: readonly RoundCheck[]) =>
  listProblems(list).map((p) => `${p.path.join('.')}: ${p.message}`);

describe('what is checked, as data', () => {
  it('as it came it can be saved and read again, and nothing is wrong with it', () => {
    expect(roundChecks.safeParse(AS_IT_CAME).error?.issues ?? []).toEqual([]);
    expect(readChecks(JSON.parse(JSON.stringify(writeChecks(AS_IT_CAME))))).toEqual(
      JSON.parse(JSON.stringify(AS_IT_CAME))
    );
    expect(() => readChecks({ v: 9 })).toThrow(/cannot be read/);
  });
  it('is asked station by station, each in the order of the list', () => {
    for (const kind of KINDS) {
      const at = checksOf(kind, 'ready').map((c) => STATIONS.indexOf(c.station));
      expect(at).toEqual([...at].sort((a, b) => a - b));
    }
    const late = [...AS_IT_CAME, named({ station: 'At the front' })];
    expect(keys(asked(late, 'sport quad', 'ready').filter((c) => c.station === 'At the front')).at(-1)).toBe(
      'own-1'
    );
  });
  it('reads every tyre by itself: two on a bike, four on a quad', () => {
    const tyres = (kind: (typeof KINDS)[number]) =>
      checksOf(kind, 'ready').flatMap((c) => (c.key.includes('tyre') ? [c.key] : []));
    expect(tyres('youth bike')).toEqual(['front-tyre', 'rear-tyre']);
    for (const kind of ['sport quad', 'utility quad'] as const)
      expect(tyres(kind)).toEqual([
        'front-tyre-left',
        'front-tyre-right',
        'rear-tyre-left',
        'rear-tyre-right'
      ]);
  });
  it('says two of one key, a choice nobody can pass, two answers alike, a band that runs backwards, words for a number', () => {
    const choose = done(named(), 'choose');
    expect(messages([named(), named()])).toEqual(['1.key: Check 1 has that key too.']);
    expect(
      messages([
        {
          ...choose,
          choices: [
            { word: 'a', wrong: 'watch' },
            { word: 'A', wrong: 'watch' }
          ]
        } as RoundCheck
      ])
    ).toEqual(['0.choices: One of them is as it should be.', '0.choices: Two of them read alike.']);
    const measure = done(named(), 'measure');
    expect(messages([{ ...measure, from: 9, to: 2 } as RoundCheck])).toEqual([
      '0.from: The band runs backwards.'
    ]);
    expect(messages([{ ...measure, figure: 'spark plug' } as RoundCheck])[0]).toMatch(/not read off a gauge/);
    expect(messages([{ ...measure, figure: 'front tyre pressure' } as RoundCheck])[0]).toMatch(
      /does not measure/
    );
    expect(messages([{ ...named(), off: true }])).toEqual([': At least one thing is looked at.']);
  });
  it('a check without a name, on no machine, or in a torque round is refused', () => {
    const bad = (more: object) => roundChecks.safeParse([{ ...named(), ...more }]).success;
    expect(bad({})).toBe(true);
    expect(
      [
        { title: '' },
        { kinds: [] },
        { lists: ['torque'] },
        { minutes: -1 },
        { minutes: 500 },
        { how: 'torque' }
      ].map(bad)
    ).toEqual(Array(6).fill(false));
  });
});

describe('changing it', () => {
  it('a new one has a key of its own, and stands last at its station', () => {
    const one = added(AS_IT_CAME, named());
    const two = blankCheck(one, { ...AT, station: 'At the rear' });
    expect(two.key).toBe('own-2');
    expect(keys(asked(one, 'sport quad', 'ready').filter((c) => c.station === 'At the rear')).at(-1)).toBe(
      'own-1'
    );
  });
  it('moves past its neighbour on that machine, over whatever other kinds have in between', () => {
    const before = keys(asked(AS_IT_CAME, 'sport quad', 'ready').filter((c) => c.station === 'At the rear'));
    const after = keys(
      asked(moved(AS_IT_CAME, before[1]!, -1, AT), 'sport quad', 'ready').filter(
        (c) => c.station === 'At the rear'
      )
    );
    expect(after).toEqual([before[1], before[0], ...before.slice(2)]);
    // The first does not go further up, and what is not there does not move.
    expect(moved(AS_IT_CAME, before[0]!, -1, AT)).toEqual([...AS_IT_CAME]);
    expect(moved(AS_IT_CAME, 'nothing', 1, AT)).toEqual([...AS_IT_CAME]);
  });
  it('off the last kind it is off, and on again where it is wanted', () => {
    const quad = AS_IT_CAME.find((c) => c.key === 'parking-brake')!;
    const one = onKind(quad, 'sport quad', false);
    expect(one.kinds).toEqual(['utility quad']);
    const none = onKind(one, 'utility quad', false);
    expect(none.off).toBe(true);
    expect(roundChecks.safeParse([...AS_IT_CAME.filter((c) => c.key !== quad.key), none]).success).toBe(true);
    expect(onKind(none, 'electric', true)).toMatchObject({ off: false, kinds: ['electric'] });
  });
  it('left out of one round of one kind, every other kind and round asks for it as before', () => {
    const pairs = (c: RoundCheck) =>
      KINDS.flatMap((kind) =>
        (['ready', 'washed'] as const)
          .filter((list) => asked([c], kind, list).length > 0)
          .map((list) => `${kind} ${list}`)
      );
    for (const check of AS_IT_CAME)
      for (const kind of KINDS)
        for (const list of ['ready', 'washed'] as const) {
          const before = pairs(check);
          const pair = `${kind} ${list}`;
          const [off, on] = [askedAt(check, { kind, list }, false), askedAt(check, { kind, list }, true)];
          expect([check.key, pair, pairs(off)]).toEqual([check.key, pair, before.filter((x) => x !== pair)]);
          expect([...pairs(on)].sort()).toEqual([...new Set([...before, pair])].sort());
          expect(
            roundChecks.safeParse([
              { ...off, off: false },
              { ...on, key: 'b' }
            ]).error?.issues ?? []
          ).toEqual([]);
          // And back again it is as it was.
          expect(pairs(askedAt(off, { kind, list }, true))).toEqual(pairs(on));
        }
  });
  it('a kind or a round taken as a whole forgets what was left out of it', () => {
    const seals = AS_IT_CAME.find((c) => c.key === 'fork-seals')!;
    const but = askedAt(seals, { kind: 'youth bike', list: 'washed' }, false);
    expect(asked([but], 'youth bike', 'washed')).toEqual([]);
    expect(asked([onList(but, 'washed', true)], 'youth bike', 'washed')).toHaveLength(1);
    expect(asked([onKind(but, 'youth bike', true)], 'youth bike', 'washed')).toHaveLength(1);
    expect(onList(onList(but, 'washed', false), 'ready', false).lists).toEqual(['ready']);
  });
  it('done in another way it is still a check that can be saved', () => {
    for (const c of AS_IT_CAME)
      for (const how of HOWS) {
        const turned = done(c, how);
        expect([c.key, how, roundChecks.safeParse([turned]).success]).toEqual([c.key, how, true]);
        expect(turned).toMatchObject({ key: c.key, how });
      }
    // The number it was read against goes along.
    expect(
      done(
        AS_IT_CAME.find((c) => c.key === 'plug')!,
        'measure'
      )
    ).toMatchObject({ figure: 'plug gap' });
  });
  it('a number is read along or not', () => {
    const look = named();
    expect(readAlong(look, true)).toHaveProperty('reads');
    expect(readAlong(readAlong(look, true), false)).not.toHaveProperty('reads');
  });
  it('no order of moves loses a check or makes one twice', () => {
    const all = [...keys(AS_IT_CAME)].sort();
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom(...keys(AS_IT_CAME)),
            fc.constantFrom(1 as const, -1 as const),
            fc.constantFrom(...KINDS)
          ),
          {
            maxLength: 30
          }
        ),
        (moves) => {
          let list: RoundCheck[] = [...AS_IT_CAME];
          for (const [key, by, kind] of moves) list = moved(list, key, by, { kind, list: 'ready' });
          expect([...keys(list)].sort()).toEqual(all);
        }
      )
    );
  });
  it('costs a press a station for looks and one for each of the others', () => {
    expect(costOf([])).toEqual({ taps: 0, minutes: 0 });
    const [a, b] = [named(), { ...named(), key: 'b', minutes: 1 }];
    expect(costOf([a, b])).toEqual({ taps: 1, minutes: 1.5 });
    expect(costOf([a, done(b, 'measure')])).toEqual({ taps: 2, minutes: 1.5 });
  });
});
