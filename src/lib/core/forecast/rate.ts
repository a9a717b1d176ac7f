import type { Centihours } from '../hours/hours';
import { theilSen } from '../statistics/robust';

/** How fast a machine uses up hours between planned events, with how much that varies. */
export interface RateOfUse {
  /** Hundredths of an hour per calendar day, over the window; 0 for a machine that only goes where it was planned to go. */
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
  /** Of these, hours used at planned events, which the calendar counts for itself. */
  planned?: Centihours;
}

/** A planned event as the forecast takes it: the days from today on which it lies, and the hours it will use. */
export interface PlannedUse {
  from: number;
  to: number;
  hours: Centihours;
}

/** Recent means the last twelve weeks: long enough to see the usual use, short enough to follow the season. */
export const WINDOW_DAYS = 84;
/** Less than four weeks of history, or fewer than four readings, says nothing about a week. */
const LEAST_DAYS = 28;
const LEAST_POINTS = 4;

/**
 * Rate of use from recent history: hours used per day over the window, and the spread of weekly use about it.
 *
 * Method: hours used outside planned events are read off at week ends back from `today`, by straight lines between readings
 * and level after the last. The rate is the Theil–Sen slope over those (the median of the slopes between every two), so
 * that one long day or one wrong reading does not bend it; where most weeks saw no use it is the mean, which a median of
 * noughts hides. The spread is the standard deviation of weekly use about it, over √7.
 *
 * @param points running hours by day, in any order
 * @param today day number of today
 * @returns null when there is too little history to say, or the machine stood still
 */
export function rateOfUse(points: readonly DayPoint[], today: number): RateOfUse | null {
  const order = [...points]
    .filter((p) => p.day <= today)
    .map((p) => ({ day: p.day, total: p.total - (p.planned ?? 0), all: p.total }))
    .sort((a, b) => a.day - b.day || a.total - b.total);
  const first = order[0];
  if (!first) return null;
  const start = Math.max(first.day, today - WINDOW_DAYS);
  const days = today - start;
  const inWindow = order.filter((p) => p.day >= start).length;
  if (days < LEAST_DAYS || inWindow < LEAST_POINTS) return null;

  const weeks = Math.floor(days / 7);
  const ends: { x: number; y: number }[] = [];
  for (let w = weeks; w >= 0; w--) ends.push({ x: -7 * w, y: totalOn(order, today - 7 * w) });
  const slope = theilSen(ends);
  if (slope === null) return null;
  const mean = (ends.at(-1)!.y - ends[0]!.y) / (7 * weeks);
  const perDay = slope > 0 ? slope : Math.max(0, mean);
  // Not even at planned events: it stands, and nothing says when it will go.
  if (perDay === 0 && order.at(-1)!.all <= order.findLast((p) => p.day <= start)!.all) return null;
  let squares = 0;
  for (let i = 1; i < ends.length; i++) squares += (ends[i]!.y - ends[i - 1]!.y - 7 * perDay) ** 2;
  return { perDay, spreadPerRootDay: Math.sqrt(squares / Math.max(1, weeks - 1) / 7), days };
}

/** Running hours on a day: a straight line between readings, level outside them. `order` is sorted by day. */
function totalOn(order: readonly { day: number; total: number }[], day: number): number {
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

/** One in ten either way: the range holds eight times out of ten. */
const Z_80 = 1.2816;
/** A planned weekend uses what was planned, give or take a quarter. */
const EVENT_SPREAD = 0.25;
/** Nobody plans a season further ahead; past it no date is named. */
export const FORECAST_DAYS = 3 * 365;

/**
 * When so many hours will have been used: the range of days that holds eight times out of ten.
 *
 * Method: use over T days is the rate times T plus the planned events that lie within, spread about that with the deviation
 * √(2w²/12 + s²·T + (s/√D)²·T² + Σ(¼·event)²): hours come in lumps of about a week's use w, and both today and the day it
 * falls due lie anywhere in one (the variance of a uniform spread, twice); daily chance; a rate known only from D days of
 * history; and events that turn out longer or shorter. The early end is the first day on which that mean and 1.28 deviations reach the hours, the late end the
 * first on which the mean less 1.28 deviations does.
 *
 * @param hoursLeft hundredths of an hour still to go; at or below zero answers today
 * @param planned events from today on
 * @returns whole days from today, early and late; `late` is Infinity when it may take more than three years
 */
export function daysUntil(
  hoursLeft: Centihours,
  rate: RateOfUse,
  planned: readonly PlannedUse[] = []
): { early: number; late: number } {
  if (hoursLeft <= 0) return { early: 0, late: 0 };
  const lump = ((7 * rate.perDay) ** 2 * 2) / 12;
  const at = (t: number) => {
    let mean = rate.perDay * t;
    let variance = lump + rate.spreadPerRootDay ** 2 * (t + (t * t) / rate.days);
    for (const p of planned) {
      if (p.from > t) continue;
      const share = Math.min(1, (t - p.from + 1) / (p.to - p.from + 1));
      mean += p.hours * share;
      variance += (EVENT_SPREAD * p.hours * share) ** 2;
    }
    return { mean, deviation: Z_80 * Math.sqrt(variance) };
  };
  let early: number | null = null;
  for (let t = 0; t <= FORECAST_DAYS; t++) {
    const { mean, deviation } = at(t);
    if (early === null && mean + deviation >= hoursLeft) early = t;
    if (early !== null && mean - deviation >= hoursLeft) return { early, late: t };
  }
  return { early: early ?? FORECAST_DAYS, late: Infinity };
}
