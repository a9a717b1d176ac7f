import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aNow, aTask, counting, hours, itemsOf } from '../../../../tests/core/schedule';
import { showTenths } from '../hours/hours';
import { addDays } from '../time/day';
import { nearestFirst, tasksDue, taskDue } from './due';
import { mostPressing, pressingFirst } from './decide';
import { dueLines, mostPressingLines } from './fleet';
import { hardRiding, ifTaken, proposeShorter } from './propose';
import { taskRow } from './row';
import { aheadOf } from './state';
import type { Measure, PlannedOuting, Task } from './task';
import { whyDue } from './why';
import { everyInWords, leftInWords, likelyInWords, nth, showAmount } from './words';

const today = '2026-06-10';
const rate = { perDay: 30, spreadPerRootDay: 20, days: 84, rides: 12, lump: 210, season: null };
const done = { since: 'done', hours: 1000, day: '2026-05-01' } as const;
const planned: PlannedOuting[] = [
  {
    id: 'r1',
    name: 'Harrow Edge',
    kind: 'race',
    firstDay: addDays(today, 4),
    lastDay: addDays(today, 5),
    hours: 300
  },
  {
    id: 'p',
    name: 'Practice',
    kind: 'practice',
    firstDay: addDays(today, 11),
    lastDay: addDays(today, 11),
    hours: 200
  },
  {
    id: 'r2',
    name: 'Two Days',
    kind: 'race',
    firstDay: addDays(today, 20),
    lastDay: addDays(today, 21),
    hours: 500
  }
];
const of = (measure: Measure, interval: number, used: number, more = {}) =>
  counting(hours(interval, null, { id: measure, measure, ...more }), used);

describe('amounts in words', () => {
  it.each([
    [210, 'hours', '2.1 h'],
    [3400, 'distance', '34 km'],
    [123_456, 'distance', '1235 km'],
    [1, 'races', '1 race'],
    [3, 'outings', '3 outings'],
    [1, 'days', '1 day']
  ] as const)('%i %s is %s', (n, measure, words) => expect(showAmount(n, measure)).toBe(words));
  it('intervals are said as people do', () => {
    expect(everyInWords(hours(1500), 1500)).toBe('every 15 h');
    expect(everyInWords({ measure: 'races', of: null }, 1)).toBe('every race');
    expect(everyInWords({ measure: 'times', of: { id: 'o', name: 'Engine oil' } }, 3)).toBe(
      'every 3rd Engine oil'
    );
    expect([1, 2, 3, 4, 11, 12, 13, 21, 102, 111].map(nth)).toEqual([
      '1st',
      '2nd',
      '3rd',
      '4th',
      '11th',
      '12th',
      '13th',
      '21st',
      '102nd',
      '111th'
    ]);
  });
  it('what is left is said by the trigger that decides', () => {
    const left = (t: Task) => leftInWords(taskDue(t, aNow(today, 2000)));
    expect(left(aTask([of('races', 3, 1)], done))).toBe('in 2 races');
    expect(left(aTask([of('distance', 50_000, 52_000)], done))).toBe('20 km over');
    const times = { of: { id: 'o', name: 'Engine oil' } };
    expect(left(aTask([of('times', 3, 2, times)], done))).toBe('at the next Engine oil');
    expect(left(aTask([of('times', 3, 1, times)], done))).toBe('after 2 more of Engine oil');
    expect(left(aTask([of('times', 3, 5, times)], done))).toBe('2 times of Engine oil over');
  });
});

describe('where stakes that are not counted in hours stand', () => {
  const now = aNow(today, 2000, { rate, planned, speed: 2000, perOuting: 150 });
  it('by the machine’s own pace, or by the races that are planned', () => {
    const stake = (t: ReturnType<typeof of>) => taskDue(aTask([t], done), now).stake;
    expect(stake(of('distance', 50_000, 42_000))).toEqual({ ahead: 400, exact: false });
    expect(stake(of('outings', 5, 3))).toEqual({ ahead: 300, exact: false });
    expect(stake(of('races', 2, 1))).toEqual({ ahead: 300, exact: false });
    expect(stake(of('races', 2, 0))).toEqual({ ahead: 1000, exact: false });
    expect(stake(of('races', 9, 0))).toBeNull();
    expect(taskDue(aTask([of('distance', 50_000, 42_000)], done), aNow(today, 2000)).stake).toBeNull();
  });
  it('and inside which outing: distance by the hours it will be ridden, races by their number', () => {
    const inside = (t: ReturnType<typeof of>) => taskDue(aTask([t], done), now).inside?.name;
    expect(inside(of('distance', 10_000, 5000))).toBe('Harrow Edge');
    expect(inside(of('distance', 10_000, 1000))).toBe('Practice');
    expect(inside(of('races', 2, 1))).toBe('Two Days');
  });
  it('beyond the races that are planned no end is named', () => {
    const { likely } = taskDue(aTask([of('races', 9, 0)], done), now);
    expect(likely).toEqual({ from: addDays(today, 22), to: null });
    expect(likelyInWords(likely, today)).toBe('after 2 Jul');
    expect(likelyInWords(null, today)).toBe('too little history');
    expect(likelyInWords({ from: today, to: today }, today)).toBe('now');
  });
});

