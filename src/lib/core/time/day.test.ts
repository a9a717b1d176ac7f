import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  dayFromNumber,
  dayNumber,
  dayOf,
  daysBetween,
  isDay,
  isTimeZone,
  showDay,
  showDays,
  weekday
} from './day';

describe('calendar days', () => {
  it.each(['2026-02-30', '2026-13-01', '26-1-1', '', 'tomorrow', '2026-6-1'])('%j is none', (text) => {
    expect(isDay(text)).toBe(false);
    expect(() => dayNumber(text)).toThrow(RangeError);
  });
  it('go there and back, over leap years too', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20_000, max: 40_000 }),
        fc.integer({ min: -2000, max: 2000 }),
        (n, by) => {
          const day = dayFromNumber(n);
          expect(dayNumber(day)).toBe(n);
          expect(daysBetween(day, addDays(day, by))).toBe(by);
        }
      )
    );
  });
  it('belong to a time zone', () => {
    const late = new Date('2026-06-10T23:30:00Z');
    expect(dayOf(late, 'UTC')).toBe('2026-06-10');
    expect(dayOf(late, 'Europe/London')).toBe('2026-06-11');
    expect(dayOf(late, 'America/Denver')).toBe('2026-06-10');
    expect([isTimeZone('Europe/London'), isTimeZone('Skerrow/Vale')]).toEqual([true, false]);
  });
  it('read like speech', () => {
    expect(weekday('2026-11-28')).toBe('Sat');
    expect(weekday('1969-12-31')).toBe('Wed');
    expect(showDay('2026-12-03', '2026-11-23')).toBe('3 Dec');
    expect(showDay('2027-01-16', '2026-11-23')).toBe('16 Jan 2027');
    expect(showDays('2026-11-28', '2026-11-29', '2026-11-23')).toBe('Sat 28 – Sun 29 Nov');
    expect(showDays('2026-11-30', '2026-12-01', '2026-11-23')).toBe('Mon 30 Nov – Tue 1 Dec');
    expect(showDays('2026-12-12', '2026-12-12', '2026-11-23')).toBe('Sat 12 Dec');
  });
});
