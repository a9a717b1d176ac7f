import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseRange, showRange } from './range';

const clearance = { dimension: 'length', unit: 'mm' } as const;
const ends = (text: string, options: Parameters<typeof parseRange>[1] = clearance) => {
  const r = parseRange(text, options);
  return r.ok ? [r.range.from.value, r.range.to?.value ?? null, r.range.from.unit] : r.problem.message;
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
    ['0.12 mm', 0.12, null, 'mm'],
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
    const r = parseRange('90–100 kPa', { dimension: 'pressure' });
    expect(r.ok && [showRange(r.range), showRange(r.range, 'psi')]).toEqual(['90–100 kPa', '13.1–14.5 psi']);
  });
  it('what is shown is read again as the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 0, max: 500 }), (lo, more) => {
        const text = `${lo / 100}–${(lo + more) / 100} mm`;
        const r = parseRange(text, clearance);
        expect(r.ok && showRange(r.range)).toBe(text);
      })
    );
  });
});
