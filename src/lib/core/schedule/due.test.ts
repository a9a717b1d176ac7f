import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, dayNumber } from '../time/day';
import { aNow, aTask, counting, hours, itemsOf } from '../../../../tests/core/schedule';
import { nearestFirst, pressure, STATES, stretches, tasksDue, taskDue as workedOut } from './due';
import { mostPressing } from './decide';
import { aheadOf, stateOf as pointState, through } from './state';
import type { CountedFrom, MachineNow, Task, Trigger } from './task';
import { insideInWords, leftInWords, limitInWords } from './words';

const today = '2026-06-10';
const days = (interval: number, limit: number | null = null): Trigger => ({
  ...hours(interval, limit),
  id: 'd',
  measure: 'days'
});
/** A task before its hours are counted: they are, against where the machine stands. */
interface Draft {
  id: string;
  triggers: Trigger[];
  counted: CountedFrom | null;
}
const task = (
  triggers: Trigger[],
  counted: CountedFrom | null = { since: 'done', hours: 1000, day: '2026-05-01' }
): Draft => ({ id: 't', triggers, counted });
const at = ({ id, triggers, counted }: Draft, n: MachineNow): Task => {
  const used = counted?.hours == null || n.total === null ? null : n.total - counted.hours;
  return aTask(
    triggers.map((t) => counting(t, used, counted?.since === 'new')),
    counted,
    { id }
  );
};
const taskDue = (t: Draft, n: MachineNow) => workedOut(at(t, n), n);
const now = (total: number | null, more: Partial<MachineNow> = {}) => aNow(today, total, more);
const race = (inDays: number, length: number, used: number) => ({
  id: `e${inDays}`,
  name: `Race +${inDays}`,
  kind: 'race',
  firstDay: addDays(today, inDays),
  lastDay: addDays(today, inDays + length - 1),
  hours: used
});
const stateOf = (t: Draft, n: MachineNow) => taskDue(t, n).state;

describe('the six states by hours', () => {
  const oil = task([hours(1500, 1800)]);
  it.each([
    [2801, 'past limit'],
    [2800, 'past due'],
    [2500, 'past due'],
    [2499, 'coming'],
    [2200, 'coming'],
    [2199, 'clear']
  ])('at %i hundredths: %s', (total, state) => expect(stateOf(oil, now(total))).toBe(state));

  it('is due before the next outing when its end lies past the due point', () => {
    expect(stateOf(oil, now(2000, { planned: [race(4, 2, 501)] }))).toBe('due before the next outing');
    expect(stateOf(oil, now(2000, { planned: [race(4, 2, 500)] }))).toBe('clear');
  });
  it('is coming when a later outing of the next four weeks reaches it', () => {
    const near = race(4, 2, 300);
    expect(stateOf(oil, now(2000, { planned: [near, race(20, 2, 300)] }))).toBe('coming');
    expect(stateOf(oil, now(2000, { planned: [near, race(60, 2, 300)] }))).toBe('clear');
  });
  it('is unknown when nobody knows when it was done, or what the hours are', () => {
    expect(stateOf(task([hours(1500)], null), now(2000))).toBe('unknown');
    expect(stateOf(oil, now(null))).toBe('unknown');
    expect(stateOf(task([], null), now(2000))).toBe('unknown');
  });
  it('has no limit to be past where the book gives none', () =>
    expect(stateOf(task([hours(1500)]), now(99_999))).toBe('past due'));
});

describe('the first interval', () => {
  const fresh = task([hours(1500, 1800, { firstInterval: 300, firstLimit: 500 })], {
    since: 'new',
    hours: 0,
    day: '2026-06-01'
  });
  it('holds while the task was never done', () => {
    expect(taskDue(fresh, now(100)).deciding).toMatchObject({
      left: 200,
      limitLeft: 400,
      interval: 300
    });
    expect(stateOf(fresh, now(501))).toBe('past limit');
  });
  it('is forgotten once it has been', () => {
    expect(
      taskDue({ ...fresh, counted: { since: 'done', hours: 310, day: today } }, now(310)).deciding
    ).toMatchObject({ left: 1500 });
  });
  it('does not lend its limit to a trigger without one', () => {
    const open = task([hours(1500, 1800, { firstInterval: 300 })], { since: 'new', hours: 0, day: today });
    expect(taskDue(open, now(600))).toMatchObject({ state: 'past due', deciding: { limitLeft: null } });
  });
});

