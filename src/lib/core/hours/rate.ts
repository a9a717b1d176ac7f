import type { Centihours } from './hours';

/** How fast a machine uses up hours, with how much that varies. */
export interface RateOfUse {
  /** Hundredths of an hour per calendar day, over the window. */
  perDay: number;
  /** Spread of a day's use: hundredths per square root of a day, so that spread over T days is this times √T. */
  spreadPerRootDay: number;
  /** Days of history it rests on. */
  days: number;
}

/** One point of history: calendar day number and running hours then. */
export interface DayPoint {
  day: number;
  total: Centihours;
}

/** Recent means the last twelve weeks: long enough to see race weekends, short enough to follow the season. */
export const WINDOW_DAYS = 84;
/** Less than four weeks of history, or fewer than four readings, says nothing about a week. */
const LEAST_DAYS = 28;
const LEAST_POINTS = 4;

/**
 * Rate of use from recent history: hours used per day over the window, and the spread of weekly use about it.
 *
 * Method: running hours are read off at week ends back from `today`, by straight lines between readings and level after the
 * last; the mean of the weekly differences gives the rate and their standard deviation, over √7, the spread of a day.
 *
 * @param points running hours by day, in any order
 * @param today day number of today
 * @returns null when there is too little history to say
 */
export function rateOfUse(points: readonly DayPoint[], today: number): RateOfUse | null {
  const order = [...points].filter((p) => p.day <= today).sort((a, b) => a.day - b.day || a.total - b.total);
  const first = order[0];
  const last = order.at(-1);
  if (!first || !last) return null;
  const start = Math.max(first.day, today - WINDOW_DAYS);
  const days = today - start;
  const inWindow = order.filter((p) => p.day >= start).length;
  if (days < LEAST_DAYS || inWindow < LEAST_POINTS) return null;

  const weeks = Math.floor(days / 7);
  const used: number[] = [];
  for (let w = 0; w < weeks; w++)
    used.push(totalOn(order, today - 7 * w) - totalOn(order, today - 7 * (w + 1)));
  const mean = used.reduce((a, b) => a + b, 0) / weeks;
  const variance = used.reduce((a, b) => a + (b - mean) ** 2, 0) / Math.max(1, weeks - 1);
  if (mean <= 0) return null;
  return { perDay: mean / 7, spreadPerRootDay: Math.sqrt(variance / 7), days };
}

/** Running hours on a day: a straight line between readings, level outside them. `order` is sorted by day. */
function totalOn(order: readonly DayPoint[], day: number): number {
  let before = order[0]!;
  if (day <= before.day) return before.total;
  for (const point of order) {
    if (point.day > day) {
      return before.total + ((point.total - before.total) * (day - before.day)) / (point.day - before.day);
    }
    before = point;
  }
  return before.total;
}

/** One in ten either way: the range holds eight times out of ten if days are independent of one another. */
const Z_80 = 1.2816;

/**
 * When so many hours will have been used: the range of days that holds eight times out of ten.
 *
 * Method: use over T days is taken as spread about rate·T with deviation spread·√T (a random walk with drift); the early end
 * solves rate·T + z·spread·√T = hours, the late end rate·T − z·spread·√T = hours, both quadratic in √T.
 *
 * @param hoursLeft hundredths of an hour still to go; at or below zero answers today
 * @returns whole days from today, early and late
 */
export function daysUntil(hoursLeft: Centihours, rate: RateOfUse): { early: number; late: number } {
  if (hoursLeft <= 0) return { early: 0, late: 0 };
  const b = Z_80 * rate.spreadPerRootDay;
  const root = Math.sqrt(b * b + 4 * rate.perDay * hoursLeft);
  const early = ((root - b) / (2 * rate.perDay)) ** 2;
  const late = ((root + b) / (2 * rate.perDay)) ** 2;
  // A hair's breadth of floating point must not turn ten days into nine.
  return { early: Math.floor(early + 1e-9), late: Math.ceil(late - 1e-9) };
}
