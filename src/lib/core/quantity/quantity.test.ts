import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/convert.json';
import { convert, inUnit, otherUnit, quantity, show, showBoth } from './quantity';
import { parseQuantity } from './parse';
import { UNITS, unitsNamed, type UnitName } from './units';

const unitNames = Object.keys(UNITS) as UnitName[];
const anyUnit = fc.constantFrom(...unitNames);

describe('convert', () => {
  it.each(cases)('worked case: $value $from in $to', ({ value, from, to, expect: expected }) => {
    const [a] = unitsNamed(from);
    const [b] = unitsNamed(to);
    expect(convert(value, a!, b!) / expected).toBeCloseTo(1, 9);
  });

  it('knows the exact inch', () => expect(convert(0.001, 'in', 'µm')).toBeCloseTo(25.4, 10));

  it('refuses to turn torque into volume', () => expect(() => convert(1, 'N·m', 'ml')).toThrow(RangeError));

  it('goes there and back without drift, a thousand times', () => {
    fc.assert(
      fc.property(anyUnit, anyUnit, fc.double({ min: 0.001, max: 1e6, noNaN: true }), (a, b, value) => {
        if (UNITS[a].dimension !== UNITS[b].dimension) return;
        const q = quantity(value, a);
        let there = q;
        for (let i = 0; i < 1000; i++) there = inUnit(inUnit(there, b), a);
        expect(Math.abs(there.value - value) / value).toBeLessThan(1e-12);
        expect(there.base).toBe(q.base);
      })
    );
  });
});

describe('show', () => {
  it('read in again, what is shown agrees with what it was, to what was shown of it', () => {
    fc.assert(
      fc.property(anyUnit, anyUnit, fc.double({ min: 0.01, max: 5000, noNaN: true }), (a, b, value) => {
        const { dimension } = UNITS[a];
        fc.pre(UNITS[b].dimension === dimension && dimension !== 'count' && dimension !== 'time');
        const q = quantity(Number(value.toFixed(3)), a);
        const words = show(q, b);
        const again = parseQuantity(words, { dimension, unit: a });
        if (!again.ok) throw new Error(`${words}: ${again.problem.message}`);
        expect(show(again.quantity)).toBe(words);
        // Three significant figures at least: a half of the last is less than 0.51 %; six decimals at most.
        expect(Math.abs(again.quantity.base - q.base)).toBeLessThanOrEqual(
          q.base * 0.0051 + 0.5e-6 * UNITS[b].factor
        );
      })
    );
  });
  it('shows a figure in its own unit as it was said', () =>
    expect(show(quantity(1.15, 'US qt'))).toBe('1.15 US qt'));
  it('inches that are eighths or sixteenths are shown as they are typed, and read back', () => {
    const typed = ['1/8 in', '3/16 in', '1 1/2 in', '0.13 in', '2 in', '0 in'];
    expect(
      typed.map((t) => {
        const read = parseQuantity(t, { dimension: 'length' });
        return read.ok && show(read.quantity);
      })
    ).toEqual(typed);
    expect(show(quantity(-0.125, 'in'))).toBe('-1/8 in');
  });
  it('rounds a converted one to what a wrench can do', () => {
    expect(show(quantity(95, 'lbf·in'), 'N·m')).toBe('10.7 N·m');
    expect(show(quantity(1.15, 'US qt'), 'ml')).toBe('1088 ml');
    expect(show(quantity(1.2, 'N·m'), 'lbf·ft')).toBe('0.885 lbf·ft');
  });
  it('gives both systems, the preferred one first', () => {
    expect(showBoth(quantity(20, 'N·m'), 'metric')).toEqual({ main: '20 N·m', other: '14.8 lbf·ft' });
    expect(showBoth(quantity(20, 'N·m'), 'imperial')).toEqual({ main: '14.8 lbf·ft', other: '20 N·m' });
    expect(showBoth(quantity(2, 'h'), 'imperial')).toEqual({ main: '2 h', other: null });
  });
  it('never shows one unit twice', () => {
    for (const unit of unitNames) {
      const { main, other } = showBoth(quantity(37, unit), 'metric');
      expect(main).not.toBe(other);
      expect(UNITS[otherUnit(quantity(37, unit))].dimension).toBe(UNITS[unit].dimension);
    }
  });
});
