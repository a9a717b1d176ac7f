import { describe, expect, it } from 'vitest';
import { doneAtInWords } from './hours';

describe('at which hours work was done', () => {
  it.each([
    [{ hours: 2240, part: null, machineHours: null }, '22.4 h'],
    [{ hours: null, part: null, machineHours: null }, 'hours not known'],
    [{ hours: 2240, part: 'Engine B', machineHours: 2240 }, '22.4 h'],
    [{ hours: 2240, part: 'Engine B', machineHours: 7100 }, 'Engine B 22.4 h, machine 71.0 h'],
    [{ hours: 2240, part: 'Engine B', machineHours: null }, '22.4 h'],
    [{ hours: null, part: 'Engine B', machineHours: 7100 }, 'machine 71.0 h, Engine B not known']
  ])('%j: %s', (at, words) => expect(doneAtInWords(at)).toBe(words));
});
