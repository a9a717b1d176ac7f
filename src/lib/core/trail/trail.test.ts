import { describe, expect, it } from 'vitest';
import { addDays, dayNumber } from '../time/day';
import { laneInWords, laneOf, mostPressingFirst, type Standing } from './lane';
import { aFinding, aReminder, aTask, counting, hours, itemsOf } from '../../../../tests/core/schedule';
import { mostPressing } from '../schedule/decide';
import { aheadOf } from '../schedule/state';
import { bunch } from './scale';

const today = '2026-06-10';
const standing = (more: Partial<Standing> = {}): Standing => ({
  id: 'm',
  plate: '12',
  name: 'Fell 250',
  maker: 'Corrie',
  kind: 'four-stroke enduro',
  total: 2290,
  estimated: false,
  readOn: addDays(today, -3),
  recent: [],
  pegs: [{ recordId: 'r', name: 'Gearbox oil', hours: 1000, day: '2026-05-01' }],
  visitId: null,
  distance: null,
  speed: null,
  perOuting: null,
  findings: [],
  reminders: [],
  tasks: [
    aTask(
      [counting(hours(1500, 1800), more.total === null ? null : (more.total ?? 2290) - 1000)],
      { since: 'done', hours: 1000, day: '2026-05-01' },
      { name: 'Gearbox oil' }
    )
  ],
  ...more
});
const saturday = {
  id: 'e',
  name: 'Saturday',
  kind: 'race',
  firstDay: addDays(today, 3),
  lastDay: addDays(today, 4),
  hours: 400
};

describe('laneOf', () => {
  it('says the next stake in words, with the outing it stands in', () => {
    const lane = laneOf(standing(), [saturday], today);
    expect(lane).toMatchObject({
      state: 'due before the next outing',
      next: 'Gearbox oil in 2.1 h, inside Saturday',
      readDaysAgo: 3
    });
    expect(lane.stakes[0]).toMatchObject({ ahead: 210, limitAhead: 510 });
    expect(lane.stretches[0]).toMatchObject({ from: 0, to: 400 });
    expect(lane.pegs[0]!.behind).toBe(1290);
    expect(laneInWords(lane)).toBe(
      '12 Fell 250, 22.9 h. due before the next outing: Gearbox oil in 2.1 h, inside Saturday.'
    );
  });
  it('a finding that parks it comes first and keeps it from being ready', () => {
    const parked = standing({
      findings: [aFinding({ what: 'Metal in the oil', severity: 'park the machine' })],
      reminders: [aReminder()]
    });
    const lane = laneOf(parked, [saturday], today);
    expect(lane).toMatchObject({
      state: 'past limit',
      notReady: ['Metal in the oil'],
      next: 'Metal in the oil',
      nextStake: { kind: 'finding', id: 'f', job: null }
    });
    expect(lane.stakes.map((s) => [s.kind, s.ahead])).toEqual([
      ['finding', 0],
      ['task', 210],
      ['reminder', null]
    ]);
    expect(laneInWords(lane)).toBe('12 Fell 250, 22.9 h. Not ready: Metal in the oil.');
  });
  it('what is only watched, or waits, does not make a machine without tasks look clear', () => {
    const idle = laneOf(standing({ tasks: [], findings: [aFinding()], reminders: [] }), [], today);
    expect(idle).toMatchObject({ state: 'unknown', next: 'Right fork seal weeps: watch', notReady: [] });
  });
  it('moves when hours are logged', () => {
    const lane = laneOf(standing({ total: 2540 }), [saturday], today);
    expect(lane).toMatchObject({
      state: 'past due',
      next: 'Gearbox oil 0.4 h over, past its limit inside Saturday, by 1.4 h'
    });
  });
  it('says what is not known', () => {
    expect(laneOf(standing({ total: null, readOn: null }), [], today)).toMatchObject({
      state: 'unknown',
      next: 'Gearbox oil: hours not known',
      readDaysAgo: null,
      pegs: []
    });
    expect(
      laneOf(
        standing({
          tasks: [aTask([counting(hours(1500), null)], null, { name: 'Gearbox oil' })]
        }),
        [],
        today
      ).next
    ).toBe('Gearbox oil: last done not known');
    expect(laneOf(standing({ tasks: [] }), [], today)).toMatchObject({
      state: 'unknown',
      next: 'No task yet',
      stakes: []
    });
  });
  it('places a calendar task by the rate of use', () => {
    const recent = Array.from({ length: 13 }, (_, w) => ({
      day: dayNumber(today) - 84 + 7 * w,
      total: 2290 - 84 * 30 + w * 210
    }));
    const days = standing().tasks.map((t) => ({
      ...t,
      triggers: [counting(hours(50, null, { measure: 'days' }), null)]
    }));
    expect(laneOf(standing({ recent, tasks: days }), [], today).stakes[0]).toMatchObject({
      ahead: 300,
      estimated: true
    });
    expect(laneOf(standing({ tasks: days }), [], today).stakes[0]!.ahead).toBeNull();
  });
});

it('lanes sort by what presses most', () => {
  const list = [
    standing({ id: 'a', total: 1200 }),
    standing({ id: 'b', total: 2900 }),
    standing({ id: 'c', total: 2510 }),
    standing({ id: 'd', total: 2700 }),
    standing({ id: 'e', tasks: [] })
  ];
  const ranks = list
    .map((s) => ({
      id: s.id,
      plate: s.plate,
      ...mostPressing(itemsOf(s.tasks), aheadOf({ today, planned: [] }))
    }))
    .sort(mostPressingFirst);
  expect(ranks.map((r) => r.id)).toEqual(['b', 'd', 'c', 'e', 'a']);
});

describe('the scale', () => {
  it('bunches what would overlap', () =>
    expect(bunch([5, 1, 1.5, 9], (x) => x, 1)).toEqual([[1, 1.5], [5], [9]]));
});
