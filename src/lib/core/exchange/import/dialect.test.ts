import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeText } from './decode';
import { detectDates, detectDecimal, plainNumber, readDayCell } from './dialect';

const bytes = (...b: number[]) => new Uint8Array(b);

describe('the letters of a file', () => {
  it.each([
    ['UTF-8', new TextEncoder().encode('Fjällräven')],
    ['UTF-8', new TextEncoder().encode('\uFEFFFjällräven')],
    ['Latin-1', bytes(...[...'Fjällräven'].map((c) => c.charCodeAt(0)))],
    [
      'UTF-16',
      bytes(0xff, 0xfe, ...[...'Fjällräven'].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]))
    ],
    [
      'UTF-16',
      bytes(0xfe, 0xff, ...[...'Fjällräven'].flatMap((c) => [c.charCodeAt(0) >> 8, c.charCodeAt(0) & 255]))
    ]
  ])('%s is read', (as, file) => {
    const read = decodeText(file);
    expect(read.ok && [read.text.replace('\uFEFF', ''), read.as]).toEqual(['Fjällräven', as]);
  });
  it('a workbook, a picture and 200 MB are told apart, in words', () => {
    const no = (b: Uint8Array) => {
      const read = decodeText(b);
      return read.ok ? '' : read.message;
    };
    expect(no(bytes(0x50, 0x4b, 3, 4, 0))).toMatch(/whole workbook/);
    expect(no(bytes(0x89, 0x50, 0x4e, 0x47, 0, 0))).toMatch(/no text/);
    expect(no({ byteLength: 200_000_000 } as Uint8Array)).toMatch(/over 10 MB/);
  });
});

describe('the decimal sign', () => {
  it.each<[string[], string, boolean]>([
    [['38,4', '40,1 h'], ',', true],
    [['38.4', '1,250.5'], '.', true],
    [['1.250,5', '12'], ',', true],
    [['0,125'], ',', true],
    [['12', '1h15', ''], '.', true],
    // One thousand two hundred and fifty, or one and a quarter: nothing says which.
    [['1,250'], '.', false],
    // Most say one thing; one does not agree.
    [['38,4', '39,1', '40.2'], ',', false]
  ])('of %j is %s', (cells, is, sure) => {
    expect(detectDecimal(cells)).toMatchObject({ is, sure });
  });
  it.each([
    ['1.250,5 km', ',', '1250.5 km'],
    ['1,250.5 km', '.', '1250.5 km'],
    ['1 250,5', ',', '1250.5'],
    ['1’250', '.', '1’250'],
    ["1'250.5", '.', '1250.5'],
    ['1,250', ',', '1.250'],
    ['1,250', '.', '1250'],
    // No thousands can stand there.
    ['38.4', ',', '38.4'],
    ['38,4', '.', '38.4'],
    ['2h30', ',', '2h30'],
    ['', ',', '']
  ] as const)('%s with %s reads %s', (cell, decimal, plain) => {
    expect(plainNumber(cell, decimal)).toBe(plain);
  });
  it('any number written with either sign, thousands parted or not, is the same number', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.integer({ min: 0, max: 99 }),
        fc.boolean(),
        (whole, part, parted) => {
          for (const [decimal, other] of [
            ['.', ','],
            [',', '.']
          ] as const) {
            const head = parted ? whole.toLocaleString('en').replaceAll(',', other) : String(whole);
            const text = `${head}${decimal}${String(part).padStart(2, '0')}`;
            expect([text, Number(plainNumber(text, decimal))]).toEqual([
              text,
              Number(`${whole}.${String(part).padStart(2, '0')}`)
            ]);
          }
        }
      )
    );
  });
});

describe('days', () => {
  it.each<[string[], string, boolean]>([
    [['25/11/2026', '01/02/2026'], 'day first', true],
    [['11/25/2026'], 'month first', true],
    [['03/04/2026'], 'day first', false],
    [['03/03/2026', '2026-11-25', '25 Nov'], 'day first', true],
    [['25/11/2026', '26/11/2026', '11/28/2026'], 'day first', false]
  ])('of %j come %s', (cells, is, sure) => {
    expect(detectDates(cells)).toMatchObject({ is, sure });
  });
  it.each([
    ['2026-11-25', 'month first', '2026-11-25'],
    ['2026-11-25T18:30', 'day first', '2026-11-25'],
    ['25/11/2026', 'day first', '2026-11-25'],
    ['25.11.26', 'day first', '2026-11-25'],
    ['11/25/2026 6:30 PM', 'month first', '2026-11-25'],
    ['25 November 2026', 'month first', '2026-11-25'],
    // The other way round is not guessed.
    ['11/25/2026', 'day first', null],
    ['25/11/2026', 'month first', null],
    ['31.02.2026', 'day first', null],
    // Days as spreadsheets count them: the first of 2000, and one with its hour.
    ['36526', 'day first', '2000-01-01'],
    ['46351.75', 'day first', '2026-11-25'],
    ['soon', 'day first', null],
    ['', 'day first', null]
  ] as const)('%s with the %s is %s', (cell, order, day) => {
    expect(readDayCell(cell, order, '2026-11-27')).toBe(day);
  });
});
