import { showHours, showTenths } from '../hours/hours';
import { showKm } from '../hours/learned';
import { dayFromNumber, daysBetween, showDay, type Day } from '../time/day';
import type { TaskDue, TriggerDue } from './due';
import type { Measure, Trigger } from './task';

const plural = (n: number, one: string, many: string) => `${n} ${Math.abs(n) === 1 ? one : many}`;

/** An amount in a trigger's measure, in words: `2.1 h`, `120 km`, `1 day`, `3 races`. */
export function showAmount(amount: number, measure: Measure): string {
  switch (measure) {
    case 'hours':
      return `${showHours(amount)} h`;
    case 'distance':
      return showKm(amount);
    case 'days':
      return plural(amount, 'day', 'days');
    case 'outings':
      return plural(amount, 'outing', 'outings');
    case 'races':
      return plural(amount, 'race', 'races');
    case 'times':
      return plural(amount, 'time', 'times');
  }
}

/** What is left of a trigger, in words: `in 2.1 h`, `0.4 h over`, `due now`, `at the next Engine oil`. */
export function leftOf(t: TriggerDue): string {
  const { left, trigger } = t;
  if (left === null) return 'not known';
  if (left === 0) return 'due now';
  if (trigger.measure === 'times' && trigger.of) {
    if (left < 0) return `${plural(-left, 'time', 'times')} of ${trigger.of.name} over`;
    return left === 1 ? `at the next ${trigger.of.name}` : `after ${left} more of ${trigger.of.name}`;
  }
  // Not by the book's interval, but by what was seen when it was last done: else the two do not add up.
  const by =
    trigger.within !== null && trigger.within === t.interval
      ? `, ${showLeft(t.interval, trigger.measure)} by what was measured`
      : '';
  return left > 0
    ? `in ${showLeft(left, trigger.measure)}${by}`
    : `${showLeft(-left, trigger.measure)} over${by}`;
}

/** An amount that is left, or over: hours to the tenth, as meters are read. `amount` is above nought. */
export function showLeft(amount: number, measure: Measure): string {
  if (measure !== 'hours') return showAmount(amount, measure);
  return amount < 5 ? 'less than 0.1 h' : `${showTenths(amount)} h`;
}

/** It was done, and nothing counts the distance it goes by. */
export const lacksOdometer = (
  t: Pick<TriggerDue, 'trigger'>,
  task: Pick<TaskDue['task'], 'counted'>
): boolean => t.trigger.measure === 'distance' && t.trigger.used === null && task.counted !== null;

/** What is left of a task, in words: of the trigger that decides, or what calls it. */
export function leftInWords(due: Pick<TaskDue, 'deciding' | 'task'>): string {
  const { calls } = due.task;
  if (!due.deciding && calls.length > 0) return `called: ${calls.map((c) => c.what).join(', ')}`;
  if (due.task.triggers.length === 0) return 'interval unknown';
  return due.deciding ? leftOf(due.deciding) : 'not known';
}

/** The interval of a trigger in words: `every 15 h`, `every 3rd Engine oil`. */
export function everyInWords(t: Pick<Trigger, 'measure' | 'of'>, amount: number): string {
  if (t.measure === 'times') return `every ${nth(amount)} ${t.of?.name ?? 'time'}`;
  return amount === 1 && t.measure !== 'hours' && t.measure !== 'distance'
    ? `every ${{ days: 'day', outings: 'outing', races: 'race' }[t.measure]}`
    : `every ${showAmount(amount, t.measure).replace('.0 h', ' h')}`;
}

/** 1st, 2nd, 3rd, 4th, 11th, 22nd. */
export function nth(n: number): string {
  const tail = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${tail}`;
}

/** Where a trigger falls due, in words: running hours for hours, a date for days, else what is left. */
export function pointInWords(t: TriggerDue, left: number | null, total: number | null, today: Day): string {
  if (left === null) return 'not known';
  if (t.trigger.measure === 'hours') return total === null ? 'not known' : `${showTenths(total + left)} h`;
  // It falls due with another task, which has a point of its own.
  if (t.trigger.measure === 'times') return '';
  if (t.trigger.measure === 'days') return showDay(dayFromNumber(dayNumberOf(today) + left), today);
  return left >= 0 ? `in ${showLeft(left, t.trigger.measure)}` : `${showLeft(-left, t.trigger.measure)} ago`;
}
const dayNumberOf = (day: Day) => daysBetween('1970-01-01', day);

/** A likely range of days in words: `3 Dec and 12 Dec`, `3 Dec`, `after 3 Dec`. */
export function likelyInWords(likely: TaskDue['likely'], today: Day): string {
  if (!likely) return 'too little history';
  if (likely.to === null) return `after ${showDay(likely.from, today)}`;
  if (likely.from === likely.to) return likely.from === today ? 'now' : showDay(likely.from, today);
  return `${showDay(likely.from, today)} and ${showDay(likely.to, today)}`;
}

/** The same within a sentence: `likely between 3 Dec and 12 Dec`, `likely after 3 Dec`. Empty where there is too little history. */
export function likelyPhrase(likely: TaskDue['likely'], today: Day): string {
  if (!likely) return '';
  const range = likely.to !== null && likely.from !== likely.to;
  return `likely ${range ? 'between ' : ''}${likelyInWords(likely, today)}`;
}

/**
 * Inside which planned outing a task falls due: by the outings alone `inside Valley`; where its usual use in between brings
 * that forward, `before Valley at its usual use`. Null: none.
 */
export const insideInWords = ({ inside }: Pick<TaskDue, 'inside'>): string | null =>
  inside && (inside.before ? `before ${inside.name} at its usual use` : `inside ${inside.name}`);

/** Inside which planned outing a task passes its limit: `past its limit inside Valley, by 1.1 h`; null: none. */
export const limitInWords = ({ limitInside }: Pick<TaskDue, 'limitInside'>): string | null =>
  limitInside &&
  `past its limit inside ${limitInside.name}, by ${showLeft(limitInside.by, limitInside.measure)}`;

/** Days a planned outing is away, in words. */
export function awayInWords(today: Day, day: Day): string {
  const n = daysBetween(today, day);
  if (n <= 0) return 'today';
  return n === 1 ? 'tomorrow' : `in ${n} days`;
}
