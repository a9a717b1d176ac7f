import { describe, expect, it } from 'vitest';
import { KINDS } from './commands';
import { roundPlace, visitPlace } from '../command-rule';
import { endsItsPlace, mayWait, placeOf, restsOn } from './waits';

describe('what may wait on a device', () => {
  it('is all that a day without a signal brings: hours, visits, rounds, findings, photos, readings', () => {
    for (const kind of [
      'reading.log',
      'visit.start',
      'visit.enter',
      'visit.close',
      'round.answer',
      'finding.add',
      'finding.photo',
      'photo.attach',
      'valve.measure',
      'chain.measure',
      'task.done'
    ] as const)
      expect(mayWait(kind)).toBe(true);
  });
  it('is nothing that sets up, plans, strikes out or opens a way in: that wants the book as it stands', () => {
    const waits = KINDS.filter(
      (k) =>
        /^(team|person|invitation|session|device|token|calendar|rule|event|machine|job|component|sheet)\.|\.strike|\.retire/.test(
          k
        ) && mayWait(k)
    );
    expect(waits).toEqual([]);
  });
  it('belongs with what it is written at', () => {
    expect(placeOf('visit.start', { id: 'v', machineId: 'm' })).toBe(visitPlace('v'));
    expect(placeOf('visit.enter', { visitId: 'v' })).toBe(visitPlace('v'));
    expect(placeOf('visit.close', { visitId: 'v' })).toBe(visitPlace('v'));
    expect(placeOf('round.answer', { list: 'ready', machineId: 'm' })).toBe(roundPlace('ready', 'm'));
    expect(placeOf('valve.shim', { headId: 'h' })).toBe('valves h');
    expect(placeOf('chain.measure', { machineId: 'm' })).toBe('chain m');
    expect([placeOf('finding.add', { machineId: 'm' }), placeOf('visit.enter', null)]).toEqual([
      '',
      'visit '
    ]);
  });
  it('only the close of a visit shuts out what was refused before it', () => {
    expect(KINDS.filter(endsItsPlace)).toEqual(['visit.close']);
  });
  it('what is written or measured in a visit rests on its beginning, and nothing else does', () => {
    const begins = { kind: 'visit.start' as const, body: { id: 'v', machineId: 'm' } };
    expect(restsOn({ body: { visitId: 'v', entry: {} } }, begins)).toBe(true);
    expect(restsOn({ body: { headId: 'h', visitId: 'v' } }, begins)).toBe(true);
    for (const body of [{ visitId: 'w' }, { visitId: null }, { id: 'v' }, {}, null])
      expect(restsOn({ body }, begins)).toBe(false);
    expect(
      restsOn({ body: { visitId: 'v' } }, { kind: 'visit.enter', body: { id: 'v', visitId: 'v' } })
    ).toBe(false);
    expect(restsOn({ body: {} }, { kind: 'visit.start', body: {} })).toBe(false);
  });
});
