import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactly, judge, lowerEnd, middle, onlyOne, parseBand, showBand, type Band } from './band';
import { quantity } from './quantity';

const clearance = { dimension: 'length', unit: 'mm' } as const;
const ends = (text: string, options: Parameters<typeof parseBand>[1] = clearance) => {
  const r = parseBand(text, options);
  return r.ok
    ? [r.band.from?.value ?? null, r.band.to?.value ?? null, lowerEnd(r.band).unit]
    : r.problem.message;
};

describe('a figure that may be a range', () => {
  it.each([
    ['0.10–0.15 mm', 0.1, 0.15, 'mm'],
    ['0.10-0.15', 0.1, 0.15, 'mm'],
    ['0,10 - 0,15mm', 0.1, 0.15, 'mm'],
    ['35 to 45 mm', 35, 45, 'mm'],
    ['0.12 ± 0.02 mm', 0.1, 0.14, 'mm'],
    ['0.005 +/- 0.001 in', 0.004, 0.006, 'in'],
    ['0.004 in – 0.006 in', 0.004, 0.006, 'in'],
    ['0.12 mm', 0.12, 0.12, 'mm'],
    ['max 0.2 mm', null, 0.2, 'mm'],
    ['max. 0.2', null, 0.2, 'mm'],
    ['at most 0.2 mm', null, 0.2, 'mm'],
    ['≤ 0.2 mm', null, 0.2, 'mm'],
    ['0.2 mm max', null, 0.2, 'mm'],
    ['0.2 mm or less', null, 0.2, 'mm'],
    ['min 1.5 mm', 1.5, null, 'mm'],
    ['at least 1/16 in', 0.0625, null, 'in'],
    ['> 1.5 mm', 1.5, null, 'mm'],
    ['1.5 mm or more', 1.5, null, 'mm'],
    ['0.10–0.15 mm (0.004–0.006 in)', 0.1, 0.15, 'mm']
  ])('%s', (text, from, to, unit) => expect(ends(text)).toEqual([from, to, unit]));
  it.each([
    ['0.15–0.10 mm', /runs backwards/],
    ['3–5 mm (0.12–0.40 in)', /5 mm is 0\.1969 in, not 0\.4 in/],
    ['3–5 mm (0.12 in)', /not a range/],
    ['3–5 litres', /litres measures volume|L measures volume/],
    ['3 mm – 5 in', /in one unit/],
    ['about right', /Write a figure/],
    ['1'.repeat(90), /too long/],
    ['', /Write a figure/]
  ])('%s is refused, saying why', (text, why) => expect(ends(text)).toMatch(why));
  it('below zero is refused where nothing can be', () =>
    expect(ends('0.01 ± 0.02 mm')).toMatch(/Below zero/));
  it('is shown as it was printed, and in the other unit', () => {
    const r = parseBand('90–100 kPa', { dimension: 'pressure' });
    expect(r.ok && [showBand(r.band), showBand(r.band, 'psi')]).toEqual(['90–100 kPa', '13.1–14.5 psi']);
  });
  it('what is shown is read again as the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 500 }), (lo, more) => {
        const text = `${lo / 100}–${(lo + more) / 100} mm`;
        const r = parseBand(text, clearance);
        expect(r.ok && showBand(r.band)).toBe(text);
      })
    );
  });
  it('three minutes are no minimum', () =>
    expect(ends('3 min', { dimension: 'time', unit: 'min' })).toEqual([3, 3, 'min']));
  it('one end is said as one', () => {
    const most = parseBand('max 35 psi', { dimension: 'pressure' });
    expect(most.ok && [showBand(most.band), showBand(most.band, 'kPa')]).toEqual([
      'at most 35 psi',
      'at most 241 kPa'
    ]);
    expect(showBand({ from: quantity(1.5, 'mm'), to: null })).toBe('at least 1.5 mm');
  });
});

describe('judging by a band', () => {
  const mm = (n: number) => quantity(n, 'mm');
  const slack: Band = { from: mm(35), to: mm(45) };
  it.each([
    [mm(40), slack, 'inside'],
    [mm(35), slack, 'on the edge'],
    [mm(45), slack, 'on the edge'],
    [mm(34.9), slack, 'outside'],
    [mm(45.1), slack, 'outside'],
    [quantity(1.5, 'in'), slack, 'inside'],
    // 45 mm is 1.7717 in.
    [quantity(1.8, 'in'), slack, 'outside'],
    [quantity(4, 'cm'), slack, 'inside'],
    [mm(20), { from: null, to: mm(20) }, 'on the edge'],
    [mm(19), { from: null, to: mm(20) }, 'inside'],
    [mm(21), { from: null, to: mm(20) }, 'outside'],
    [mm(1), { from: mm(1.5), to: null }, 'outside'],
    [mm(2), { from: mm(1.5), to: null }, 'inside'],
    [mm(20), exactly(mm(20)), 'inside'],
    // 20 mm is what 19.6 and 20.4 would be printed as; 0.7 mm is not 0.8.
    [mm(20.4), exactly(mm(20)), 'inside'],
    [mm(20.6), exactly(mm(20)), 'outside'],
    [mm(0.74), exactly(mm(0.7)), 'inside'],
    [mm(0.8), exactly(mm(0.7)), 'outside'],
    [quantity(2, 'in'), exactly(mm(50.8)), 'inside']
  ] as const)('%o by %o: %s', (value, band, says) => expect(judge(value, band)).toBe(says));
  it('refuses to hold a torque against a length', () =>
    expect(() => judge(quantity(20, 'N·m'), slack)).toThrow(RangeError));
  it('the middle lies inside, and the ends on the edge, in whatever unit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9000 }),
        fc.integer({ min: 1, max: 9000 }),
        fc.constantFrom('mm' as const, 'in' as const, 'thou' as const),
        (lo, more, unit) => {
          const band: Band = { from: quantity(lo / 100, unit), to: quantity((lo + more) / 100, unit) };
          expect(judge(middle(band), band)).toBe('inside');
          expect(judge(quantity(band.from!.base, 'mm'), band)).toBe('on the edge');
          expect(judge(quantity(band.to!.base, 'mm'), band)).toBe('on the edge');
          expect([onlyOne(band), lowerEnd(band)]).toEqual([null, band.from]);
        }
      )
    );
  });
});
