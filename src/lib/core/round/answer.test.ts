import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseBand, type Band } from '../quantity/band';
import { quantity, show } from '../quantity/quantity';
import { readAnswer, untyped, type TypedAnswer } from './answer';
import { likelyReadings, unitShown, withUnit } from './gauge';
import { judgeAnswer } from './judge';
import type { Check, Choose, Count, Look, Measure } from './check';
import { LIBRARY } from './library';

const check = <T extends Check>(key: string) => LIBRARY.find((c) => c.key === key) as T;
const tyre = check<Measure>('front-tyre');
const brake = check<Look>('front-brake');
describe('a brake', () => {
  const said = (more: Partial<TypedAnswer>, sheet: string | null) =>
    readAnswer(brake, null, { ...untyped('front-brake'), ...more }, sheet);
  it('with another fluid in it than the sheet names is never well, and wrong it is parked', () => {
    expect(said({ note: 'topped up, DOT 4' }, 'mineral')).toMatchObject({
      errors: { note: expect.stringMatching(/^The sheet names mineral/) }
    });
    expect(said({ said: 'wrong', severity: 'watch', note: 'DOT 4 went in' }, 'mineral')).toMatchObject({
      answer: { said: 'wrong', severity: 'park the machine' }
    });
  });
  it('topped up with what it takes is well', () => {
    expect(said({ note: 'topped up, mineral' }, 'mineral')).toMatchObject({ ok: true });
  });
});
const clutch = check<Measure>('clutch-play');
const filter = check<Choose>('air-filter');
const grease = check<Count>('grease-points');
const fork = check<Look>('fork-seals');
const band = (text: string): Band => {
  const parsed = parseBand(text, { dimension: /mm/.test(text) ? 'length' : 'pressure' });
  if (!parsed.ok) throw new Error(parsed.problem.message);
  return parsed.band;
};
const KPA = band('80–100 kPa');
const read = (c: Check, b: Band | null, typed: Partial<TypedAnswer>) =>
  readAnswer(c, b, { ...untyped(c.key), ...typed });
const errors = (c: Check, b: Band | null, typed: Partial<TypedAnswer>) => {
  const r = read(c, b, typed);
  return r.ok ? null : r.errors;
};
const judged = (c: Check, b: Band | null, typed: Partial<TypedAnswer>) => {
  const r = read(c, b, typed);
  if (!r.ok) throw new Error(JSON.stringify(r.errors));
  return judgeAnswer(c, r.answer, b);
};

describe('a number at a check', () => {
  it('passes inside its band, in whatever unit it was read', () => {
    expect(judged(tyre, KPA, { found: '90' })).toEqual({ well: true, words: '90 kPa', finding: null });
    // 13 psi is 89.6 kPa.
    expect(judged(tyre, KPA, { found: '13 psi' })).toMatchObject({ well: true, words: '13 psi' });
  });
  it('never passes without the number', () => {
    expect(errors(tyre, KPA, {})).toEqual({ found: 'A pass needs its number: what does the gauge show?' });
  });
  it('found low and set is as it should be, and both are said', () => {
    expect(judged(tyre, KPA, { found: '60', set: '90' })).toEqual({
      well: true,
      words: 'found 60 kPa, set to 90 kPa',
      finding: null
    });
  });
  it('left outside is a finding, but for a reason that is said', () => {
    expect(judged(tyre, KPA, { found: '60', said: 'wrong' }).finding).toEqual({
      what: 'Front tyre pressure: 60 kPa, too little, 80–100 kPa is wanted',
      severity: 'fix now',
      note: '',
      closed: null
    });
    // Said to be well, it is not: the band decides.
    expect(judged(tyre, KPA, { found: '110' }).finding!.what).toBe(
      'Front tyre pressure: 110 kPa, too much, 80–100 kPa is wanted'
    );
    expect(judged(tyre, KPA, { found: '90', set: '75', note: 'soft sand, the rider wants it' })).toEqual({
      well: true,
      words: 'found 90 kPa, set to 75 kPa: soft sand, the rider wants it',
      finding: null
    });
  });
  it('a flat tyre was found at nothing, and is set to nothing by nobody', () => {
    expect(judged(tyre, KPA, { found: '0', set: '90' }).well).toBe(true);
    expect(errors(tyre, KPA, { found: '60', set: '0' })).toHaveProperty('set');
    expect(errors(tyre, KPA, { found: '-5' })).toHaveProperty('found');
  });
  it('questions bar, psi and kPa that were taken for one another', () => {
    // 12 psi is 83 kPa, 0.9 bar is 90; 90 psi would be 620 kPa.
    expect(errors(tyre, KPA, { found: '12' })!.found).toMatch(/^12 kPa\? 12 psi would be within 80–100 kPa/);
    expect(errors(tyre, KPA, { found: '0.9' })!.found).toMatch(/0\.9 bar would be within/);
    expect(errors(tyre, band('12–15 psi'), { found: '90' })!.found).toMatch(/90 kPa would be within/);
    expect(errors(tyre, KPA, { found: '90 psi' })!.found).toMatch(/more than there can be/);
    // Said with its unit it is believed: 12 kPa is a tyre that has lost its air.
    expect(judged(tyre, KPA, { found: '12 kPa', said: 'wrong' }).well).toBe(false);
  });
  it('asks for the unit of a number that is too little, where no sheet tells', () => {
    expect(errors(tyre, null, { found: '13' })!.found).toMatch(
      /13 kPa is less than there can be\. Write the unit/
    );
    expect(judged(tyre, null, { found: '13 psi' }).words).toBe('13 psi');
    expect(judged(tyre, null, { found: '0', set: '90' }).well).toBe(true);
  });
  it('takes a naked number in the unit of the sheet, and without a sheet in the usual one', () => {
    expect(judged(tyre, band('12–15 psi'), { found: '13' }).words).toBe('13 psi');
    expect(judged(tyre, null, { found: '90' })).toMatchObject({ well: true, words: '90 kPa' });
  });
  it('play wider than a lever goes is refused; none at all is a finding', () => {
    expect(errors(clutch, band('2–4 mm'), { found: '300' })!.found).toMatch(/more than there can be/);
    expect(judged(clutch, band('2–4 mm'), { found: '0' }).finding!.what).toMatch(/0 mm, too little/);
  });
});