describe('the sum in words', () => {
  const now = aNow(today, 2290, { rate, planned });
  it('goes from the last time to the date, with what is estimated', () => {
    const t = { ...counting(hours(1500, 1800, { shortenedTo: 1400 }), 1290), aged: 1350 };
    const due = taskDue(
      aTask([t], done, { ageing: 'by the riding', sensitivity: { dust: 2 }, strained: { dust: 60 } }),
      now
    );
    const lines = whyDue(due, now, true);
    expect(lines.map((l) => l.head)).toEqual([
      'Last done',
      'Interval',
      'Counted',
      'By the riding',
      'Now',
      'Rate of use',
      'Calendar',
      'Limit',
      'Estimated'
    ]);
    const text = lines.map((l) => l.text).join(' ');
    expect(text).toContain('The book says every 15 h; shortened to 14.0 h; tolerated up to 18.0 h.');
    expect(text).toContain('0.6 h of dust counted 2 times: 13.5 h instead of 12.9 h, so in 0.5 h.');
    expect(text).toContain(
      'Ridden at the planned outings only, it would fall due inside Harrow Edge; ridden in between as usual, before that.'
    );
  });
  it('says plainly what nobody knows, what calls, and what waits', () => {
    const plain = aNow(today, 2290);
    expect(
      whyDue(
        taskDue(
          aTask(
            [hours(1500)].map((t) => counting(t, null)),
            null
          ),
          plain
        ),
        plain,
        false
      )
    ).toMatchObject([{ head: 'Last done', text: expect.stringMatching(/Nobody knows/) }]);
    const called = aTask([of('hours', 9000, 100)], done, {
      calls: [{ id: 'c', kind: 'symptom', what: 'clutch slips', words: '', day: today }]
    });
    expect(whyDue(taskDue(called, plain), plain, false)[0]!.text).toMatch(
      /“clutch slips” on 10 Jun\. It calls this task now/
    );
    expect(whyDue(taskDue(called, plain), plain, false).at(-1)!.text).toMatch(/Too little history/);
  });
  it('a row says the same in columns', () => {
    const row = taskRow(
      taskDue(aTask([counting(hours(1500, 1800), 1290), of('races', 3, 1)], done), now),
      now,
      false
    );
    expect(row).toMatchObject({
      state: 'due before the next outing',
      inside: 'inside Harrow Edge',
      lastDone: { day: '1 May', hours: '10.0 h' }
    });
    expect(row.triggers).toEqual([
      { every: 'every 15 h', left: '2.1 h', dueAt: '25.0 h', limit: '28.0 h' },
      { every: 'every 3 races', left: '2 races', dueAt: 'in 2 races', limit: 'none given' }
    ]);
  });
});

describe('proposals', () => {
  it('are always shorter, and end where nothing is left to shorten', () => {
    expect([
      proposeShorter(1200, 'hours'),
      proposeShorter(600, 'hours'),
      proposeShorter(50, 'hours'),
      proposeShorter(1, 'races')
    ]).toEqual([900, 450, null, null]);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 100_000 }),
        fc.constantFrom<Measure>('hours', 'distance', 'days', 'outings', 'races'),
        (n, measure) => {
          const to = proposeShorter(n, measure);
          expect(to === null || (to > 0 && to < n)).toBe(true);
        }
      )
    );
  });
  it('come from hard riding where a task ages by the meter', () => {
    const t = aTask([of('hours', 1500, 1000)], done, {
      sensitivity: { mud: 2 },
      strained: { mud: 400, dust: 900 }
    });
    expect(hardRiding(t)).toBe(
      'Ridden hard since the last time (4.0 h of mud): 10.0 h by the meter weigh like 14.0 h.'
    );
    expect(hardRiding({ ...t, strained: { mud: 100 } })).toBeNull();
    expect(hardRiding({ ...t, triggers: [{ ...t.triggers[0]!, aged: 1400 }] })).toBeNull();
  });
});

