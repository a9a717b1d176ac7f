import fc from 'fast-check';
import { expect, it } from 'vitest';
import { EVERYTHING, readNotice, readTold, together, type Told } from './told';

const TEAM = '58c0ac6f-d225-46d1-a779-acebd3f0cbd8';
const told = (kinds: string[], places: string[] = []): Told => ({ kinds, places, all: false });

it('a notice says its team, its kind and its place', () => {
  expect(readNotice(`${TEAM} visit.enter ${TEAM}`)).toEqual({ team: TEAM, kind: 'visit.enter', place: TEAM });
  expect(readNotice(`${TEAM} rule.set `)).toEqual({ team: TEAM, kind: 'rule.set', place: null });
  expect(readNotice(`${TEAM} proposal.back-to-book`)).toMatchObject({ kind: 'proposal.back-to-book' });
  // Where a body says nonsense for a place, that is no place.
  expect(readNotice(`${TEAM} visit.enter <script>`)).toMatchObject({ place: null });
  for (const other of ['', 'x', `${TEAM}`, `x visit.enter`, `${TEAM} VISIT`])
    expect(readNotice(other)).toBeNull();
});
it('several at once are one', () => {
  expect(together(null, told(['a.b']))).toEqual(told(['a.b']));
  expect(together(told(['a.b'], ['1']), told(['a.b', 'c.d'], ['2']))).toEqual(
    told(['a.b', 'c.d'], ['1', '2'])
  );
  expect(together(told(['a.b']), EVERYTHING)).toBe(EVERYTHING);
});
it('goes over the line as it is; what cannot be read means anything', () => {
  fc.assert(
    fc.property(fc.array(fc.string()), fc.array(fc.string()), (kinds, places) => {
      expect(readTold(JSON.stringify(told(kinds, places)))).toEqual(told(kinds, places));
    })
  );
  for (const odd of ['', 'null', '{}', '{"kinds":[1],"places":[],"all":false}', JSON.stringify(EVERYTHING)])
    expect(readTold(odd)).toEqual(EVERYTHING);
});