describe('what is chosen, counted and looked at', () => {
  it('a choice says by itself whether it is well', () => {
    expect(judged(filter, null, { choice: 'clean and oiled' })).toMatchObject({ well: true, finding: null });
    expect(judged(filter, null, { choice: 'torn or unseated' }).finding).toEqual({
      what: 'Air filter: torn or unseated',
      severity: 'park the machine',
      note: '',
      closed: null
    });
    expect(errors(filter, null, { choice: 'lovely' })!.choice).toMatch(/^One of: clean and oiled, /);
  });
  it('pumps are counted; four hundred are another fault', () => {
    expect(judged(grease, null, { count: '6' })).toEqual({ well: true, words: '6 pumps', finding: null });
    expect(judged(grease, null, { count: '14', dry: true }).finding).toEqual({
      what: 'Grease points: 14 pumps, it was dry',
      severity: 'watch',
      note: '',
      closed: null
    });
    expect(errors(grease, null, { count: '400' })!.count).toMatch(/More than 60 pumps/);
    expect(errors(grease, null, { count: '' })).toHaveProperty('count');
  });
  it('a look that is wrong says what, and how grave somebody thinks it', () => {
    expect(judged(fork, null, {})).toMatchObject({ well: true, words: 'as it should be' });
    expect(judged(fork, null, { said: 'wrong', note: 'right one', severity: 'watch' }).finding).toEqual({
      what: 'Fork seal weeps: right one',
      severity: 'watch',
      note: '',
      closed: null
    });
    expect(judged(fork, null, { said: 'wrong' }).finding).toMatchObject({
      what: 'Fork seal weeps',
      severity: 'fix now'
    });
  });
  it('something else that is wrong with it is said in words, and needs no number', () => {
    expect(errors(tyre, KPA, { said: 'wrong' })).toEqual({ note: 'Say what is wrong, in a few words.' });
    expect(judged(tyre, KPA, { said: 'wrong', note: 'nail in it', severity: 'park the machine' })).toEqual({
      well: false,
      words: 'wrong: nail in it',
      finding: {
        what: 'Front tyre pressure: nail in it',
        severity: 'park the machine',
        note: '',
        closed: null
      }
    });
    expect(judged(filter, null, { said: 'wrong', note: 'box cracked' }).finding!.what).toBe(
      'Air filter: box cracked'
    );
    expect(judged(grease, null, { said: 'wrong', note: 'nipple gone' }).finding!.what).toBe(
      'Grease points: nipple gone'
    );
  });
  it('passed over needs a word; what is not there needs none', () => {
    expect(errors(fork, null, { said: 'passed over' })).toHaveProperty('note');
    expect(judged(fork, null, { said: 'none' })).toMatchObject({ well: true, finding: null });
    expect(judged(tyre, KPA, { said: 'passed over', note: 'gauge is in the van' }).well).toBe(true);
  });
});

