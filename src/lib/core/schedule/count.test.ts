import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aNow, aTask, hours } from '../../../../tests/core/schedule';
import { countOf } from '../../../../tests/core/running';
import type { Series } from '../hours/series';
import { STRAINS, type Sensitivity, type Strain } from '../outing/outing';
import { dayFromNumber } from '../time/day';
import { agedHours, countTask, findCircle, type Clock, type Counted, type Restart } from './count';
import { taskDue, tasksDue } from './due';
import { taskRow } from './row';
import { lacksOdometer } from './words';
import type { Task, Trigger } from './task';

const DAY = 86_400_000;
/** A machine that runs an hour a day from day 0 to `days`, every fifth day a race, 20 km an hour. */
const clock = (days = 60, strains: Partial<Record<Strain, Series>> = {}): Clock => {
  const at = Array.from({ length: days + 1 }, (_, i) => i * DAY);
  return {
    hours: { at, total: at.map((_, i) => i * 100) },
    distance: { at, total: at.map((_, i) => i * 2000) },
    outings: countOf(at.slice(1), 0),
    races: countOf(
      at.slice(1).filter((_, i) => i % 5 === 0),
      0
    ),
    strains
  };
};
const done = (day: number, more: Partial<Restart> = {}): Restart => ({
  kind: 'done',
  at: day * DAY,
  day: dayFromNumber(day),
  replaced: true,
  ...more
});
const counted = (triggers: Trigger[], more: Partial<Counted> = {}): Counted => ({
  triggers,
  ageing: 'by the meter',
  anchoring: 'from done',
  sensitivity: {},
  perPart: false,
  ...more
});
const trigger = (measure: Trigger['measure'], interval: number): Trigger =>
  hours(interval, null, { id: measure, measure });

describe('what has gone by since it was last done', () => {
  it('is counted in every measure from the latest time', () => {
    const c = countTask(
      counted([
        hours(1500),
        trigger('distance', 50_000),
        trigger('outings', 10),
        trigger('races', 5),
        trigger('days', 90)
      ]),
      [done(10), done(40), done(20)],
      clock()
    );
    expect(c.counted).toEqual({ since: 'done', hours: 4000, day: dayFromNumber(40) });
    expect(c.triggers.map((t) => t.used)).toEqual([2000, 40_000, 20, 4, null]);
  });
  it('does not hang on the order of rows: of two at one moment, a rebuild comes last, then what was written last', () => {
    const rows = [
      done(40, { stated: 3900, written: 2 }),
      done(40, { stated: 3800, written: 1 }),
      done(10, { written: 9 })
    ];
    const used = (list: Restart[]) => countTask(counted([hours(1500)]), list, clock()).triggers[0]!.used;
    for (const list of [rows, [...rows].reverse()]) expect(used(list)).toBe(2100);
    const rebuilt: Restart = { ...done(40, { written: 0 }), kind: 'rebuild' };
    for (const list of [
      [rebuilt, ...rows],
      [...rows, rebuilt]
    ])
      expect(countTask(counted([hours(1500)]), list, clock()).counted!.since).toBe('rebuild');
  });
  it('takes hours somebody stated over the book’s, and knows nothing where nobody does', () => {
    const of = (stated: number | null) =>
      countTask(counted([hours(1500), trigger('outings', 9)]), [done(40, { stated })], clock());
    expect(of(3500).triggers[0]!.used).toBe(2500);
    expect(of(null).triggers.map((t) => t.used)).toEqual([null, 20]);
  });
  it('is not known from before the book began, but for a machine that was new then', () => {
    const old = countTask(
      counted([trigger('distance', 9), trigger('races', 9)]),
      [done(-20, { stated: 0 })],
      clock()
    );
    expect(old.triggers.map((t) => t.used)).toEqual([null, null]);
    expect(countTask(counted([hours(1500)]), [done(-20)], clock()).triggers[0]!.used).toBeNull();
    const fresh = countTask(
      counted([hours(9), trigger('races', 9)]),
      [{ ...done(0), kind: 'new' }],
      clock(20)
    );
    expect(fresh.triggers.map((t) => t.used)).toEqual([2000, 4]);
  });
  it('has the first interval after new or a rebuild, until it is done again', () => {
    const oil = counted([hours(1500, 1800, { firstInterval: 300, firstLimit: 500 })]);
    const rebuilt: Restart = { ...done(50), kind: 'rebuild' };
    expect(countTask(oil, [done(40), rebuilt], clock()).triggers[0]).toMatchObject({
      book: 300,
      bookLimit: 500,
      first: true,
      used: 1000
    });
    expect(countTask(oil, [done(40), rebuilt, done(55)], clock()).triggers[0]).toMatchObject({
      book: 1500,
      first: false,
      used: 500
    });
  });
  it('falls due sooner where what was seen wants it, in hours, never later than the book, and until it is done again', () => {
    const of = (within: number, more: Restart[] = []) =>
      countTask(counted([hours(1500), trigger('outings', 9)]), [done(40, { within }), ...more], clock())
        .triggers;
    expect(of(800)[0]).toMatchObject({ due: 800, within: 800, book: 1500, used: 2000 });
    expect(of(800)[1]).toMatchObject({ due: 9, within: null });
    expect(of(2000)[0]).toMatchObject({ due: 1500 });
    expect(of(800, [done(50)])[0]).toMatchObject({ due: 1500, within: null });
  });
  it('nobody knows', () =>
    expect(countTask(counted([hours(1500)]), [], clock())).toMatchObject({
      counted: null,
      triggers: [{ used: null, due: null }]
    }));
  it('of a fitted part is restarted by a new part only', () => {
    const washer = counted([trigger('outings', 30)], { perPart: true });
    const looked = done(50, { replaced: false });
    expect(countTask(washer, [done(20), looked], clock()).triggers[0]!.used).toBe(40);
    expect(countTask({ ...washer, perPart: false }, [done(20), looked], clock()).triggers[0]!.used).toBe(10);
  });
  it('counts how often another task was done, one done at the same visit belonging to before', () => {
    const ring = counted([{ ...trigger('times', 3), of: { id: 'oil', name: 'Engine oil' } }]);
    const times = new Map([
      ['oil', { at: [-8e15, 10 * DAY, 20 * DAY, 30 * DAY, 40 * DAY], total: [0, 1, 2, 3, 4] }]
    ]);
    expect(countTask(ring, [done(20)], clock(), times).triggers[0]!.used).toBe(2);
    expect(countTask(ring, [done(20)], clock()).triggers[0]!.used).toBe(0);
  });
});

