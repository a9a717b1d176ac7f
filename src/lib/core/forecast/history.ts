import type { Centihours } from '../hours/hours';

/** One point of history: calendar day number and running hours then. */
export interface DayPoint {
  day: number;
  total: Centihours;
  /** Of these, hours used at planned events, which the calendar counts for itself. */
  planned?: Centihours;
}

/** Recent means the last twelve weeks: long enough to see the usual use, short enough to follow the season. */
export const WINDOW_DAYS = 84;
/** The year before tells of the season. */
export const YEAR_DAYS = 365;

/** Hours used outside planned events, by day. */
export type UsedBy = Pick<DayPoint, 'day' | 'total'>;

/** What was used outside planned events. */
export const outsidePlanned = ({ day, total, planned = 0 }: DayPoint): UsedBy => ({
  day,
  total: total - planned
});

/** Hours on a day: a straight line between readings, level outside them. `order` is sorted by day. */
export function totalOn(order: readonly UsedBy[], day: number): number {
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
