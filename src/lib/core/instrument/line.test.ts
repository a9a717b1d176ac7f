import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readClearance } from '../valve/typed';
import { parseQuantity } from '../quantity/parse';
import { UNIT_NAMES, UNITS } from '../quantity/units';
import { landing, readLine, whichField, type Field, type Line } from './line';

const at = '2026-11-29T18:00:00Z';
const id = '6f1d0c9e-8c5e-4c43-9d6f-0f0f5f5a1b2c';
const line = (more: object) =>
  readLine(JSON.stringify({ v: 1, id, instrument: 'Short wrench', at, ...more }))!;
const field = (more: Partial<Field> = {}): Field => ({
  takes: ['torque'],
  bare: null,
  blades: false,
  text: '',
  of: null,
  ...more
});

describe('a line', () => {
  it.each([
    ['', 'nothing'],
    ['{"v":1', 'half of one'],
    ['[1]', 'another shape'],
    [JSON.stringify({ v: 2, id, instrument: 'x', at, value: 1, unit: 'mm' }), 'another version'],
    [JSON.stringify({ v: 1, id, instrument: 'x', at, value: 1, unit: 'furlongs' }), 'no unit'],
    [JSON.stringify({ v: 1, id, instrument: '', at, value: 1, unit: 'mm' }), 'no name'],
    [JSON.stringify({ v: 1, id, instrument: 'x', at, value: 1e9, unit: 'mm' }), 'an absurd number'],
    [JSON.stringify({ v: 1, id, instrument: 'x', at, value: 1, unit: 'mm', run: 'rm' }), 'more than that'],
    [JSON.stringify({ v: 1, id, instrument: 'x', at, keys: 'alert(1)' }), 'keys that are no number'],
    [JSON.stringify({ v: 1, id: 'x', instrument: 'x', at, value: 1, unit: 'mm' }), 'no id']
  ])('%s is none: %s', (text) => expect(readLine(text)).toBeNull());
});

describe('where it lands', () => {
  it('is the field that takes it, with its unit', () => {
    expect(landing(line({ value: 24.8, unit: 'N·m' }), field())).toEqual({
      lands: true,
      text: '24.8 N·m',
      enter: false
    });
    expect(landing(line({ value: 0.1 + 0.2, unit: 'N·m' }), field())).toMatchObject({ text: '0.3 N·m' });
  });
  it('is asked about where the field takes something else', () => {
    expect(landing(line({ value: 0.12, unit: 'mm' }), field())).toEqual({
      lands: false,
      why: 'Short wrench shows a length; this field takes a torque.'
    });
  });
  it('is asked about where the meter hangs on another machine', () => {
    const hours = field({ takes: ['time'], bare: 'h', of: '5' });
    expect(landing(line({ value: 48.2, unit: 'h', of: '12' }), hours)).toMatchObject({
      lands: false,
      why: 'Short wrench hangs on 12; this field is about 5.'
    });
    expect(landing(line({ value: 48.2, unit: 'h', of: '5' }), hours)).toMatchObject({ text: '48.2' });
    // 90 min are an hour and a half.
    expect(landing(line({ value: 90, unit: 'min' }), hours)).toMatchObject({ text: '1.5' });
  });
  it('types keys and Enter, and adds words to words', () => {
    expect(landing(line({ keys: '3.425\n' }), field())).toEqual({ lands: true, text: '3.425', enter: true });
    expect(landing(line({ words: '12 °C' }), field({ takes: ['words'], text: 'slippery ' }))).toMatchObject({
      text: 'slippery 12 °C'
    });
  });
  it('brackets a clearance blade by blade, and the later of two that do not agree is right', () => {
    let text = '';
    const tried = (value: number, drag: string) => {
      const is = landing(line({ value, unit: 'mm', drag }), field({ takes: ['length'], blades: true, text }));
      text = is.lands ? is.text : '';
      return text;
    };
    expect(tried(0.1, 'slides')).toBe('>0.1 mm');
    expect(tried(0.2, 'does not go')).toBe('0.1/0.2 mm');
    expect(tried(0.15, 'drags')).toBe('0.15/0.2 mm');
    expect(tried(0.12, 'slides')).toBe('0.15/0.2 mm');
    expect(tried(0.2, 'drags')).toBe('>0.2 mm');
    expect(tried(0.15, 'does not go')).toBe('<0.15 mm');
    expect(readClearance('0.15/0.2 mm', 'mm', null)).toMatchObject({
      measured: { by: 'blades', goes: 150, stops: 200 }
    });
  });
  it('is read back by the field as what the instrument showed, in any unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_NAMES),
        fc.integer({ min: 0, max: 999_999 }).map((n) => n / 100),
        (unit, value) => {
          const { dimension } = UNITS[unit];
          const is = landing(line({ value, unit }), field({ takes: [dimension] }));
          const read = parseQuantity(is.lands ? is.text : '', { dimension, unit });
          expect(read).toMatchObject({ ok: true, quantity: { value, unit } });
        }
      )
    );
  });
});

describe('of several fields', () => {
  const one = (takes: Field['takes'], text = '', focused = false) => ({
    field: field({ takes, text }),
    focused
  });
  const torque = line({ value: 24.8, unit: 'N·m' }) as Line;
  it('the one somebody is in, even where it takes something else: then it is asked', () => {
    const inside = one(['length'], '', true);
    expect(whichField(torque, [one(['torque']), inside])).toBe(inside);
  });
  it('but not where that one is for words, and the number for another', () => {
    const [remark, wanted] = [one(['words'], 'slippery', true), one(['torque'])];
    expect(whichField(torque, [remark, wanted])).toBe(wanted);
    expect(whichField(line({ words: '12 °C' }), [remark, wanted])).toBe(remark);
    expect(whichField(line({ keys: '3.4\n' }), [remark])).toBeNull();
  });
  it('else the first empty one that takes it, else the first that does', () => {
    const [full, empty] = [one(['torque'], '24 N·m'), one(['torque'])];
    expect(whichField(torque, [one(['length']), full, empty])).toBe(empty);
    expect(whichField(torque, [full])).toBe(full);
    expect(whichField(torque, [one(['length'])])).toBeNull();
    // Keys go where the cursor is.
    expect(whichField(line({ keys: '3.4\n' }), [empty])).toBeNull();
  });
});