describe('days, and whichever comes first', () => {
  it('counts calendar days', () => {
    const brake = task([days(40, 60)]);
    expect(taskDue(brake, now(null)).deciding).toMatchObject({ left: 0, state: 'past due' });
    expect(stateOf(brake, now(null, { today: '2026-07-01' }))).toBe('past limit');
  });
  it('is due before an outing whose last day is the due day', () => {
    const t = task([days(365)], { since: 'done', hours: null, day: addDays(today, -359) }); // due in six days
    expect(stateOf(t, now(0, { planned: [race(5, 2, 100)] }))).toBe('due before the next outing');
    expect(stateOf(t, now(0, { planned: [race(4, 2, 100)] }))).toBe('coming');
  });
  it('lets the trigger that presses more decide', () => {
    const both = task([hours(1500), days(400)]);
    expect(taskDue(both, now(2600)).deciding!.trigger.measure).toBe('hours');
    expect(taskDue(both, now(1100, { today: '2027-08-01' })).deciding!.trigger.measure).toBe('days');
  });
  it('shows an unknown count rather than the comfort of the other trigger', () => {
    const t = task([hours(1500), days(400)], { since: 'done', hours: null, day: '2026-06-01' });
    expect(stateOf(t, now(1100))).toBe('unknown');
  });
});

describe('stretches', () => {
  it('follow one another from where the machine stands', () => {
    expect(
      stretches(now(2000, { planned: [race(4, 2, 350), race(11, 1, 200)] })).map((s) => [s.from, s.to])
    ).toEqual([
      [2000, 2350],
      [2350, 2550]
    ]);
  });
  it('name the outing inside which the limit is passed, and by how much', () => {
    // Done at 10.0 h, every 33 h, at most 38.7: due at 43.0, its limit at 48.7. It stands at 46.3 h, and 3.5 h are ridden there.
    const oil = task([hours(3300, 3870)]);
    const there = (used: number, more: ReturnType<typeof race>[] = []) =>
      taskDue(oil, now(4630, { planned: [race(4, 1, used), ...more] })).limitInside;
    expect(there(350)).toMatchObject({ name: 'Race +4', by: 110, measure: 'hours' });
    expect(limitInWords({ limitInside: there(350) })).toBe('past its limit inside Race +4, by 1.1 h');
    // At its limit to the minute it is not past it; the next outing is.
    expect(there(240)).toBeNull();
    expect(there(240, [race(11, 1, 10)])).toMatchObject({ name: 'Race +11', by: 10 });
    // Past it already, that is its state, and nothing lies ahead.
    expect(taskDue(oil, now(4880, { planned: [race(4, 1, 350)] }))).toMatchObject({
      state: 'past limit',
      limitInside: null
    });
    expect(taskDue(task([hours(3300)]), now(4630, { planned: [race(4, 1, 350)] })).limitInside).toBeNull();
    // Days: the last of the outing counts. Done on 1 May, limit 45 days: 15 June; the outing ends on the 16th.
    expect(
      taskDue(task([days(40, 45)]), now(4630, { planned: [race(5, 2, 100)] })).limitInside
    ).toMatchObject({
      by: 1,
      measure: 'days'
    });
    expect(limitInWords({ limitInside: null })).toBeNull();
  });
  it('name the outing inside which a stake stands', () => {
    const n = now(2000, { planned: [race(4, 2, 350), race(11, 1, 200)] });
    expect(taskDue(task([hours(1400)]), n).inside?.name).toBe('Race +11');
    expect(taskDue(task([hours(1200)]), n).inside?.name).toBe('Race +4');
    expect(taskDue(task([hours(5000)]), n).inside).toBeNull();
    expect(taskDue(task([hours(500)]), n).inside).toBeNull();
  });
});

