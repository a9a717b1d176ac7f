import { describe, expect, it } from 'vitest';
import { matchHeads, readCell, unitOfHead, type Field } from './field';
import { guessList, headingAt, IMPORT_LISTS } from './lists';

const outings = IMPORT_LISTS.outings.fields;
const columns = (...heads: string[]) => matchHeads(heads, outings);
const plain = { decimal: '.', dates: 'day first' } as const;

describe('columns', () => {
  it('are matched by their headings, each field once', () => {
    expect(columns('Plate', 'Date', 'Meter', 'Km', 'Rider', 'Ground', 'Symptoms', 'Clutch', 'Time')).toEqual([
      'plate',
      'day',
      'hours',
      'distance',
      'rider',
      'conditions',
      'symptoms',
      'clutch',
      'ridden'
    ]);
    expect(columns('Hours (h)', 'meter', 'Humidity', 'DISTANCE, km', '')).toEqual([
      'hours',
      null,
      null,
      'distance',
      null
    ]);
    expect(columns('x'.repeat(100_000))).toEqual([null]);
  });
  it('heed the unit a heading names, and never take miles for kilometres or minutes for hours', () => {
    expect(
      [
        'Miles',
        'Minutes',
        'Distance (mi)',
        'Time, min',
        'Distance [km]',
        'Time (h)',
        'Distance / miles',
        'Km'
      ].map(unitOfHead)
    ).toEqual(['mi', 'min', 'mi', 'min', 'km', 'h', 'mi', null]);
  });
  it('say which list it is, wherever the headings stand', () => {
    expect(guessList(['Bike', 'Date', 'Meter', 'Km', 'Rider'])).toBe('outings');
    expect(guessList(['Number', 'Bike', 'Type', 'Rider'])).toBe('machines');
    expect(guessList(['plate', 'task', 'every', 'limit'])).toBe('tasks');
    expect(guessList(['plate', 'task', 'done on', 'at'])).toBe('records');
    expect(guessList(['plate', 'what', 'severity', 'found on'])).toBe('findings');
    expect(guessList(['a', 'b'])).toBeNull();
    expect(headingAt([['Season 2026'], ['', ''], ['Bike', 'Date', 'Meter'], ['12', '1 Nov', '4']])).toBe(2);
    expect(headingAt([['12', '2026-11-21', '119.6']])).toBe(-1);
  });
});

describe('a cell', () => {
  const of = (
    key: string,
    cell: string,
    head: string = key,
    dialect: { decimal: '.' | ','; dates: 'day first' } = plain
  ) => {
    const read = readCell(
      cell,
      outings.find((f: Field) => f.key === key)!,
      unitOfHead(head),
      dialect,
      '2026-11-27'
    );
    return read.ok ? read.value : read.message;
  };
  it.each([
    ['ridden', '90.5', 'Minutes', '1.51'],
    ['ridden', '2', 'Time (h)', '2'],
    ['ridden', '1.5', 'Time', '1.5'],
    ['ridden', '0:45', 'Time', '0.75'],
    ['ridden', '75', 'Time', '1.25'],
    ['ridden', '+2h30', 'Time', '2.5'],
    ['distance', '21', 'Miles', '33.8'],
    ['distance', '21 km', 'Miles', '21'],
    ['hours', ' 119.60 h ', 'Meter', '119.6'],
    ['conditions', 'Mud + water, mud', 'Ground', 'mud, water'],
    ['remark', "'=1+1", 'Notes', '=1+1'],
    ['remark', ' two   spaces ', 'Notes', 'two spaces'],
    ['day', '', 'Date', '']
  ])('%s: %s under %s is %s', (key, cell, head, value) => {
    expect(of(key, cell, head)).toBe(value);
  });
  it('that cannot be read says why', () => {
    expect(of('ridden', '2', 'Time')).toMatch(/minutes or hours/);
    expect(of('hours', 'lots')).toMatch(/Write a figure such as/);
    expect(of('day', 'soon')).toBe('“soon” is no day. Write it like 2026-11-27.');
    expect(of('water crossings', 'many')).toBe('“many” is no number.');
    expect(of('hours', '1.250,5', 'hours', { decimal: ',', dates: 'day first' })).toBe('1250.5');
  });
});
