import { TZDate } from '@date-fns/tz';
import { dayOf, showDay, type Day } from './day';

/** On a day gone by, nobody remembers the hour: the evening, when what was ridden is written down. */
const EVENING = 18;

/**
 * A moment on a calendar day of a time zone: now for today, the evening for a day gone by.
 * @param timeZone an IANA name such as `Europe/London`
 * @throws RangeError for a day or a time zone that is none
 */
export function momentOn(day: Day, timeZone: string, now: Date): Date {
  if (dayOf(now, timeZone) === day) return now;
  const [year, month, date] = day.split('-').map(Number);
  const evening = new TZDate(year!, month! - 1, date!, EVENING, 0, 0, 0, timeZone);
  if (Number.isNaN(evening.getTime())) throw new RangeError(`not a day of ${timeZone}: ${day}`);
  return new Date(evening.getTime());
}

/** The first moment of a calendar day of a time zone. */
export function startOf(day: Day, timeZone: string): Date {
  const [year, month, date] = day.split('-').map(Number);
  return new Date(new TZDate(year!, month! - 1, date!, timeZone).getTime());
}

/** The time of day of a moment, there. */
export const timeOfDay = (at: Date, timeZone: string): string =>
  at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone });

/** A moment as one says it to somebody: the time of a day today, else the day with it. */
export function showMoment(at: Date, today: Day, timeZone: string): string {
  const day = dayOf(at, timeZone);
  const time = timeOfDay(at, timeZone);
  return day === today ? time : `${showDay(day, today)}, ${time}`;
}
