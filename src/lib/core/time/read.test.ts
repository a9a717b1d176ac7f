import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readDay } from './read';

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
