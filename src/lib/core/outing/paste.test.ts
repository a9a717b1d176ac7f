import { describe, expect, it } from 'vitest';
import { checkRow, isHeading, matchColumns, type PasteContext } from './paste';

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
  it('heed the unit a heading names, and never take miles for kilometres or minutes for hours', () => {
    expect(matchColumns(['Miles', 'Minutes'])).toEqual(['distance in miles', 'minutes ridden']);
    expect(matchColumns(['Distance (mi)', 'Time, min'])).toEqual(['distance in miles', 'minutes ridden']);
    expect(matchColumns(['Distance [km]', 'Time (h)'])).toEqual(['distance', 'hours ridden']);
    expect(matchColumns(['Hours ridden', 'Distance / miles'])).toEqual(['hours ridden', 'distance in miles']);
    const of = (head: string[], ...cells: string[]) => {
      const r = checkRow(['12', ...cells], ['machine', ...matchColumns(head)], context);
      return r.ok ? [r.row.typed, r.row.distance] : r.problem;
    };
    expect(of(['Minutes', 'Miles'], '90.5', '21')).toEqual(['+90.5 min', '21 mi']);
    expect(of(['Time (h)', 'Miles'], '2', '21 km')).toEqual(['+2 h', '21 km']);
    expect(of(['Time'], '1.5')).toEqual(['+1.5', '']);
    expect(of(['Time'], '0:45')).toEqual(['+0:45', '']);
    expect(of(['Time'], '75')).toEqual(['+75 min', '']);
    expect(of(['Time'], '2')).toMatch(/minutes or hours/);
  });
  it('know a heading from a row', () => {
    expect(isHeading(heads)).toBe(true);
    expect(isHeading(['12', '2026-11-21', '119.6'])).toBe(false);
    expect(isHeading(['machine', '??'])).toBe(false);
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
