import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseBand } from '../quantity/band';
import {
  inAll,
  inSixteenths,
  readSlack,
  showSlack,
  slackInWords,
  wantedInWords,
  toldOf,
  wantedOf,
  withUnit
} from './slack-typed';

const printed = (typed: string) => {
  const words = slackInWords(typed);
  if (words) return { band: null, text: typed };
  const read = parseBand(typed, { dimension: 'length', unit: 'mm' });
  return read.ok ? { band: read.band, text: null } : { band: null, text: typed };
};
const told = (typed: string, at = 0.5) => toldOf(printed(typed), at, 16);

describe('slack as a manual prints it', () => {
  it.each([
    ['35–45 mm', 'in all', 35, 45],
    ['40 ± 5 mm', 'in all', 35, 45],
    ['1 1/4 in', 'in all', 31.75, 31.75],
    ['1 to 1.5 in', 'in all', 25.4, 38.1],
    ['± 20 mm', 'each way', 40, 40],
    ['+/- 15–20 mm', 'each way', 30, 40],
    ['15 mm each way', 'each way', 30, 30],
    ['2 fingers', 'fingers', 32, 32],
    ['two to three fingers', 'fingers', 32, 48],
    ['two and a half fingers', 'fingers', 40, 40],
    ['1 1/2 fingers', 'fingers', 24, 24]
  ] as const)('%s is told %s: %d to %d mm in all', (typed, how, lo, hi) => {
    const t = told(typed)!;
    expect(t.how).toBe(how);
    expect(t.lo!).toBeCloseTo(lo, 6);
    expect(t.hi!).toBeCloseTo(hi, 6);
  });

  it('pushed up only is from where it hangs: half-way 2 / (1 + √¾) of it', () => {
    // A bow hangs √¾ as deep as the corner of the same excess: 1 + 0.8660 of a half, of 2 halves.
    expect(inAll('up only', 0.5)).toBeCloseTo(2 / 1.8660254, 6);
    expect(told('up 30 mm')!.lo).toBeCloseTo(32.15, 2);
    expect(told('30 mm up only')).toMatchObject({ how: 'up only' });
    expect(told('pushed up 30–40 mm')!.hi).toBeCloseTo(42.87, 2);
    // Nearer to a sprocket the bow is flatter still: 3 · 0.2 · 0.8 = 0.48, root 0.6928.
    expect(inAll('up only', 0.2)).toBeCloseTo(2 / 1.6928203, 6);
  });

  it('is unknown where the words say no figure, and an upper limit is not told upwards', () => {
    expect(told('as the chain guide shows')).toBeNull();
    expect(told('some fingers')).toBeNull();
    expect(slackInWords('up to 40 mm')).toBeNull();
    expect(told('up to 40 mm')).toMatchObject({ how: 'in all', lo: null, hi: 40 });
  });

  it('so much up and so much down is each way', () => {
    // A quarter inch each way is half an inch in all, 12.7 mm.
    for (const typed of ['¼ in up, ¼ in down', '1/4 in up and 1/4 in down', '6.35 mm up, 6.35 mm down']) {
      expect(told(typed)).toMatchObject({ how: 'each way' });
      expect(told(typed)!.lo).toBeCloseTo(12.7, 6);
    }
    expect(told('10 mm up, 20 mm down')).toBeNull();
  });

  it('one-sided, its other end stays open, and no aim is made up', () => {
    for (const [typed, lo, hi] of [
      ['at least 35 mm', 35, null],
      ['min 35 mm', 35, null],
      ['max 50 mm', null, 50],
      ['at most 45 mm', null, 45]
    ] as const) {
      expect(told(typed)).toEqual({ how: 'in all', lo, hi });
      expect(wantedOf(told(typed)!, 5)).toEqual({ how: 'in all', lo, hi, aim: null, tolerance: null });
    }
    expect(told('up at least 30 mm')!.hi).toBeNull();
    expect(wantedInWords(wantedOf(told('at least 35 mm')!, 5))).toBe('at least 35 mm');
    expect(wantedInWords(wantedOf(told('at most 45 mm')!, 5))).toBe('at most 45 mm');
  });

  it('one figure that the house rule made a range says so where it is used', () => {
    // 1 in is 25.4 mm; 5 mm either way.
    expect(wantedInWords(wantedOf(told('1 in')!, 5))).toBe(
      '20.5 mm to 30.5 mm, by the house rule 5 mm either way of 25.5 mm'
    );
    expect(wantedInWords(wantedOf(told('1 in')!, 5), 'in')).toBe(
      '13/16 in to 1 3/16 in, by the house rule 3/16 in either way of 1 in'
    );
    expect(wantedInWords(wantedOf(told('35–45 mm')!, 5))).toBe('35 mm to 45 mm');
  });

  it('one figure is kept to within what the house says; of a range the middle is aimed at', () => {
    expect(wantedOf(told('40 mm')!, 5)).toMatchObject({ lo: 35, hi: 45, aim: 40 });
    expect(wantedOf(told('35–45 mm')!, 5)).toMatchObject({ lo: 35, hi: 45, aim: 40 });
    expect(wantedOf(told('3 mm')!, 5).lo).toBe(0);
  });
});

