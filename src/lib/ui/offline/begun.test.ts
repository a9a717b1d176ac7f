import { describe, expect, it } from 'vitest';
import { placeOf } from '$lib/core/command/waits';
import type { Kind } from '$lib/core/command/commands';
import type { Kept } from './store';
import { begunHere, begunVisits } from './begun';

let n = 0;
const kept = (kind: Kind, body: object): Kept => ({
  id: `c${++n}`,
  kind,
  body,
  at: '2026-06-10T10:00:00Z',
  n,
  place: placeOf(kind, body),
  who: '',
  failed: 0,
  waited: true,
  refused: null
});
const start = kept('visit.start', { id: 'v', machineId: 'm' });
const entry = kept('visit.enter', { visitId: 'v', entry: {} });
const other = kept('visit.enter', { visitId: 'w', entry: {} });
const close = kept('visit.close', { visitId: 'v' });

describe('a visit begun on this device', () => {
  it('stands open at its machine until it is closed here or is in the book', () => {
    expect(begunHere([start, entry], 'm')).toBe('v');
    expect(begunHere([start, entry], 'n')).toBeNull();
    expect(begunHere([start, entry, close], 'm')).toBeNull();
    expect(begunHere([entry, other], 'm')).toBeNull();
    // Refused, it still stands: it is there to be sent again.
    expect(begunHere([{ ...start, refused: { errors: {}, more: {} } }], 'm')).toBe('v');
  });
  it('says how much was written in it', () => {
    const at = start.at;
    expect(begunVisits([start, other, entry, entry])).toEqual([
      { id: 'v', machineId: 'm', at, written: 2, closed: false }
    ]);
    expect(begunVisits([start, entry, close])).toEqual([
      { id: 'v', machineId: 'm', at, written: 1, closed: true }
    ]);
  });
});
