import { describe, expect, it } from 'vitest';
import { KINDS } from '../machine/machine';
import { untyped, readAnswer, type TypedAnswer } from './answer';
import { STATIONS, type Check } from './check';
import { LIBRARY } from './library';
import { checksOf, costOf } from './lists';
import { looksLeft, roundStand, soonerOf, type Given } from './stand';

const bike = checksOf('four-stroke motocross', 'ready');
let n = 0;
const given = (key: string, typed: Partial<TypedAnswer> = {}, by = 'Jory'): Given => {
  const check = LIBRARY.find((c) => c.key === key)!;
  const r = readAnswer(check, null, { ...untyped(key), ...typed });
  if (!r.ok) throw new Error(JSON.stringify(r.errors));
  return { ...r.answer, id: String(++n), by, at: n };
};
const wellWith = (c: Check): Given =>
  given(c.key, {
    found: c.how === 'measure' ? '10 mm'.replace('mm', c.unit) : '',
    choice: c.how === 'choose' ? c.choices[0]!.word : '',
    count: c.how === 'count' ? '5' : ''
  });

describe('the library', () => {
  it('has something for every kind of machine, each key once, each station with something to look at', () => {
    expect(new Set(LIBRARY.map((c) => c.key)).size).toBe(LIBRARY.length);
    for (const kind of KINDS) {
      expect(checksOf(kind, 'ready').length).toBeGreaterThan(12);
      expect(checksOf(kind, 'washed').length).toBeGreaterThan(3);
      expect(new Set(checksOf(kind, 'ready').map((c) => c.station))).toEqual(new Set(STATIONS));
    }
  });
  it('asks a machine for nothing it does not have', () => {
    const keys = (kind: (typeof KINDS)[number]) => checksOf(kind, 'ready').map((c) => c.key);
    for (const key of ['fork-seals', 'chain', 'clutch-play', 'chain-slack'])
      expect(keys('utility quad')).not.toContain(key);
    for (const key of ['air-filter', 'engine-oil', 'plug', 'fuel', 'clutch-play', 'coolant'])
      expect(keys('electric')).not.toContain(key);
    expect(keys('electric')).toContain('battery');
    expect(keys('two-stroke motocross')).not.toContain('engine-oil');
    expect(keys('sport quad')).toContain('grease-points');
    expect(keys('four-stroke motocross')).not.toContain('lights');
  });
  it('what is all well takes at most fifteen taps, a quad with its two tyres more two more: a press a station for looks, one for each number and choice', () => {
    for (const kind of KINDS) {
      const checks = checksOf(kind, 'ready');
      expect(costOf(checks).taps, kind).toBeLessThanOrEqual(kind.endsWith('quad') ? 17 : 15);
    }
  });
});

describe('where a round stands', () => {
  it('begins with everything open, the first at the front', () => {
    const s = roundStand(bike, [], {});
    expect(s.open).toHaveLength(bike.length);
    expect(s.next!.check.station).toBe('At the front');
    expect(s.minutesLeft).toBeCloseTo(bike.reduce((m, c) => m + c.minutes, 0));
  });
  it('is done when each has an answer; what is wrong or passed over is told apart', () => {
    const all = bike.map(wellWith);
    expect(roundStand(bike, all, {})).toMatchObject({
      open: [],
      wrong: [],
      passedOver: [],
      next: null,
      minutesLeft: 0
    });
    const s = roundStand(
      bike,
      [...all, given('fork-seals', { said: 'wrong' }), given('plug', { said: 'passed over', note: 'hot' })],
      {}
    );
    expect(s.wrong.map((i) => i.check.key)).toEqual(['fork-seals']);
    expect(s.passedOver.map((i) => i.check.key)).toEqual(['plug']);
  });
  it('the latest answer counts, and what somebody else had said is kept in sight', () => {
    const s = roundStand(
      bike,
      [given('fork-seals', { said: 'wrong' }, 'Anwen'), given('fork-seals', {}, 'Jory')],
      {}
    );
    const item = s.items.find((i) => i.check.key === 'fork-seals')!;
    expect(item.judged!.well).toBe(true);
    expect(item.otherwise!.by).toBe('Anwen');
    // The same said twice is no disagreement.
    const two = roundStand(bike, [given('fork-seals', {}, 'Anwen'), given('fork-seals', {}, 'Jory')], {});
    expect(two.items.find((i) => i.check.key === 'fork-seals')!.otherwise).toBeNull();
  });
  it('of a check that this kind of machine does not have nothing is said', () => {
    const s = roundStand(checksOf('electric', 'ready'), [given('plug', { said: 'wrong' })], {});
    expect(s.wrong).toEqual([]);
    expect(s.items.some((i) => i.check.key === 'plug')).toBe(false);
  });
  it('only looks may be as they should be all at once, and only those nobody has looked at', () => {
    const front = roundStand(bike, [given('fork-seals', { said: 'wrong' })], {}).stations[0]!.items;
    const left = looksLeft(front).map((c) => c.key);
    expect(left).not.toContain('fork-seals');
    expect(left).not.toContain('front-tyre');

    expect(left).toContain('steering-head');
  });
  it('dirt and a dry grease point speak for doing it sooner', () => {
    const s = roundStand(
      checksOf('sport quad', 'ready'),
      [
        given('air-filter', { choice: 'very dirty, changed' }),
        given('grease-points', { count: '20', dry: true })
      ],
      {}
    );
    expect(soonerOf(s)).toEqual([
      { task: 'Air filter', reason: 'Air filter: very dirty, changed' },
      { task: 'Grease', reason: 'Grease points: 20 pumps, it was dry' }
    ]);
    expect(soonerOf(roundStand(bike, [given('air-filter', { choice: 'clean and oiled' })], {}))).toEqual([]);
  });
});
