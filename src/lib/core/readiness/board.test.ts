import { minutesInWords } from '../time/minutes';
import { describe, expect, it } from 'vitest';
import {
  boardRow,
  notReadyFirst,
  ridesInWords,
  shortOils,
  untilInWords,
  workInWords,
  workOfAll
} from './board';
import type { VisitMinutes } from '../job/minutes';
import type { StockedOil } from '../stores/toolbox';
import { mayRide, readiness, RIDES, type Facts } from './readiness';

const one = { machineId: 'm', plate: '7', name: 'Barrow 250', rider: null };
const facts: Facts = {
  findings: [
    { id: 'a', what: 'Seal weeps', severity: 'watch', waits: null, closed: false },
    { id: 'b', what: 'Clamp not torqued', severity: 'park the machine', waits: null, closed: false },
    {
      id: 'c',
      what: 'Hose chafed',
      severity: 'fix now',
      waits: { waitsFor: 'a part to arrive', part: 'hose', expectedOn: '2026-06-12', come: false },
      closed: false
    },
    { id: 'd', what: 'Old', severity: 'park the machine', waits: null, closed: true }
  ],
  reminders: [
    { id: 'r', words: 'Filter', waitsFor: 'a part to arrive', part: '', expectedOn: null, come: false },
    { id: 's', words: 'Filter', waitsFor: 'a part to arrive', part: 'oil', expectedOn: null, come: true }
  ],
  tasks: [
    { id: 't', name: 'Oil', state: 'past due', pastLimit: null },
    { id: 'u', name: 'Air', state: 'clear', pastLimit: null }
  ],
  visitId: null,
  visit: null,
  notes: [],
  round: { state: 'done' },
  roundMinutes: 6
};

describe('the board', () => {
  it('tells findings from deferred work, and names the parts that are waited for', () => {
    expect(boardRow(one, facts, readiness(facts), ['b'])).toMatchObject({
      unserviced: 1,
      findings: 2,
      gravest: 'fix now',
      deferred: 1,
      parts: ['hose, 12 Jun', 'a part']
    });
  });
  it('names the heaviest reasons, and counts the others', () => {
    const row = boardRow(one, facts, readiness(facts), []);
    // All of them, the heaviest first; a screen folds what is past the third.
    expect(row.readiness.reasons.slice(0, 3).map((r) => r.kind)).toEqual(['parked', 'fix now', 'come']);
    expect(row.readiness.reasons).toHaveLength(readiness(facts).reasons.length);
  });
  it('puts who may not ride first, then by plate as numbers', () => {
    const row = (plate: string, rides: (typeof RIDES)[number]) => ({
      ...boardRow({ ...one, plate }, facts, readiness(facts), []),
      rides
    });
    const rows = [
      row('12', 'ready'),
      row('3', 'ready'),
      row('100', 'not ready'),
      row('41', 'may ride, with work due')
    ];
    expect(rows.sort(notReadyFirst).map((r) => r.plate)).toEqual(['100', '41', '3', '12']);
    expect(ridesInWords(rows)).toBe('2 of 4 ready, 1 more may ride with work due');
    expect(ridesInWords(rows.slice(2))).toBe('2 of 2 ready');
  });
  it('never calls a machine ready whose work is due, or that a symptom calls to work', () => {
    const clear: Facts = { ...facts, findings: [], reminders: [], tasks: [] };
    const of = (state: Facts['tasks'][number]['state']) =>
      mayRide(readiness({ ...clear, tasks: [{ ...facts.tasks[0]!, state }] }));
    expect(mayRide(readiness(clear))).toBe('ready');
    expect(of('past due')).toBe('may ride, with work due');
    expect(of('due before the next outing')).toBe('may ride, with work due');
    expect(of('past limit')).toBe('not ready');
    expect([of('coming'), of('unknown')]).toEqual(['ready', 'ready']);
  });
  it('says time as it is said', () => {
    expect(untilInWords('2026-06-10', '2026-06-10')).toBe('it is on');
    expect(untilInWords('2026-06-11', '2026-06-10')).toBe('tomorrow');
    expect(untilInWords('2026-06-13', '2026-06-10')).toBe('in 3 days');
    expect([0, 50, 59.2, 125].map(minutesInWords)).toEqual(['0 min', '50 min', '1 h 00', '2 h 05']);
    const work = (attended: number, grown: VisitMinutes['grown'] = null) => ({
      elapsed: attended,
      attended,
      grown
    });
    expect(workInWords({ work: work(80), unsaid: 2 })).toBe('1 h 20, and 2 things not timed');
    expect(workInWords({ work: work(0), unsaid: 1 })).toBe('1 thing not timed');
    expect(workInWords({ work: work(0), unsaid: 0 })).toBe('');
    const shims = { elapsed: 120, attended: 112, when: 'shims are needed' };
    expect(workInWords({ work: work(51, shims), unsaid: 0 })).toBe('51 min, or 1 h 52 if shims are needed');
    const row = (grown: VisitMinutes['grown']) => ({
      readiness: { ready: true, reasons: [], work: work(51, grown), unsaid: 0 }
    });
    expect(workOfAll([row(shims), row(null)])).toBe('1 h 42; up to 2 h 43 if everything measured is out');
    expect(workOfAll([row(null)])).toBe('51 min');
  });
  it('sums what all visits take of an oil, with those that stand open', () => {
    const oil: StockedOil = {
      id: 'o',
      name: 'Brindle Four',
      kind: 'engine oil, four-stroke',
      grade: '10W-50',
      ratings: [],
      additives: [],
      bottleMl: 1000,
      stockMl: 1800
    };
    const takes = (plate: string, ml: number, oilId = 'o') => ({ plate, oils: [{ oilId, ml }] });
    const visits = [takes('12', 1100), takes('41', 700, 'other')];
    expect(shortOils(visits, { oils: [oil] })).toEqual([]);
    expect(shortOils([...visits, takes('27', 950)], { oils: [oil] })).toEqual([
      'Brindle Four 10W-50: 2050 ml for 12 and 27, and 1800 ml there'
    ]);
    // 27 stands at the bench: what it takes is counted once.
    const claims = [{ oilId: 'o', ml: 950, by: ['27'] }];
    expect(shortOils([...visits, takes('27', 950)], { oils: [oil], claims })).toEqual([
      'Brindle Four 10W-50: 2050 ml for 27 and 12, and 1800 ml there'
    ]);
  });
});
