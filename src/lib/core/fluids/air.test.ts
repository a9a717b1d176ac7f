import { describe, expect, it } from 'vitest';
import { parseAir, readAirTable, showAir } from './air';

describe('air as people type it', () => {
  it.each([
    ['−5 to 15 °C', -5, 15],
    ['15..-5', -5, 15],
    ['32 to 68 F', 0, 20],
    ['23 °F to 60 °F', -5, 16],
    ['-5 – 15', -5, 15]
  ])('%s', (text, from, to) => expect(parseAir(text)).toEqual({ from, to }));
  it.each(['', 'warm', '-5', '0 to 99', '-80 to 0', '5 to 6 K'])('%j is none', (text) =>
    expect(parseAir(text)).toBeNull()
  );
  it('is read as it is shown', () =>
    expect(parseAir(showAir({ from: -3, to: 12 }))).toEqual({ from: -3, to: 12 }));
});

describe('a file of days', () => {
  const head = ['Date', 'Low', 'High'];
  it('gives the coldest night and the warmest day of the weeks ahead, no others', () => {
    const rows = [
      head,
      ['2026-11-01', '-20', '30'],
      ['2026-11-26', '-2.4', '6'],
      ['2026-12-10', '1', '8.2'],
      ['2027-03-01', '5', '40']
    ];
    expect(readAirTable(rows, '2026-11-25')).toEqual({ ok: true, air: { from: -3, to: 9 }, days: 2 });
  });
  it('reads other headings, other days, and Fahrenheit where it says so', () => {
    const rows = [
      ['forecast day', 'max °F', 'min °F', 'rain'],
      ['26.11.2026', '50', '32', '3'],
      ['', '', '', '']
    ];
    expect(readAirTable(rows, '2026-11-25')).toEqual({ ok: true, air: { from: 0, to: 10 }, days: 1 });
  });
  it.each([
    [[], /three columns/],
    [
      [
        ['day', 'temp'],
        ['2026-11-26', '5']
      ],
      /three columns/
    ],
    [[head, ['2026-11-26', 'mild', '5']], /Row 2 cannot be read/],
    [[head, ['2026-10-01', '1', '5']], /no day from 2026-11-25/],
    [[head, ['2026-11-26', '40', '95']], /Is it Fahrenheit/]
  ])('%j is explained', (rows, why) => {
    const read = readAirTable(rows as string[][], '2026-11-25');
    expect(read.ok ? '' : read.message).toMatch(why);
  });
});
