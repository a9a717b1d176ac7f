import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity, readNumber, type ParseOptions } from './parse';
import { quantity, show } from './quantity';
import { UNITS, type Dimension, type UnitName } from './units';

const anyUnit = fc.constantFrom(...(Object.keys(UNITS) as UnitName[]));

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
    ['42 km', 'distance', 42, 'km'],
    // Minutes as people tick them off; thousands as the Swiss write them.
    ["20'", 'time', 20, 'min'],
    ["2h30'", 'time', 2.5, 'h'],
    ["1'250 ml", 'volume', 1250, 'ml'],
    ["1'250.5 ml", 'volume', 1250.5, 'ml'],
    ['1,250.5 ml', 'volume', 1250.5, 'ml'],
    ['12,345,678 ml', 'volume', 12_345_678, 'ml'],
    // Fractions written small, however the keyboard makes them.
    ['1¹/₂ in', 'length', 1.5, 'in'],
    ['1¹⁄₂ in', 'length', 1.5, 'in'],
    ['1⅗ in', 'length', 1.6, 'in'],
    ['⅞"', 'length', 0.875, 'in'],
    ['1-1/2 in', 'length', 1.5, 'in'],
    ['63/64 in', 'length', 63 / 64, 'in'],
    ['１２ mm', 'length', 12, 'mm'],
    ['+0.5 mm', 'length', 0.5, 'mm']
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

  it('says what to write where a range was typed as a fraction', () => {
    const parsed = read('35/45 mm', 'length');
    expect(!parsed.ok && parsed.problem.message).toMatch(/35–45/);
  });

  it('asks whether a few millilitres, typed without a unit, are litres', () => {
    const ml = (text: string) => read(text, 'volume', { unit: 'ml' });
    for (const text of ['1.45', '0,95', '1.5']) {
      const parsed = ml(text);
      expect(parsed).toMatchObject({ ok: false, problem: { kind: 'ambiguous' } });
      expect(!parsed.ok && parsed.problem.choices!.map((c) => c.unit)).toEqual(['L', 'ml']);
    }
    expect(ml('1.45 ml')).toMatchObject({ ok: true, quantity: { value: 1.45 } });
    expect(ml('950')).toMatchObject({ ok: true, quantity: { value: 950 } });
    expect(ml('0')).toMatchObject({ ok: true });
    expect(ml('12.5 ml')).toMatchObject({ ok: true });
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
    ['9'.repeat(400), 'volume', 'not a number'],
    // Neither two minutes and a half nor 230 of anything.
    ["2'30", 'time', 'not a number'],
    ["2'30 ml", 'volume', 'not a number'],
    ["1'25 ml", 'volume', 'not a number'],
    ["20' ml", 'volume', 'unknown unit'],
    ["20'", 'volume', 'wrong dimension'],
    // Thousands come in threes.
    ['1,2.5 l', 'volume', 'not a number'],
    ['1.2,5 l', 'volume', 'not a number'],
    ['1,25.5 l', 'volume', 'not a number'],
    ['12,3456.7 l', 'volume', 'not a number'],
    // A power is no figure, and a range is no fraction.
    ['10² mm', 'length', 'not a number'],
    ['10³', 'length', 'not a number'],
    ['H₂ mm', 'length', 'not a number'],
    ['35/45 mm', 'length', 'not a number'],
    ['35 / 45 mm', 'length', 'not a number'],
    ['5/4 in', 'length', 'not a number'],
    ['1 5/4 in', 'length', 'not a number'],
    ['11/2 in', 'length', 'not a number'],
    ['Ⅻ mm', 'length', 'not a number'],
    ['① mm', 'length', 'not a number'],
    ['1e3 ml', 'volume', 'not a number'],
    ['0x10 ml', 'volume', 'not a number'],
    ['--5 mm', 'length', 'not a number'],
    ['5-', 'length', 'unknown unit'],
    ['1 2 3 ml', 'volume', 'not a number'],
    ['٣ mm', 'length', 'not a number'],
    ['NaN', 'length', 'not a number'],
    ['Infinity mm', 'length', 'not a number']
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