describe('the calendar up to a later outing', () => {
  const point = (measure: 'races' | 'outings' | 'hours' | 'days', left: number) => ({
    measure,
    left: measure === 'days' ? dayNumber(today) + left : left,
    limitLeft: null,
    interval: 1000
  });
  // Two races, then a practice: 3 h each. By the end of the practice two races, three outings and nine hours are over.
  const calendar = aheadOf(
    now(1000, { planned: [race(3, 1, 300), race(10, 1, 300), { ...race(17, 2, 300), kind: 'practice' }] })
  );
  const by = (outing: number, ...p: Parameters<typeof point>) =>
    pointState(point(...p), through(calendar, outing)).state === 'due before the next outing';
  it('counts every race, outing and hour on the way there, whatever kind the last of them is', () => {
    expect([0, 1, 2].map((i) => by(i, 'races', 1))).toEqual([false, true, true]);
    expect([0, 1, 2].map((i) => by(i, 'races', 2))).toEqual([false, false, false]);
    expect([0, 1, 2].map((i) => by(i, 'outings', 2))).toEqual([false, false, true]);
    expect([0, 1, 2].map((i) => by(i, 'hours', 500))).toEqual([false, true, true]);
    expect([0, 1, 2].map((i) => by(i, 'days', 18))).toEqual([false, false, true]);
  });
});

describe('a machine that only races', () => {
  const races = [race(10, 1, 300), race(30, 1, 300), race(50, 1, 300)];
  const racer = now(1000, {
    planned: races,
    rate: { perDay: 0, spreadPerRootDay: 0, days: 84, rides: 0, lump: 0, season: null }
  });
  it('has its dates from the calendar', () => {
    const due = taskDue(task([hours(500)]), racer);
    expect(due.likely).toEqual({ from: addDays(today, 30), to: addDays(today, 50) });
  });
  it('stands a task by days where the races will have brought it, not where it stands now', () => {
    // Due in twenty days: after one race of 3 h.
    const due = taskDue(task([days(60)], { since: 'done', hours: 1000, day: addDays(today, -40) }), racer);
    expect(due.triggers[0]!.ahead).toBe(300);
  });
});

describe('the likely date range', () => {
  const rate = { perDay: 50, spreadPerRootDay: 60, days: 84, rides: 12, lump: 350, season: null };
  it('is a range round the plain answer', () => {
    const { likely } = taskDue(task([hours(1500)]), now(2000, { rate }));
    expect(likely!.from < addDays(today, 10)).toBe(true);
    expect(likely!.to! > addDays(today, 10)).toBe(true);
  });
  it('says nothing without history', () =>
    expect(taskDue(task([hours(1500), days(90)]), now(2000)).likely).toBeNull());
  it('ends where a calendar trigger ends it', () => {
    expect(taskDue(task([hours(9000), days(60)]), now(2000, { rate })).likely).toEqual({
      from: '2026-06-30',
      to: '2026-06-30'
    });
  });
});

describe('inside an outing, and likely before it', () => {
  // 3 h left; the outing of 4 h is twenty days off. At 3 h a week the 3 h are gone in about one; at a quarter of an hour, not.
  const far = [race(20, 1, 400)];
  const often = { perDay: 43, spreadPerRootDay: 10, days: 84, rides: 24, lump: 150, season: null };
  const seldom = { ...often, perDay: 3.5, lump: 50 };
  it('says so where its usual use brings it forward, and not where the outing does', () => {
    const at = (rate: typeof often | null) => taskDue(task([hours(1300)]), now(2000, { planned: far, rate }));
    expect(at(often).inside).toMatchObject({ name: 'Race +20', before: true });
    expect(at(often).likely!.to! < addDays(today, 20)).toBe(true);
    expect(insideInWords(at(often))).toBe('before Race +20 at its usual use');
    expect(insideInWords(at(seldom))).toBe('inside Race +20');
    expect(insideInWords(at(null))).toBe('inside Race +20');
  });
});

