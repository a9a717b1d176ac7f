import { describe, expect, it } from 'vitest';
import { stationAir } from './station';
import { oilInWords, readCan, type Oil } from './can';
import { canOf, gradesFor, judgeOil as judgeCan, mixing, tableOf, type OilWant } from './oil';

const judgeOil = (oil: Oil, wanted: OilWant, air: Parameters<typeof judgeCan>[2]) =>
  judgeCan(canOf(oil), wanted, air);

const oil = (more: Partial<Oil> = {}): Oil => ({
  id: 'o',
  name: 'Brindle 4T',
  kind: 'engine oil, four-stroke',
  grade: '10W-50',
  ratings: ['JASO MA2'],
  additives: [],
  ...more
});
const want = (more: Partial<OilWant> = {}): OilWant => ({
  circuit: 'engine',
  twoStroke: false,
  wetClutch: true,
  grade: '10W-50, wet-clutch rated',
  table: tableOf('10W-40: -15 to 25\n10W-50: 0 to 40\n15W-50: above 10'),
  ...more
});

describe('the wrong bottle', () => {
  it('reads the name of one from the stores too', () => {
    expect(judgeOil(oil({ name: 'Brindle MoS2' }), want(), null).stop[0]).toContain('molybdenum');
    expect(judgeOil(oil({ name: 'Brindle MA2', ratings: [] }), want(), null).stop).toEqual([]);
  });
  it('takes what the sheet wants without a word', () => {
    expect(judgeOil(oil(), want(), { from: 5, to: 22 })).toEqual({ stop: [], word: [], fits: true });
  });
  it('stops the oil that two-strokes burn, in a gearbox above all', () => {
    const burnt = oil({ kind: 'two-stroke oil, burnt with the fuel', ratings: [] });
    const verdict = judgeOil(burnt, want({ circuit: 'gearbox', twoStroke: true }), null);
    expect(verdict.stop).toHaveLength(1);
    expect(verdict.stop[0]).toContain('holds no gear');
    expect(judgeOil(burnt, want(), null).stop[0]).toContain('from the sump');
  });
  it('stops what makes a wet clutch slip, and treats a clutch nobody wrote down as wet', () => {
    expect(judgeOil(oil({ additives: ['molybdenum'] }), want(), null).stop[0]).toContain('molybdenum');
    expect(judgeOil(oil({ ratings: ['JASO MB'] }), want(), null).stop[0]).toContain('JASO MB');
    expect(judgeOil(oil({ ratings: [] }), want(), null).stop[0]).toContain('no JASO MA');
    expect(judgeOil(oil({ ratings: [] }), want({ wetClutch: null }), null).stop[0]).toContain('does not say');
    expect(
      judgeOil(oil({ ratings: [], additives: ['graphite'] }), want({ wetClutch: false }), null).stop
    ).toEqual([]);
  });
  it('keeps gear oil out of engines, and engine oil out of differentials', () => {
    expect(judgeOil(oil({ kind: 'gearbox oil' }), want(), null).stop[0]).toContain('gear oil');
    // Whoever calls it engine oil: 80W-90 is none, but where the sheet asks for it.
    const heavy = oil({ grade: '80W-90', ratings: ['JASO MA2'] });
    for (const circuit of ['engine', 'gearbox', 'primary'] as const) {
      expect(judgeOil(heavy, want({ circuit, grade: null, table: [] }), null).stop).toHaveLength(1);
      expect(
        judgeOil(heavy, want({ circuit, grade: '10W-50', table: [] }), null).stop.length
      ).toBeGreaterThan(0);
    }
    // A light one that is rated for a clutch is made for just that.
    const light = 'Hollin Gear 75W-80, JASO MA2';
    expect(judgeCan(readCan(light), want({ circuit: 'gearbox', grade: null, table: [] }), null).stop).toEqual(
      []
    );
    const asked = want({ circuit: 'gearbox', grade: '80W-90 gear oil', table: [] });
    expect(judgeOil({ ...heavy, kind: 'gearbox oil' }, asked, null).stop).toEqual([]);
    const rear = want({ circuit: 'rear differential', wetClutch: false, grade: '80W-90', table: [] });
    expect(judgeOil({ ...heavy, kind: 'differential oil' }, rear, null).stop).toEqual([]);
    expect(judgeCan(readCan('80W-90'), rear, null).stop).toEqual([]);
    expect(judgeCan(readCan('10W-40'), rear, null).stop[0]).toContain('wants 80W-90');
    expect(judgeOil(oil(), want({ circuit: 'rear differential', wetClutch: false }), null).stop[0]).toContain(
      'differential'
    );
  });
  it('says when a grade is not the book’s or not for the air', () => {
    expect(judgeOil(oil({ grade: '10W-50' }), want(), { from: -8, to: 12 }).word[0]).toBe(
      'For -8 to 12 °C the table has 10W-40; 10W-50 is for 0 to 40 °C.'
    );
    // Neither the sheet’s nor of its table.
    expect(judgeOil(oil({ grade: '5W-30' }), want(), { from: 5, to: 12 }).stop).toEqual([
      'The sheet wants 10W-50, wet-clutch rated; this is 5W-30.'
    ]);
    expect(judgeOil(oil(), want({ grade: null, table: [] }), null).word[0]).toContain('names no grade');
    expect(judgeOil(oil({ grade: '10W-40' }), want({ table: [] }), null).stop[0]).toContain('wants 10W-50');
  });
});