describe('anchoring', () => {
  const due = (anchoring: Counted['anchoring'], ...days: number[]) =>
    countTask(
      counted([hours(1000)], { anchoring }),
      days.map((d) => done(d)),
      clock(100)
    ).triggers[0]!.due;
  it('from done counts a whole interval from the last time', () =>
    expect(due('from done', 0, 13)).toBe(1000));
  it('from due keeps the grid: done late, the next comes sooner', () => {
    // Due at 10 h, done at 13: the next stays at 20.
    expect(due('from due', 0, 13)).toBe(700);
    // Done more than an interval late, the mark gone by is left out.
    expect(due('from due', 0, 24)).toBe(600);
  });
  it('from due never pushes the next past the book: done early, the grid moves up', () =>
    expect(due('from due', 0, 7)).toBe(1000));
  it('keeps the grid over several times, and starts a new one after a rebuild', () => {
    expect(due('from due', 0, 12, 21)).toBe(900);
    const c = countTask(
      counted([hours(1000)], { anchoring: 'from due' }),
      [done(0), done(13), { ...done(15), kind: 'rebuild' }],
      clock(100)
    );
    expect(c.triggers[0]!.due).toBe(1000);
  });
  it('by days uses the calendar', () =>
    expect(
      countTask(counted([trigger('days', 30)], { anchoring: 'from due' }), [done(0), done(35)], clock())
        .triggers[0]!.due
    ).toBe(25));
  it('a shortened interval is never the longer one', () => {
    const short = counted([hours(1500, null, { shortenedTo: 1100 })]);
    expect(countTask(short, [done(0)], clock()).triggers[0]!.due).toBe(1100);
  });
});

describe('ageing by the riding', () => {
  const dusty = clock(60, { dust: { at: [-1, 45 * DAY, 50 * DAY], total: [0, 300, 600] } });
  const filter = (ageing: Counted['ageing']) =>
    countTask(counted([hours(1500, 2500)], { ageing, sensitivity: { dust: 3 } }), [done(40)], dusty);
  it('weighs every hour of dust since the last time', () => {
    expect(filter('by the riding').strained).toEqual({ dust: 600 });
    expect(filter('by the riding').triggers[0]).toMatchObject({ used: 2000, aged: 3200 });
    expect(filter('by the meter').triggers[0]!.aged).toBeNull();
  });
  it('brings the due point forward and leaves the limit to the book', () => {
    const task = (ageing: Counted['ageing']): Task => ({
      ...{
        id: 't',
        name: 'Air filter',
        job: null,
        part: null,
        anchoring: 'from done',
        perPart: false,
        calls: [],
        reminder: null
      },
      ...filter(ageing),
      ageing,
      sensitivity: { dust: 3 }
    });
    const now = aNow(dayFromNumber(60), 6000);
    expect(taskDue(task('by the meter'), now).deciding).toMatchObject({ left: -500, limitLeft: 500 });
    expect(taskDue(task('by the riding'), now).deciding).toMatchObject({ left: -1700, limitLeft: 500 });
  });
  it('a weighted due is never later than the book’s', () => {
    const strained = fc.dictionary(fc.constantFrom(...STRAINS), fc.integer({ min: -50, max: 5000 }));
    const sensitivity = fc.dictionary(
      fc.constantFrom(...STRAINS),
      fc.double({ min: 0, max: 10, noNaN: true })
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5000 }), strained, sensitivity, (used, s, by) => {
        expect(agedHours(used, s, by as Sensitivity)).toBeGreaterThanOrEqual(used);
      })
    );
  });
});

