import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountIn, distanceIn, guarded, hundredths, unguarded, unitOfAmount } from './csv';

describe('a cell', () => {
  it('that would be a formula is none', () => {
    for (const text of ['=1+1', '+49', '-5 mm', '@sum', "'=1"]) expect(guarded(text)).toBe(`'${text}`);
    expect(guarded('5 mm')).toBe('5 mm');
    // Opened where the semicolon parts the cells.
    for (const [text, safe] of [
      ['Loose;=cmd()', "Loose;'=cmd()"],
      ['a; +1', "a; '+1"],
      ['a\t@b', "a\t'@b"],
      ['\t=1', "'\t'=1"],
      ['\r=1', "'\r'=1"],
      ['a\n-b', "a\n'-b"],
      ['=a;=b', "'=a;'=b"],
      ['10 - 5; left', '10 - 5; left']
    ])
      expect(guarded(text!)).toBe(safe);
  });
  it('a number below nothing is a number', () => {
    expect([guarded(-3.5), guarded(0), guarded(null)]).toEqual(['-3.5', '0', '']);
  });
  it('comes back as it was, whatever it was', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string({ unit: fc.constantFrom(...";=' \ta-@") }),
          fc.constantFrom("'", "''", "'a", "'=", '=', "''=1")
        ),
        (text) => {
          expect(unguarded(guarded(text))).toBe(text);
        }
      ),
      { numRuns: 500 }
    );
  });
  it('of hours and of distance is in the unit its heading names', () => {
    expect(hundredths(3840)).toBe(38.4);
    expect(hundredths(null)).toBeNull();
    expect(distanceIn(16093, 'metric')).toBe(160.93);
    // 160.9344 km are 100 miles.
    expect(distanceIn(16093, 'imperial')).toBe(100);
  });
  it('of a trigger is in what it is counted in, and that is said', () => {
    expect(amountIn(1500, 'hours', 'imperial')).toBe(15);
    expect(amountIn(160934, 'distance', 'imperial')).toBe(1000);
    expect([amountIn(365, 'days', 'metric'), amountIn(null, 'hours', 'metric')]).toEqual([365, null]);
    expect(unitOfAmount('distance', 'imperial', null)).toBe('mi');
    expect(unitOfAmount('times', 'metric', 'Engine oil')).toBe('times of Engine oil');
    expect(unitOfAmount('days', 'metric', null)).toBe('days');
  });
});
