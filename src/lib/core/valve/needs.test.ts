import { describe, expect, it } from 'vitest';
import { standsOf, type CheckInput, type PastCheck } from './check';
import { USUAL_LAYOUTS } from './head';
import { needsOf } from './needs';
import { wearOfHead } from './wear-of-head';

const V = '1-inlet-left';
const rules = {
  shims: 'all that are open',
  aim: 'middle',
  shimReading: 'goes',
  borderlineValve: 'leave'
} as const;
const past = (hours: number, goes: number): PastCheck => ({
  id: String(hours),
  day: '2026-05-01',
  hours,
  found: { [V]: { by: 'blades', goes, stops: goes + 10 } },
  left: {},
  shims: { [V]: { stamp: 1800, measured: null } },
  fitted: {}
});
const input: CheckInput = {
  layout: USUAL_LAYOUTS[0]!.layout,
  limits: { inlet: { lo: 100, hi: 150 }, exhaust: null },
  rules,
  blades: [],
  step: 25,
  checkId: null,
  readings: [],
  shims: [{ valve: V, stamp: 1800, measured: null, why: 'read', checkId: null }],
  past: [past(40, 120), past(20, 140)]
};
const series = { thinnest: 1200, thickest: 3000, step: 25 };
const needs = (ahead: number, made: typeof series | null = series) => {
  const stands = standsOf(input);
  return needsOf(stands, wearOfHead(stands, input.past, rules, made), ahead, rules, made);
};

describe('what the next check likely wants', () => {
  it('is the size that brings a valve to its aim, by the wear until then', () => {
    // One µm an hour: 120 is 90 in 30 h. 90 + 1800 − 125 = 1765; of 1750 and 1775 the nearer one.
    expect(needs(30)).toEqual([{ valve: V, name: 'Inlet left', clearance: 90, size: 1775, best: 1765 }]);
    expect(needs(30, null)).toMatchObject([{ size: null, best: 1765 }]);
    // No size between 1740 and 1790 is made in steps of 200 from 1200.
    expect(needs(30, { ...series, step: 200 })).toMatchObject([{ size: null }]);
  });
  it('is nothing while it stays inside, and no less for a check that is late', () => {
    expect(needs(20)).toEqual([]);
    expect(needs(-50)).toEqual([]);
  });
});