describe('slack as it is read off the chain', () => {
  const read = (typed: string, usual: Parameters<typeof readSlack>[1] = 'in all', unit?: 'in' | 'mm') =>
    readSlack(typed, usual, 0.5, 16, unit);
  it.each([
    ['38', 38],
    ['38,5 mm', 38.5],
    ['1 1/4 in', 31.8],
    ['1 1/2"', 38.1],
    ['2 fingers', 32],
    ['± 18', 36],
    ['18 each way', 36],
    ['40 in all', 40],
    ['0', 0]
  ])('%s is %d mm', (typed, slack) => {
    expect(read(typed)).toMatchObject({ ok: true, slack });
  });
  it('a naked number is told as the manual tells it, in the unit of the field', () => {
    expect(read('18', 'each way')).toMatchObject({ slack: 36, how: 'each way' });
    expect(read('28', 'up only')).toMatchObject({ slack: 30, how: 'up only' });
    expect(read('1.5', 'in all', 'in')).toMatchObject({ slack: 38.1 });
    // Two of what? Nobody means 38 fingers.
    for (const bare of ['2', '2.5', '1 1/2', '3'])
      expect(read(bare, 'fingers')).toEqual({
        ok: false,
        message: `${bare} fingers, or ${bare} mm? The manual tells it in fingers: write which.`
      });
    expect(read('1.5', 'fingers', 'in')).toMatchObject({ ok: false });
    expect(read('2 fingers', 'fingers')).toMatchObject({ slack: 32 });
    expect(read('2 mm', 'fingers')).toMatchObject({ slack: 2 });
    expect(read('38', 'fingers')).toMatchObject({ slack: 38, how: 'in all' });
    expect(read('40 total', 'each way')).toMatchObject({ slack: 40, how: 'in all' });
  });
  it.each(['', 'tight', '500', '45 in', 'nine fingers', '-3', '38 psi'])('%s is not', (typed) => {
    const r = read(typed);
    expect(r.ok).toBe(false);
    if (!r.ok) expect(r.message).toMatch(/\w/);
  });
  it('half a metre says what it may be', () => {
    expect(read('500')).toEqual({
      ok: false,
      message: '500 mm is more than hangs on any machine (200 mm). The other unit, or a decimal point?'
    });
  });
  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (s) => void read(s)));
  });
});

it('is kept with the unit a naked number was in', () => {
  expect(withUnit(' 1 1/2 ', 'in')).toBe('1 1/2 in');
  expect(withUnit('38,5', 'mm')).toBe('38,5 mm');
  expect(withUnit('2 fingers', 'mm')).toBe('2 fingers');
  expect(withUnit('± 18', 'mm')).toBe('± 18');
});

it('is shown in half millimetres, and in sixteenths of an inch', () => {
  expect(showSlack(38.24)).toBe('38 mm');
  expect(showSlack(38.26)).toBe('38.5 mm');
  expect(inSixteenths(31.75)).toBe('1 1/4 in');
  expect(inSixteenths(38.1)).toBe('1 1/2 in');
  expect(inSixteenths(25.4)).toBe('1 in');
  expect(inSixteenths(11.1)).toBe('7/16 in');
});
