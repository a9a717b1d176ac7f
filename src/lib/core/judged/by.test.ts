import { describe, expect, it } from 'vitest';
import { JUDGED_BY, lineOf, type Judged } from './by';

const all = Object.values(JUDGED_BY).flatMap((list): Judged[] => Object.values(list));

describe('every number that judges', () => {
  it('says what it decides, how big it is, why, and whose it is', () => {
    for (const j of all) {
      expect(j.is).toBeGreaterThan(0);
      for (const words of [j.shown, j.decides, j.why, j.source]) expect(words.trim()).not.toBe('');
    }
    expect(new Set(all.map((j) => j.decides)).size).toBe(all.length);
  });
  // What is shown in percent is the number that is used.
  it('is shown as it is used', () => {
    for (const j of all) {
      const percent = /^(\d+) %/.exec(j.shown);
      if (percent)
        expect([j.decides, [j.is, j.is * 100]]).toEqual([
          j.decides,
          expect.arrayContaining([expect.closeTo(Number(percent[1]), 6)])
        ]);
    }
    expect(JUDGED_BY.track.standsUnder.shown).toBe(`${JUDGED_BY.track.standsUnder.is} km/h`);
    expect(JUDGED_BY.chain.uneven.shown).toBe(`${JUDGED_BY.chain.uneven.is} mm`);
  });
  it('is told with a verdict as ours, or with where it is printed', () => {
    expect(lineOf(JUDGED_BY.oil.littleOut)).toBe('We draw the line at 70 %.');
    expect(lineOf(JUDGED_BY.bolts.wrenchFrom)).toBe('The line is a fifth (handbook of the trade).');
  });
});
