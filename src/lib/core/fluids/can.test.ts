import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { gradesIn, readCan } from './can';

const FM = 'friction modifiers';
const MO = 'molybdenum';
const GR = 'graphite';
/** What is on a can · grade · ratings, without JASO or API · additives · kind, in a word. */
const CANS: readonly (readonly [
  can: string,
  grade: string,
  ratings: string,
  additives: string,
  kind: string
])[] = [
  // Ratings, however they are written.
  ['Brindle 10W-50 JASO MA2', '10W-50', 'MA2', '', ''],
  ['Brindle 10W-50 JASO MA', '10W-50', 'MA', '', ''],
  ['10W-50 JASO MA1', '10W-50', 'MA1', '', ''],
  ['10W-50 JASO-MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 JASO: MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 JASO T903:2016 MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 jaso ma2', '10W-50', 'MA2', '', ''],
  ['10W-50 jaso ma', '10W-50', 'MA', '', ''],
  ['10W-50 MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 ma2', '10W-50', 'MA2', '', ''],
  ['10W-50 MA', '10W-50', 'MA', '', ''],
  ['10W-50 MA-2', '10W-50', 'MA2', '', ''],
  ['10W-50 JASO MA 2', '10W-50', 'MA2', '', ''],
  ['10W-50 MA/MA2', '10W-50', 'MA MA2', '', ''],
  ['10W-50 JASO MA, MA2', '10W-50', 'MA MA2', '', ''],
  ['10W-50 JASO MB', '10W-50', 'MB', '', ''],
  ['10W-50 MB', '10W-50', 'MB', '', ''],
  ['10W-50, meets JASO MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 JASO MA2 approved', '10W-50', 'MA2', '', ''],
  ['10W-50 exceeds JASO MA', '10W-50', 'MA', '', ''],
  // No rating.
  ['10W-50', '10W-50', '', '', ''],
  ['10W-50 JASO', '10W-50', '', '', ''],
  ['10W-50 made by Mabel', '10W-50', '', '', ''],
  ['10W-50, my ma likes it', '10W-50', '', '', ''],
  ['10W-50 not JASO MA', '10W-50', '', '', ''],
  ['10W-50 not JASO MA2', '10W-50', '', '', ''],
  ['10W-50, does not meet JASO MA', '10W-50', '', '', ''],
  ['10W-50 no JASO MA2', '10W-50', '', '', ''],
  ['10W-50 without JASO MA rating', '10W-50', '', '', ''],
  ['10W-50 non-JASO MA', '10W-50', '', '', ''],
  ['10W-50 not MA or MA2', '10W-50', '', '', ''],
  ['10W-50 never tested to JASO MA', '10W-50', '', '', ''],
  ['10W-50 isn’t JASO MA', '10W-50', '', '', ''],
  ["10W-50 isn't JASO MA2", '10W-50', '', '', ''],
  ['10W-50 JASO MA: no', '10W-50', '', '', ''],
  ['10W-50 JASO MA2 = no', '10W-50', '', '', ''],
  ['10W-50 JASO MA not met', '10W-50', '', '', ''],
  ['10W-50 not JASO MA, JASO MB', '10W-50', 'MB', '', ''],
  ['10W-50 not JASO MB, JASO MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 JASO MA, not MA2', '10W-50', 'MA', '', ''],
  ['10W-50 JASO MA2, not MB', '10W-50', 'MA2', '', ''],
  ['10W-50 not JASO MB but JASO MA', '10W-50', 'MA', '', ''],
  // What makes a clutch slip.
  ['10W-50 MA2 with moly', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 Moly', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 MoS2', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 mos2', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 MoS₂', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 MoDTC', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 molybdenum', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 with molybdenum disulphide', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 molybdän', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 graphite', '10W-50', 'MA2', GR, ''],
  ['10W-50 MA2 graphited', '10W-50', 'MA2', GR, ''],
  ['10W-50 MA2 with friction modifiers', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 friction modifier', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 friction modified', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 friction-modified', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 friction reducing', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 energy conserving', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 Resource Conserving', '10W-50', 'MA2', FM, ''],
  ['10W-50 MA2 contains graphite and moly', '10W-50', 'MA2', `${GR} ${MO}`, ''],
  ['10W-50 MA2 with moly, graphite', '10W-50', 'MA2', `${MO} ${GR}`, ''],
  // And what says that it has none.
  ['10W-50 MA2 no friction modifiers', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 no molybdenum', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 without graphite', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 free of molybdenum', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 free from friction modifiers', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 molybdenum-free', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 moly free', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 graphite-free', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2, contains no moly', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2, does not contain graphite', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 no friction modifiers or graphite', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 no graphite, molybdenum or friction modifiers', '10W-50', 'MA2', '', ''],
  ['10W-50 no moly, JASO MA2', '10W-50', 'MA2', '', ''],
  ['10W-50 without friction modifiers, with moly, MA2', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 no graphite but moly', '10W-50', 'MA2', MO, ''],
  ['10W-50 MA2 not friction modified', '10W-50', 'MA2', '', ''],
  ['10W-50 MA2 non-friction-modified', '10W-50', 'MA2', '', ''],
  ['10W-50 not JASO MA; moly', '10W-50', '', MO, ''],
  ['no graphite. Moly added. 10W-50 MA', '10W-50', 'MA', MO, ''],
  ['10W-50 MA2, graphite: none', '10W-50', 'MA2', '', ''],
  // Grades.
  ['10w50 MA2', '10W-50', 'MA2', '', ''],
  ['10 W 50 MA2', '10W-50', 'MA2', '', ''],
  ['10W/50 MA2', '10W-50', 'MA2', '', ''],
  ['SAE 10W-50 MA2', '10W-50', 'MA2', '', ''],
  ['0W-20', '0W-20', '', '', ''],
  ['SAE 30', 'SAE30', '', '', ''],
  ['SAE 90 gear oil', 'SAE90', '', '', 'gear'],
  ['JASO MA2', '', 'MA2', '', ''],
  ['some oil', '', '', '', ''],
  // What it is for.
  ['four-stroke engine oil 10W-50 MA2', '10W-50', 'MA2', '', 'engine'],
  ['4T 10W-50 MA2', '10W-50', 'MA2', '', 'engine'],
  ['4-stroke 10W-50', '10W-50', '', '', 'engine'],
  ['two-stroke oil', '', '', '', 'burnt'],
  ['2T premix', '', '', '', 'burnt'],
  ['2-stroke injector oil JASO FD', '', '', '', 'burnt'],
  ['two-stroke gearbox oil 75W-80', '75W-80', '', '', 'gear'],
  ['gear oil 75W-90 GL-4', '75W-90', 'GL-4', '', 'gear'],
  ['transmission oil 10W-40 MA2', '10W-40', 'MA2', '', 'gear'],
  ['80W-90 GL5', '80W-90', 'GL-5', '', 'gear'],
  ['80W-90', '80W-90', '', '', 'gear'],
  ['85W-140', '85W-140', '', '', 'gear'],
  ['differential oil 80W-90 GL-5', '80W-90', 'GL-5', '', 'differential'],
  ['hypoid 80W-90', '80W-90', '', '', 'differential'],
  ['not for two-strokes, 10W-50 MA2', '10W-50', 'MA2', '', '']
];
const KINDS: Readonly<Record<string, string>> = {
  'engine oil, four-stroke': 'engine',
  'gearbox oil': 'gear',
  'differential oil': 'differential',
  'two-stroke oil, burnt with the fuel': 'burnt'
};

describe('what is on a can', () => {
  it('has a table of a hundred', () => expect(CANS.length).toBeGreaterThanOrEqual(100));
  it.each(CANS)('%s', (words, grade, ratings, additives, kind) => {
    const can = readCan(words);
    expect([
      can.grade,
      can.ratings.map((r) => r.replace(/^(JASO|API) /, '')).join(' '),
      can.additives.join(' '),
      can.kind === null ? '' : KINDS[can.kind]
    ]).toEqual([grade, ratings, additives, kind]);
  });
  it.each([
    ['10W-50 MA2 not for wet clutches', true],
    ['10W-50 not suitable for a wet clutch', true],
    ['10W-50 for dry clutches only', true],
    ['10W-50 MA2 for wet clutches', false],
    ['10W-50 MA2', false]
  ])('%s: not for wet clutches is %s', (words, not) => expect(readCan(words).notWetClutch).toBe(not));
  it('never throws, and finds what it wrote itself', () => {
    fc.assert(fc.property(fc.string(), (s) => void readCan(s)));
  });
  it('reads grades as they are written', () => {
    expect(gradesIn('10w50 or 10 W - 40, SAE 30')).toEqual(['10W-50', '10W-40', 'SAE30']);
    expect(gradesIn('10W/40')).toEqual(['10W-40']);
    expect(gradesIn('wet-clutch rated')).toEqual([]);
  });
});
