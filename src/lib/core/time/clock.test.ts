import { expect, it } from 'vitest';
import { clockOff } from './clock';

it.each([
  [0, null],
  [-179_000, null],
  [180_000, '3 min ahead'],
  [-60 * 60_000, '60 min behind'],
  [3 * 3_600_000, '3 h ahead'],
  [-47 * 3_600_000, '47 h behind'],
  [365 * 86_400_000, '365 days ahead'],
  [NaN, null]
])('%d ms: %s', (ms, words) => expect(clockOff(ms)).toBe(words));
