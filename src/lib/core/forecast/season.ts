import type { Centihours } from '../hours/hours';
import { totalOn, WINDOW_DAYS, YEAR_DAYS, type UsedBy } from './history';

/**
 * Use by the season, from the year before: hundredths of an hour that will have been used after each fortnight from today,
 * from none to a year, at the level of the last twelve weeks.
 */
export type Season = readonly Centihours[];

const FORTNIGHT = 14;
/** Four weeks: long enough to even out weekends, short enough to see a spring. */
const MONTH = 28;
const MONTHS = 13;
/** So many rides weigh against the last twelve weeks when they are compared with those of a year ago. Ours, by trial. */
const LIKE_LAST_YEAR_RIDES = 8;

/**
 * Whether a year's use went by the season, and how it will go on if it does so again.
 *
 * Method: the year falls into thirteen times four weeks. Where these differ by more than rides that come and go make them
 * differ, it went by the season. Hours are then read off a year back, evened over a month, and set to the level of this year:
 * the last twelve weeks against the same twelve a year ago, eight rides alike on either side.
 *
 * @param order hours between planned events, in the order of days
 * @param today day number of today
 * @param recent hours of the last twelve weeks, how they lump, and the variance of a day
 * @returns null where it did not, or less than a year and twelve weeks are known (a month less will do)
 */
export function seasonOf(
  order: readonly UsedBy[],
  today: number,
  recent: { hours: Centihours; lump: Centihours; variance: number }
): Season | null {
  if (order[0]!.day > today - YEAR_DAYS - WINDOW_DAYS + MONTH) return null;
  const months = Array.from(
    { length: MONTHS },
    (_, i) => totalOn(order, today - MONTH * i) - totalOn(order, today - MONTH * (i + 1))
  );
  const mean = months.reduce((a, b) => a + b) / MONTHS;
  const varied = months.reduce((sum, m) => sum + (m - mean) ** 2, 0) / (MONTHS - 1);
  if (varied <= recent.variance * MONTH) return null;

  const even = (day: number) =>
    [-FORTNIGHT, 0, FORTNIGHT].reduce((sum, by) => sum + totalOn(order, Math.min(today, day + by)), 0) / 3;
  const from = even(today - YEAR_DAYS);
  const alike = LIKE_LAST_YEAR_RIDES * recent.lump;
  const level = (recent.hours + alike) / (from - even(today - YEAR_DAYS - WINDOW_DAYS) + alike);
  return Array.from(
    { length: Math.floor(YEAR_DAYS / FORTNIGHT) + 1 },
    (_, i) => (even(today - YEAR_DAYS + FORTNIGHT * i) - from) * level
  );
}

/** Hundredths of an hour used after so many days, year after year alike. */
export function seasonAt(season: Season, days: number): Centihours {
  const last = season.length - 1;
  const fortnights = days / FORTNIGHT;
  const years = Math.floor(fortnights / last);
  const at = fortnights - years * last;
  const i = Math.floor(at);
  const to = season[Math.min(last, i + 1)]!;
  return years * season[last]! + season[i]! + (to - season[i]!) * (at - i);
}
