import { expect, it } from 'vitest';
import type { Kept } from '../offline/store';
import { timersHere, type Running } from './waiting-timers';

const kept = (entry: object, more: Partial<Kept> = {}): Kept => ({
  id: 'k',
  kind: 'visit.enter',
  body: { visitId: 'v', entry: { stepKey: 'drain', itemKey: null, ...entry } },
  at: '2026-06-10T10:00:00.000Z',
  n: 1,
  place: 'visit v',
  who: '',
  failed: 0,
  waited: true,
  refused: null,
  ...more
});
const set = (id: string, more: Partial<Kept> = {}) =>
  kept({ id, action: 'timer', content: { label: 'the oil drains', seconds: 600 } }, more);
const off = (of: string) => kept({ id: `off ${of}`, action: 'timer off', content: { of } });
const there: Running = {
  id: 't',
  visitId: 'w',
  plate: '70',
  stepKey: 'warm',
  label: 'warm up',
  endsAt: '2026-06-10T10:03:00.000Z'
};

it('a timer set without a signal runs here, from when it was set', () => {
  expect(timersHere([there], [set('a')], { v: '12' }, 0)).toEqual([
    there,
    {
      id: 'a',
      visitId: 'v',
      plate: '12',
      stepKey: 'drain',
      label: 'the oil drains',
      endsAt: '2026-06-10T10:10:00.000Z'
    }
  ]);
});
it('ends by the server’s clock, however far this one is ahead', () => {
  expect(timersHere([], [set('a')], {}, 3_600_000)[0]!.endsAt).toBe('2026-06-10T09:10:00.000Z');
});
it('turned off here it is gone at once, set here or there; known to the server it stands once; refused it does not run', () => {
  expect(timersHere([there], [off('t'), set('a'), off('a')], {}, 0)).toEqual([]);
  expect(timersHere([{ ...there, id: 'a' }], [set('a')], {}, 0)).toHaveLength(1);
  expect(timersHere([], [set('a', { refused: { errors: {}, more: {} } })], {}, 0)).toEqual([]);
});
