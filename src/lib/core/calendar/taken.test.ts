import { describe, expect, it } from 'vitest';
import { likelyKind, verdictOf } from './taken';

const TODAY = '2026-11-27';
const verdict = (firstDay: string, lastDay = firstDay, planned = false) =>
  verdictOf({ firstDay, lastDay }, TODAY, planned);

describe('an event of a calendar file', () => {
  it('is new from today on, and over before', () => {
    expect([verdict(TODAY), verdict('2026-11-26'), verdict('2026-11-25', TODAY)]).toEqual([
      'new',
      'over',
      'new'
    ]);
  });
  it('that was taken in is planned already, whenever it was', () => {
    expect([verdict(TODAY, TODAY, true), verdict('2020-01-01', '2020-01-01', true)]).toEqual([
      'planned already',
      'planned already'
    ]);
  });
  it('takes at most 31 days', () => {
    expect([verdict('2026-12-01', '2026-12-31'), verdict('2026-12-01', '2027-01-01')]).toEqual([
      'new',
      'longer than 31 days'
    ]);
  });
  it('is what its name says', () => {
    expect(
      ['Harrow Edge Hare', 'Round 3, Coldbeck', 'Winter training', 'Test of the race bikes', 'Dentist'].map(
        likelyKind
      )
    ).toEqual(['race', 'race', 'practice', 'practice', 'day out']);
  });
});
