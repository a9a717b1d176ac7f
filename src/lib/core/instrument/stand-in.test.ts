import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readLine } from './line';
import { lineOf, lineWords, mlOf, shown, STAND_INS, weatherWords } from './stand-in';

const said = {
  id: '6f1d0c9e-8c5e-4c43-9d6f-0f0f5f5a1b2c',
  instrument: 'Short wrench',
  at: '2026-11-29T18:00:00Z'
};
const wrench = STAND_INS.find((s) => s.key === 'torque wrench')!;

describe('stand-ins', () => {
  it('scatter by no more than they say, and show no more digits than they have', () => {
    // 24 N·m, one in a hundred: 23.76 to 24.24, shown 23.8 to 24.2.
    expect([0, 0.5, 1].map((chance) => shown(wrench, 24, 'N·m', chance))).toEqual([23.8, 24, 24.2]);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (v, c) => {
          expect(Math.abs(shown(wrench, v, 'N·m', c) - v)).toBeLessThanOrEqual(v * 0.01 + 0.05 + 1e-9);
        }
      )
    );
  });
  it('turn what was weighed into millilitres by what a litre of it weighed', () => {
    // 870 g of an oil of which a litre weighs 870 g.
    expect(mlOf(870, 870)).toBe(1000);
    expect(mlOf(556.8, 870)).toBeCloseTo(640, 9);
    expect(() => mlOf(500, 0)).toThrow(RangeError);
  });
  it('say lines that are read again, whatever they are', () => {
    for (const what of [
      { value: 24.2, unit: 'N·m' as const },
      { value: 48.6, unit: 'h' as const, of: '12' },
      { value: 0.1, unit: 'mm' as const, drag: 'drags' as const },
      { keys: '2.25\n' },
      { words: weatherWords(12, 80, 1005, false) }
    ]) {
      const line = lineOf(said, what);
      expect(readLine(JSON.stringify(line))).toEqual(line);
    }
    expect(lineWords(lineOf(said, { value: 48.6, unit: 'h', of: '12' }))).toBe('48.6 h of 12');
    expect(lineWords(lineOf(said, { keys: '2.25\n' }))).toBe('2.25, typed');
    expect(weatherWords(12, 80, 1005, true)).toBe('54 °F, 80 % humidity, 1005 hPa');
  });
  it('have a name that fits a record, each its own', () => {
    expect(new Set(STAND_INS.map((s) => s.key)).size).toBe(STAND_INS.length);
    for (const s of STAND_INS) expect(s.name.length).toBeLessThanOrEqual(60);
  });
});
