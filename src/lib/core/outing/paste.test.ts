import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkRow, isHeading, matchColumns, readDay, type PasteContext } from './paste';

const context: PasteContext = {
  machines: [
    { id: 'a', plate: '12', name: 'Fell 250' },
    { id: 'b', plate: 'E1', name: 'Murmur' },
    { id: 'c', plate: '8', name: 'Twin' },
    { id: 'd', plate: '9', name: 'Twin' }
  ],
  people: [
    { id: 'p', name: 'Ines Varrow' },
    { id: 'q', name: 'Kit Lorne' }
  ],
  today: '2026-11-23',
  day: '2026-11-21',
  kind: 'race'
};
const heads = ['Plate', 'Date', 'Meter', 'Km', 'Rider', 'Ground', 'Symptoms', 'Clutch', 'Time'];
const columns = matchColumns(heads);
const check = (...cells: string[]) => checkRow(cells, columns, context);

describe('columns', () => {
  it('are matched by their headings, each field once', () => {
    expect(columns).toEqual([
      'machine',
      'day',
      'hours',
      'distance',
      'rider',
      'conditions',
      'symptoms',
      'clutch',
      'ridden'
    ]);
    expect(matchColumns(['Hours (h)', 'meter', 'Humidity', 'DISTANCE, km'])).toEqual([
      'hours',
      null,
      null,
      'distance'
    ]);
  });
  it('know a heading from a row', () => {
    expect(isHeading(heads)).toBe(true);
    expect(isHeading(['12', '2026-11-21', '119.6'])).toBe(false);
    expect(isHeading(['machine', '??'])).toBe(false);
  });
});

describe('a day', () => {
  it.each([
    ['2026-11-21', '2026-11-21'],
    ['2026-11-21T09:30', '2026-11-21'],
    ['21.11.2026', '2026-11-21'],
    ['21/11/26', '2026-11-21'],
    ['11/21/2026', '2026-11-21'],
    ['Sat 21 Nov 2026', '2026-11-21'],
    ['21 Nov', '2026-11-21'],
    ['24 Nov', '2025-11-24'],
    ['Nov 21, 2026', '2026-11-21'],
    ['3.4.', '2026-04-03']
  ])('%s is %s', (text, day) => expect(readDay(text, '2026-11-23')).toBe(day));
  it.each(['', 'Saturday', '31.02.2026', '2026-13-01', '45000', '21 Nob'])('%j is none', (text) =>
    expect(readDay(text, '2026-11-23')).toBeNull()
  );
  it('never throws, and is a day or none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), (s) =>
        /^\d{4}-\d{2}-\d{2}$|^null$/.test(String(readDay(s, '2026-11-23')))
      )
    );
  });
});

describe('a row', () => {
  it('is read with names looked up and words split', () => {
    expect(
      check('12', '21 Nov', '119.6', '34', 'ines', 'mud + water', 'clutch slips; smokes', 'Heavy')
    ).toEqual({
      ok: true,
      row: {
        machineId: 'a',
        day: '2026-11-21',
        typed: '119.6',
        before: '',
        distance: '34',
        outing: 'race',
        riderId: 'p',
        conditions: ['mud', 'water'],
        crossings: '',
        clutch: 'heavy',
        symptoms: ['clutch slips', 'smokes'],
        remark: ''
      }
    });
  });
  it('takes the day of the form where it says none, and time ridden where no meter was read', () => {
    const row = (...cells: string[]) => {
      const r = check(...cells);
      return r.ok ? [r.row.day, r.row.typed] : r.problem;
    };
    expect(row('Murmur', '', '', '', '', '', '', '', '75')).toEqual(['2026-11-21', '+75 min']);
    expect(row('e1 murmur', '', '', '', '', '', '', '', '1h15')).toEqual(['2026-11-21', '+1h15']);
    expect(row('12', '', '120', '', '', '', '', '', '75')).toEqual(['2026-11-21', '120']);
  });
  it.each([
    [[''], /No machine named/],
    [['77'], /No machine “77”/],
    [['twin'], /Two machines are called/],
    [['12', 'soon'], /is no day/],
    [['12', '', '', '', 'Bob'], /Nobody called “Bob”/],
    [['12', '', '', '', '', 'lava'], /“lava” is no condition/],
    [['12', '', '', '', '', '', 'sad'], /no symptom known here/],
    [['12', '', '', '', '', '', '', 'feathered'], /Clutch is light, usual, heavy/]
  ])('%j is explained', (cells, why) => {
    const r = check(...cells);
    expect(r.ok ? '' : r.problem).toMatch(why);
  });
});
