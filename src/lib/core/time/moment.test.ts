import fc from 'fast-check';
import { expect, it } from 'vitest';
import { addDays, dayOf } from './day';
import { momentOn, startOf, showMoment, timeOfDay } from './moment';

const NOW = new Date('2026-11-10T03:30:00Z');

it('is now for today, by the team’s own calendar', () => {
  // Half past three in the morning in London is still the evening before in Chicago.
  expect(momentOn('2026-11-10', 'Europe/London', NOW)).toEqual(NOW);
  expect(momentOn('2026-11-09', 'America/Chicago', NOW)).toEqual(NOW);
});

it('is six in the evening there for a day gone by, in summer time and out of it', () => {
  expect(momentOn('2026-11-09', 'Europe/London', NOW).toISOString()).toBe('2026-11-09T18:00:00.000Z');
  expect(momentOn('2026-07-01', 'Europe/London', NOW).toISOString()).toBe('2026-07-01T17:00:00.000Z');
  // The last Sunday of October: the clocks went back that night.
  expect(momentOn('2026-10-25', 'Europe/London', NOW).toISOString()).toBe('2026-10-25T18:00:00.000Z');
  expect(momentOn('2026-11-08', 'America/Los_Angeles', NOW).toISOString()).toBe('2026-11-09T02:00:00.000Z');
  expect(momentOn('2026-11-08', 'Pacific/Auckland', NOW).toISOString()).toBe('2026-11-08T05:00:00.000Z');
});

it('lies on that day in every zone, the farthest ones among them', () => {
  const zones = ['Pacific/Kiritimati', 'Pacific/Pago_Pago', 'Asia/Kathmandu', 'UTC', 'America/St_Johns'];
  fc.assert(
    fc.property(fc.constantFrom(...zones), fc.integer({ min: 1, max: 3650 }), (zone, back) => {
      const day = addDays('2026-11-09', -back);
      expect(dayOf(momentOn(day, zone, NOW), zone)).toBe(day);
    })
  );
});

it('knows no day that is none', () => {
  expect(() => momentOn('nonsense', 'UTC', NOW)).toThrow(RangeError);
});

it('begins a day at midnight there', () => {
  expect(startOf('2026-07-01', 'Europe/London').toISOString()).toBe('2026-06-30T23:00:00.000Z');
  expect(startOf('2026-11-09', 'America/Chicago').toISOString()).toBe('2026-11-09T06:00:00.000Z');
});

it('a moment is said by its time today, with its day otherwise, as the clock of the place has it', () => {
  // 23:30 in London in summer is 22:30 UTC: still that day there, the next one in Helsinki.
  const at = new Date('2026-06-12T22:30:00Z');
  expect(showMoment(at, '2026-06-12', 'Europe/London')).toBe('23:30');
  expect(showMoment(at, '2026-06-12', 'Europe/Helsinki')).toBe('13 Jun, 01:30');
  expect(timeOfDay(at, 'UTC')).toBe('22:30');
});