describe('hours that are left', () => {
  it('to the tenth, never with a signed nought, and by which interval where that is not the book’s', () => {
    const left = (used: number, more: object = {}) =>
      leftInWords(taskDue(aTask([{ ...counting(hours(4000), used), ...more }], done), aNow(today, 9000)));
    // 33.1 h gone by of 40: in 6.9 h. What was measured wanted it within 14.73 h: 18.37 h over.
    expect(left(3310)).toBe('in 6.9 h');
    expect(left(3310, { within: 1473, due: 1473 })).toBe('18.4 h over, 14.7 h by what was measured');
    expect(left(3997)).toBe('in less than 0.1 h');
    expect(left(4003)).toBe('less than 0.1 h over');
    expect([showTenths(-3), showTenths(4), showTenths(-7), showTenths(1837)]).toEqual([
      '0.0',
      '0.0',
      '-0.1',
      '18.4'
    ]);
  });
});

describe('a proposal that nobody has decided', () => {
  const ahead = aheadOf(aNow(today, 2000));
  const task = (left: number) => ({
    special: 'none' as const,
    points: [{ measure: 'hours' as const, left, limitLeft: null, interval: 2000 }]
  });
  it('is said where it would make the task due, and not where it changes nothing', () => {
    // Every 20 h, 5 h shorter: with 4 h left it would be past due, with 7 h left it is coming, past due already it stays so.
    const by = { measure: 'hours', sooner: 500 } as const;
    expect(ifTaken(task(400), by, ahead)).toBe('past due');
    expect(ifTaken(task(700), by, ahead)).toBe('coming');
    expect(ifTaken(task(1900), by, ahead)).toBeNull();
    expect(ifTaken(task(-100), by, ahead)).toBeNull();
    expect(ifTaken(task(400), { measure: 'days', sooner: 500 }, ahead)).toBeNull();
  });
});

describe('a fleet’s list', () => {
  const measure = fc.constantFrom<Measure>('hours', 'distance', 'days', 'outings', 'races', 'times');
  const someTask = fc
    .record({
      triggers: fc.array(
        fc.record({
          measure,
          interval: fc.integer({ min: 1, max: 4000 }),
          used: fc.option(fc.integer({ min: 0, max: 5000 })),
          limit: fc.option(fc.integer({ min: 0, max: 500 }))
        }),
        { maxLength: 4 }
      ),
      called: fc.boolean(),
      known: fc.boolean()
    })
    .map((t): Task =>
      aTask(
        t.triggers.map((g, i) =>
          counting(
            hours(g.interval, g.limit === null ? null : g.interval + g.limit, {
              id: String(i),
              measure: g.measure,
              of: g.measure === 'times' ? { id: 'o', name: 'Oil' } : null
            }),
            t.known ? g.used : null
          )
        ),
        t.known ? done : null,
        { calls: t.called ? [{ id: 'c', kind: 'symptom', what: 'smokes', words: '', day: today }] : [] }
      )
    );
  it('says of every task what the task alone says, and ranks a machine by the worst of them', () => {
    fc.assert(
      fc.property(fc.array(someTask, { maxLength: 5 }), (tasks) => {
        const list = tasks.map((t, i) => ({ ...t, id: String(i) }));
        const now = aNow(today, 2000, { planned, speed: 2000 });
        const dues = tasksDue(list, now);
        const lines = dueLines([{ id: 'm', speed: 2000, planned, items: itemsOf(list) }], today);
        expect(lines.map((l) => l.state)).toEqual(dues.map((d) => d.state));
        // One order on every screen.
        expect([...lines].sort(pressingFirst).map((l) => l.id)).toEqual(
          [...dues].sort(nearestFirst).map((d) => d.task.id)
        );
        const sorted = [...lines].sort(pressingFirst);
        expect(mostPressingLines(lines, 0, 3)).toEqual(sorted.slice(0, 3));
        expect(mostPressingLines(lines, 2, 9)).toEqual(sorted.slice(2));
        const ranked = mostPressing(itemsOf(list), aheadOf(now));
        const order = ['past limit', 'past due', 'due before the next outing', 'unknown', 'coming', 'clear'];
        const worst =
          dues.map((d) => order.indexOf(d.state)).sort((a, b) => a - b)[0] ?? order.indexOf('unknown');
        expect(order.indexOf(ranked.state)).toBe(worst);
      })
    );
  });
  it('keeps only what is asked for', () => {
    const list = [
      aTask([of('hours', 1500, 100)], done, { name: 'Oil' }),
      aTask([of('hours', 1500, 100)], done, { id: 'u', name: 'Chain' })
    ];
    const lines = dueLines(
      [{ id: 'm', speed: null, planned: [], items: itemsOf(list) }],
      today,
      (_, t) => t.name === 'Chain'
    );
    expect(lines.map((l) => l.name)).toEqual(['Chain']);
  });
});