describe('order and words', () => {
  it('puts what presses most first, then what stands nearest in hours', () => {
    const n = now(2600);
    const list = [
      task([hours(9000)]),
      task([hours(1500, 1550)]),
      task([hours(1650)]),
      task([hours(1700)]),
      task([], null)
    ]
      .map((t, i) => taskDue({ ...t, id: String(i) }, n))
      .sort(nearestFirst);
    expect(list.map((d) => d.task.id)).toEqual(['1', '4', '2', '3', '0']);
  });
  it('says what is left', () => {
    expect(leftInWords(taskDue(task([hours(1500)]), now(2290)))).toBe('in 2.1 h');
    expect(leftInWords(taskDue(task([hours(1500)]), now(2540)))).toBe('0.4 h over');
    expect(leftInWords(taskDue(task([hours(1500)]), now(2500)))).toBe('due now');
    expect(leftInWords(taskDue(task([days(41)]), now(2500)))).toBe('in 1 day');
    expect(leftInWords(taskDue(task([], null), now(1)))).toBe('interval unknown');
  });
});

describe('properties', () => {
  const someTask = fc.record({
    interval: fc.integer({ min: 1, max: 5000 }),
    over: fc.option(fc.integer({ min: 0, max: 2000 })),
    base: fc.integer({ min: 0, max: 5000 }),
    total: fc.integer({ min: 0, max: 15_000 })
  });
  it('more hours never make a task press less', () => {
    fc.assert(
      fc.property(someTask, fc.integer({ min: 0, max: 3000 }), ({ interval, over, base, total }, more) => {
        const t = task([hours(interval, over === null ? null : interval + over)], {
          since: 'done',
          hours: base,
          day: today
        });
        expect(pressure(stateOf(t, now(total + more)))).toBeLessThanOrEqual(pressure(stateOf(t, now(total))));
      })
    );
  });
  it('a planned outing never makes a task press less', () => {
    fc.assert(
      fc.property(
        someTask,
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 2000 }),
        ({ interval, base, total }, away, used) => {
          const t = task([hours(interval)], { since: 'done', hours: base, day: today });
          expect(pressure(stateOf(t, now(total, { planned: [race(away, 2, used)] })))).toBeLessThanOrEqual(
            pressure(stateOf(t, now(total)))
          );
        }
      )
    );
  });
  it('what presses most over many due points is what the tasks one by one say', () => {
    fc.assert(
      fc.property(
        fc.array(someTask, { maxLength: 6 }),
        fc.integer({ min: 0, max: 15_000 }),
        fc.integer({ min: 0, max: 900 }),
        (list, total, used) => {
          const tasks = list.map((t) =>
            task([hours(t.interval, t.over === null ? null : t.interval + t.over), days(t.interval)], {
              since: 'done',
              hours: t.base,
              day: '2026-05-20'
            })
          );
          const n = now(total, { planned: [race(5, 2, used)] });
          const worst = Math.min(
            ...tasks.map((t) => pressure(taskDue(t, n).state)),
            tasks.length === 0 ? pressure('unknown') : 9
          );
          expect(pressure(mostPressing(itemsOf(tasks.map((t) => at(t, n))), aheadOf(n)).state)).toBe(worst);
        }
      )
    );
  });
  it('a task with no call presses no more than with one', () => {
    fc.assert(
      fc.property(someTask, ({ interval, base, total }) => {
        const n = now(total);
        const t = at(task([hours(interval)], { since: 'done', hours: base, day: today }), n);
        const call = { id: 'c', kind: 'symptom' as const, what: 'hard to start', words: '', day: today };
        const called = tasksDue([{ ...t, calls: [call] }], n)[0]!;
        expect(pressure(called.state)).toBeLessThanOrEqual(pressure(workedOut(t, n).state));
        expect(pressure(called.state)).toBeLessThanOrEqual(pressure('past due'));
      })
    );
  });
  it('every state has its place', () => expect(new Set(STATES.map(pressure)).size).toBe(6));
});