describe('no due point lies past the book’s', () => {
  it('whatever the anchoring, the shortening and the order the work was entered in', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 3000 }),
        fc.option(fc.integer({ min: 1, max: 3000 })),
        fc.constantFrom<Counted['anchoring']>('from done', 'from due'),
        (days, interval, shorter, anchoring) => {
          const shortenedTo = shorter !== null && shorter < interval ? shorter : null;
          const task = counted([hours(interval, null, { shortenedTo })], { anchoring });
          const restarts = [...new Set(days)].map((d) => done(d));
          const c = countTask(task, restarts, clock());
          expect(c.triggers[0]!.due!).toBeGreaterThan(0);
          expect(c.triggers[0]!.due!).toBeLessThanOrEqual(interval);
          expect(countTask(task, [...restarts].reverse(), clock())).toEqual(c);
        }
      )
    );
  });
});

describe('tasks that count one another', () => {
  it('in a circle are found, however long', () => {
    expect(
      findCircle(
        new Map([
          ['a', ['b']],
          ['b', ['a']]
        ])
      )
    ).toEqual(['a', 'b']);
    expect(
      findCircle(
        new Map([
          ['x', ['a']],
          ['a', ['b']],
          ['b', ['c']],
          ['c', ['a']]
        ])
      )
    ).toEqual(['a', 'b', 'c']);
    expect(findCircle(new Map([['a', ['a']]]))).toEqual(['a']);
    expect(
      findCircle(
        new Map([
          ['a', ['b', 'c']],
          ['b', ['c']],
          ['c', []]
        ])
      )
    ).toBeNull();
  });
  it('fall due where the other one does, and an interval of it later for each time more', () => {
    const now = aNow(dayFromNumber(60), 6000, {
      rate: { perDay: 100, spreadPerRootDay: 0, days: 84, rides: 12, lump: 700, season: null }
    });
    const base = {
      job: null,
      part: null,
      ageing: 'by the meter',
      anchoring: 'from done',
      perPart: false,
      sensitivity: {},
      calls: [],
      reminder: null
    } as const;
    const oil: Task = {
      ...base,
      id: 'oil',
      name: 'Engine oil',
      ...countTask(counted([hours(1500)]), [done(50)], clock()),
      calls: []
    };
    const ring = (every: number): Task => ({
      ...base,
      id: 'ring',
      name: 'Ring',
      calls: [],
      ...countTask(
        counted([{ ...trigger('times', every), of: { id: 'oil', name: 'Engine oil' } }]),
        [done(50)],
        clock()
      )
    });
    expect(tasksDue([oil, ring(1)], now)[1]!.stake).toEqual({ ahead: 500, exact: false });
    expect(tasksDue([oil, ring(3)], now)[1]!.stake).toEqual({ ahead: 3500, exact: false });
    // About 35 days off: a lump of a week's use either way.
    expect(tasksDue([oil, ring(3)], now)[1]!.likely).toEqual({
      from: dayFromNumber(91),
      to: dayFromNumber(98)
    });
  });
});

describe('a task that goes by distance', () => {
  const km = { ...trigger('distance', 50_000), limit: null };
  const at = (distance: { at: number[]; total: number[] }) => ({ ...clock(), distance });
  it('on a machine without an odometer says so; with one that is added since, it is counted from there', () => {
    const none = countTask(counted([km]), [done(50)], at({ at: [], total: [] }));
    expect(none.triggers[0]).toMatchObject({ used: null, late: false });
    const task = aTask(none.triggers, none.counted);
    const due = taskDue(task, aNow(dayFromNumber(60), 6000));
    expect(lacksOdometer(due.triggers[0]!, task)).toBe(true);
    expect(taskRow(due, aNow(dayFromNumber(60), 6000), false)).toMatchObject({
      noOdometer: true,
      triggers: [{ left: 'no odometer' }]
    });
    // Done on day 50; the odometer, at 1,200 km on day 55, shows 1,320 now.
    const later = countTask(
      counted([km]),
      [done(50)],
      at({ at: [55, 60].map((d) => d * DAY), total: [120_000, 132_000] })
    );
    expect(later.triggers[0]).toMatchObject({ used: 12_000, late: true });
    // Known by then, from when it was done.
    const before = countTask(
      counted([km]),
      [done(50)],
      at({ at: [40, 60].map((d) => d * DAY), total: [120_000, 132_000] })
    );
    expect(before.triggers[0]).toMatchObject({ used: 12_000, late: false });
  });
});
