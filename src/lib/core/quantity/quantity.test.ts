import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/convert.json';
import { convert, inUnit, otherUnit, quantity, show, showBoth } from './quantity';
import { parseQuantity, readNumber, type ParseOptions } from './parse';
import { UNITS, unitsNamed, type Dimension, type UnitName } from './units';

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
  it('shows a figure in its own unit as it was said', () =>
    expect(show(quantity(1.15, 'US qt'))).toBe('1.15 US qt'));
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

describe('parseQuantity', () => {
  const read = (text: string, dimension: Dimension, rest: Partial<ParseOptions> = {}) =>
    parseQuantity(text, { dimension, ...rest });

  it.each<[string, Dimension, number, UnitName]>([
    ['1.15 qt', 'volume', 1.15, 'US qt'],
    ['95 lbf in', 'torque', 95, 'lbf·in'],
    ['95 in-lb', 'torque', 95, 'lbf·in'],
    ['12 ft. lbs', 'torque', 12, 'lbf·ft'],
    ['20Nm', 'torque', 20, 'N·m'],
    ['2.1 kgf m', 'torque', 2.1, 'kgf·m'],
    ['5/8 in', 'length', 0.625, 'in'],
    ['1 1/2"', 'length', 1.5, 'in'],
    ['1½ in', 'length', 1.5, 'in'],
    ['½ in', 'length', 0.5, 'in'],
    ['.35 mm', 'length', 0.35, 'mm'],
    ['0,35 mm', 'length', 0.35, 'mm'],
    [',35 mm', 'length', 0.35, 'mm'],
    ['25 µm', 'length', 25, 'µm'],
    ['1.250,5 ml', 'volume', 1250.5, 'ml'],
    ['1 250 cm³', 'volume', 1250, 'ml'],
    ['32 imp fl oz', 'volume', 32, 'imp fl oz'],
    ['1 kgf/cm²', 'pressure', 1, 'kgf/cm²'],
    ['2h30', 'time', 2.5, 'h'],
    ['2:30', 'time', 2.5, 'h'],
    ['2 h 30 min', 'time', 2.5, 'h'],
    ['150 min', 'time', 150, 'min'],
    ['42 km', 'distance', 42, 'km']
  ])('reads %s', (text, dimension, value, unit) => {
    const parsed = read(text, dimension);
    expect(parsed).toMatchObject({ ok: true, quantity: { unit } });
    if (parsed.ok) expect(parsed.quantity.value).toBeCloseTo(value, 9);
  });

  it('takes a naked number only where the field has a unit', () => {
    expect(read('38.4', 'time')).toMatchObject({ ok: false, problem: { kind: 'needs a unit' } });
    expect(read('38.4', 'time', { unit: 'h' })).toMatchObject({
      ok: true,
      quantity: { value: 38.4, unit: 'h' }
    });
  });

  it('asks which ounces, and gives both', () => {
    const parsed = read('32 oz', 'volume');
    expect(parsed).toMatchObject({ ok: false, problem: { kind: 'ambiguous' } });
    if (!parsed.ok) expect(parsed.problem.choices!.map((c) => Math.round(c.base))).toEqual([946, 909]);
  });

  it('asks about 1,250, which two countries read two ways', () => {
    const parsed = read('1,250 ml', 'volume');
    expect(!parsed.ok && parsed.problem.choices!.map((c) => c.value)).toEqual([1250, 1.25]);
  });

  it('takes two units that agree within their rounding, and keeps the first', () => {
    expect(read('1.15 qt (1.09 l)', 'volume')).toMatchObject({
      ok: true,
      quantity: { value: 1.15, unit: 'US qt' }
    });
    expect(read('10.7 N·m / 95 lbf·in', 'torque')).toMatchObject({ ok: true, quantity: { unit: 'N·m' } });
  });

  it('flags two units that disagree, and chooses neither', () => {
    const parsed = read('1.15 qt (1.3 l)', 'volume');
    expect(parsed).toMatchObject({ ok: false, problem: { kind: 'disagree' } });
    expect(!parsed.ok && parsed.problem.choices).toHaveLength(2);
  });

  it.each<[string, Dimension, string]>([
    ['', 'volume', 'empty'],
    ['   ', 'volume', 'empty'],
    ['plenty', 'volume', 'not a number'],
    ['3/0 in', 'length', 'not a number'],
    ['1.2.3 ml', 'volume', 'not a number'],
    ['20 sheep', 'torque', 'unknown unit'],
    ['20 ml', 'torque', 'wrong dimension'],
    ['-5 ml', 'volume', 'negative'],
    ['😀', 'volume', 'not a number'],
    ['9'.repeat(400), 'volume', 'not a number']
  ])('refuses %j as a %s: %s', (text, dimension, kind) => {
    const parsed = read(text, dimension);
    expect(parsed).toMatchObject({ ok: false, problem: { kind } });
    expect(!parsed.ok && parsed.problem.message).toMatch(/\w/);
  });

  it('reads back whatever it shows, for every unit', () => {
    fc.assert(
      fc.property(anyUnit, fc.integer({ min: 0, max: 999_999 }), (unit, thousandths) => {
        const q = quantity(thousandths / 1000, unit);
        const back = parseQuantity(show(q), { dimension: q.dimension });
        expect(back).toMatchObject({ ok: true, quantity: { value: q.value, unit } });
      })
    );
  });

  it('answers any text at all without throwing', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', maxLength: 80 }),
        (text) => void parseQuantity(text, { dimension: 'time', unit: 'h' })
      )
    );
  });

  it('knows half a last place of slop', () =>
    expect(readNumber('1.15')).toEqual({ value: 1.15, slop: 0.005 }));
});
