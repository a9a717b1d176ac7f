import { expect, it } from 'vitest';
import { chanceOut } from './chance';
import type { ValveWear } from './wear-of-head';

const check = (hours: number) => ({ hours, clearance: 120, shim: 2000 }) as ValveWear['checks'][number];
const valve = (reaches: ValveWear['reaches'], checks = [check(10), check(30)]): ValveWear => ({
  valve: 'i1',
  name: 'Inlet 1',
  checks,
  course: [],
  rate: 1,
  reaches,
  now: null,
  alarms: []
});
const soon = valve({ early: 10, likely: 20, late: 40 });

it.each([
  [39, 'hardly'],
  [40, 'one in three'],
  [50, 'two in three'],
  [70, 'very likely']
])('last measured at 30 h, at %i h: %s', (hours, chance) => expect(chanceOut([soon], hours)).toBe(chance));
it('is that of the worst valve; one that does not close up is hardly out; without an end nothing is very likely', () => {
  expect(chanceOut([valve(null), soon], 50)).toBe('two in three');
  expect(chanceOut([valve(null)], 50)).toBe('hardly');
  expect(chanceOut([valve({ early: 10, likely: 20, late: null })], 500)).toBe('two in three');
});
it('is not known without hours, or before a second check', () => {
  expect(chanceOut([soon], null)).toBeNull();
  expect(chanceOut([valve(null, [check(10)])], 50)).toBeNull();
  expect(chanceOut([], 50)).toBeNull();
});