describe('readings to tap', () => {
  it('lie a step of the gauge apart round the band', () => {
    expect(likelyReadings(tyre, KPA, null).map((q) => show(q))).toEqual([
      '80 kPa',
      '85 kPa',
      '90 kPa',
      '95 kPa',
      '100 kPa'
    ]);
    // Half a pound is what such a gauge tells.
    expect(likelyReadings(tyre, band('12–15 psi'), null).map((q) => q.value)).toEqual([
      12, 12.5, 13, 13.5, 14, 14.5, 15
    ]);
    // A wide band is gone through to its end.
    expect(likelyReadings(tyre, band('15–35 psi'), null).map((q) => q.value)).toEqual([15, 20, 25, 30, 35]);
    expect(likelyReadings(clutch, band('3 mm'), null).map((q) => q.value)).toEqual([2, 3, 4]);
    expect(likelyReadings(tyre, null, null)).toEqual([]);
    expect(likelyReadings(tyre, null, quantity(85, 'kPa')).map((q) => q.value)).toEqual([80, 85, 90]);
    // As it was read last: half a pound is a step of such a gauge.
    expect(likelyReadings(tyre, null, quantity(13, 'psi')).map((q) => show(q))).toEqual([
      '12.5 psi',
      '13 psi',
      '13.5 psi'
    ]);
  });
  it('each can be read back as it is shown, and there are never more than a thumb finds', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 250 }), fc.integer({ min: 0, max: 60 }), (from, wide) => {
        const b = band(`${from}–${Math.min(300, from + wide)} kPa`);
        const list = likelyReadings(tyre, b, null);
        expect(list.length).toBeGreaterThan(0);
        expect(list.length).toBeLessThanOrEqual(7);
        expect(list[0]!.base).toBeLessThanOrEqual(b.from!.base);
        expect(list.at(-1)!.base).toBeGreaterThanOrEqual((b.to ?? b.from)!.base);
        for (const q of list) expect(read(tyre, b, { found: show(q) }).ok).toBe(true);
      })
    );
  });
});

describe('the unit a gauge is read in', () => {
  it('is the sheet’s, else the last one, else the team’s', () => {
    expect(unitShown(tyre, band('12–15 psi'), null, 'metric')).toBe('psi');
    expect(unitShown(tyre, null, quantity(13, 'psi'), 'metric')).toBe('psi');
    expect(unitShown(tyre, null, null, 'imperial')).toBe('psi');
    expect(unitShown(clutch, null, null, 'imperial')).toBe('in');
    expect(unitShown(tyre, null, null, 'metric')).toBe('kPa');
  });
  it('goes with a naked number where it is not the one that has anyway', () => {
    expect(withUnit('13', 'psi', 'kPa')).toBe('13 psi');
    expect(withUnit(' 13 ', 'psi', 'kPa')).toBe('13 psi');
    expect(withUnit('90 kPa', 'psi', 'kPa')).toBe('90 kPa');
    expect(withUnit('90', 'kPa', 'kPa')).toBe('90');
    expect(withUnit('', 'psi', 'kPa')).toBe('');
    expect(judged(tyre, null, { found: withUnit('13', 'psi', 'kPa') }).words).toBe('13 psi');
  });
});

it('a finding is made exactly where something is not well', () => {
  const typed = fc.record({
    said: fc.constantFrom('well', 'wrong', 'none', 'passed over') as fc.Arbitrary<TypedAnswer['said']>,
    found: fc.integer({ min: 0, max: 320 }).map((n) => `${n} kPa`),
    set: fc.option(fc.integer({ min: 0, max: 320 }).map((n) => `${n} kPa`)).map((t) => t ?? ''),
    choice: fc.constantFrom(...filter.choices.map((c) => c.word)),
    count: fc.integer({ min: 0, max: 80 }).map(String),
    dry: fc.boolean(),
    note: fc.constantFrom('', 'so')
  });
  fc.assert(
    fc.property(fc.constantFrom(tyre, filter, grease, fork) as fc.Arbitrary<Check>, typed, (c, t) => {
      const r = read(c, KPA, t);
      if (!r.ok) return;
      const j = judgeAnswer(c, r.answer, KPA);
      expect(j.finding === null).toBe(j.well);
      expect(j.words).not.toBe('');
    })
  );
});
