import { describe, expect, it } from 'vitest';
import type { ValveWear } from '$lib/core/valve/wear-of-head';
import { headline, wearLine } from './wear-words';

const wear = (name: string, more: Partial<ValveWear>): ValveWear => ({
  valve: name,
  name,
  checks: [
    { hours: 0, clearance: 130, shim: 1800 },
    { hours: 20, clearance: 120, shim: 1800 }
  ],
  course: [],
  rate: -0.5,
  reaches: null,
  now: null,
  alarms: [],
  ...more
});

describe('what wear means, in a sentence', () => {
  it('says between how many hours, or that nobody can say', () => {
    expect(
      wearLine(wear('Inlet right', { rate: -1.2, reaches: { early: 18.2, likely: 21, late: 26.4 } }))
    ).toBe('Inlet right closes up by 1.2 µm an hour and reaches its lower limit in about 18 to 26 h.');
    expect(wearLine(wear('Inlet', { reaches: { early: 40, likely: 50, late: null } }))).toBe(
      'Inlet closes up by 0.5 µm an hour and reaches its lower limit in 40 h or more.'
    );
    expect(wearLine(wear('Inlet', { reaches: { early: 0, likely: 12, late: null } }))).toBe(
      'Inlet closes up by 0.5 µm an hour and is near its lower limit: about 12 h at that rate, perhaps less.'
    );
    expect(wearLine(wear('Inlet', { reaches: { early: 0, likely: 0, late: 0 } }))).toBe(
      'Inlet closes up by 0.5 µm an hour and has reached its lower limit.'
    );
    expect(wearLine(wear('Inlet', { rate: -0.01 }))).toBe('Inlet stands still.');
    expect(wearLine(wear('Inlet', { rate: 0.3 }))).toBe('Inlet opens by 0.3 µm an hour.');
    expect(wearLine(wear('Inlet', { rate: null, checks: [] }))).toBe(
      'Inlet: no check with a shim that is known yet.'
    );
  });

  it('leads with the valve that likely gets there first', () => {
    const slow = wear('Exhaust', { reaches: { early: 0, likely: 90, late: null } });
    const fast = wear('Inlet', { reaches: { early: 9, likely: 12, late: 20 } });
    expect(headline([slow, fast]).valve).toBe('Inlet');
    expect(headline([wear('Inlet', { rate: 0 })]).words).toBe('No valve of it closes up.');
    expect(headline([])).toMatchObject({ valve: null });
  });
});