describe('grades and air', () => {
  it('wants the whole span covered', () => {
    const table = want().table;
    expect(gradesFor(table, { from: 5, to: 20 })).toEqual(['10W-40', '10W-50']);
    expect(gradesFor(table, { from: -5, to: 35 })).toEqual([]);
    expect(gradesFor(table, { from: 12, to: 60 })).toEqual(['15W-50']);
  });
  it('says when a topping up mixes', () => {
    expect(mixing(oil(), { oilId: 'o', name: 'x', grade: 'y' })).toBeNull();
    expect(mixing(oil(), null)).toBeNull();
    expect(mixing(oil(), { oilId: 'p', name: 'Other', grade: '10W-40' })).toContain('mixes');
  });
  it('takes a table that cannot be read for none', () => {
    expect(tableOf('rubbish')).toEqual([]);
    expect(tableOf(null)).toEqual([]);
  });
});

describe('the simulated station', () => {
  it('is colder in January than in July, and wider the longer one asks', () => {
    const winter = stationAir('2026-01-10', 14);
    const summer = stationAir('2026-07-10', 14);
    expect(winter.to).toBeLessThan(summer.from);
    const month = stationAir('2026-01-10', 60);
    expect(month.from).toBeLessThanOrEqual(winter.from);
    expect(month.to).toBeGreaterThanOrEqual(winter.to);
    expect(winter.from).toBeGreaterThan(-20);
    expect(summer.to).toBeLessThan(40);
  });
});

describe('an oil that is not from the stores', () => {
  const engine: OilWant = {
    circuit: 'engine',
    twoStroke: false,
    wetClutch: true,
    grade: '10W-50',
    table: []
  };
  const stops = (words: string, more: Partial<OilWant> = {}) =>
    judgeCan(readCan(words), { ...engine, ...more }, null).stop;
  it('is judged by what the can says, and stopped where it says neither grade nor rating', () => {
    expect(stops('Brindle 10W-50 JASO MA2')).toEqual([]);
    expect(stops('Brindle 10W-50')).toEqual([expect.stringMatching(/names no JASO MA/)]);
    expect(stops('Brindle JASO MA2')).toEqual([
      expect.stringMatching(/names no grade, and the sheet wants 10W-50/)
    ]);
    expect(stops('some oil')).toHaveLength(2);
    expect(stops('10W-40 JASO MA2')).toEqual(['The sheet wants 10W-50; this is 10W-40.']);
    expect(stops('gear oil 10W-50 JASO MA2')).toEqual([expect.stringMatching(/This is gear oil/)]);
    expect(stops('10W-50 JASO MA2, no friction modifiers, no molybdenum')).toEqual([]);
    expect(stops('10W-50 MA2')).toEqual([]);
    for (const slippery of ['with moly', 'MoS2', 'friction modified'])
      expect(stops(`10W-50 MA2 ${slippery}`)).toEqual([expect.stringMatching(/will slip/)]);
    expect(stops('10W-50 not JASO MA')).toEqual([expect.stringMatching(/names no JASO MA/)]);
    expect(stops('10W-50 MA2, not for wet clutches')).toEqual([
      expect.stringMatching(/not for wet clutches/)
    ]);
    expect(stops('Brindle 10W-50 JASO MB')).toEqual([expect.stringMatching(/made slippery/)]);
    expect(stops('Brindle 10W-50 JASO MA, with molybdenum')).toEqual([expect.stringMatching(/molybdenum/)]);
  });
  it('needs no clutch rating where no clutch runs in it', () => {
    expect(stops('Brindle gear 75W-80', { circuit: 'gearbox', wetClutch: false, grade: '75W-80' })).toEqual(
      []
    );
    expect(
      judgeOil(
        oil({ kind: 'gearbox oil', grade: '75W-80', ratings: [] }),
        { ...engine, circuit: 'gearbox', wetClutch: false, grade: '75W-80' },
        null
      )
    ).toEqual({ stop: [], word: [], fits: true });
  });
  it('does not fit where its grade is neither the sheet’s nor one of its table for the air', () => {
    const table = [
      { grade: '10W-50', from: 5, to: null },
      { grade: '10W-30', from: null, to: 10 }
    ];
    const fits = (grade: string, air: { from: number; to: number } | null) =>
      judgeOil(oil({ grade }), { ...engine, table }, air).fits;
    expect([fits('10W-50', null), fits('10W-30', null), fits('20W-60', null)]).toEqual([true, true, false]);
    expect([fits('10W-50', { from: -5, to: 4 }), fits('10W-30', { from: -5, to: 4 })]).toEqual([false, true]);
    expect(judgeOil(oil(), { ...engine, grade: null }, null).fits).toBeNull();
  });
});

it('an oil is called by its name, with the grade where the name does not say it', () => {
  expect(oilInWords({ name: 'Brindle Four', grade: '10W-50' })).toBe('Brindle Four 10W-50');
  // Named at the bench as the can has it, the grade was read from that.
  expect(oilInWords({ name: '10W-40 JASO MA2', grade: '10W-40' })).toBe('10W-40 JASO MA2');
  expect(oilInWords({ name: 'Brindle 10w40', grade: '10W-40' })).toBe('Brindle 10w40');
  expect(oilInWords({ name: 'From the tin', grade: '' })).toBe('From the tin');
});
