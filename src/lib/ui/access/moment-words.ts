import { dayOf, showDay, type Day } from '$lib/core/time/day';

/** A moment as one says it to somebody: the time of a day today, else the day with it. */
export function momentWords(at: Date, today: Day, timeZone: string): string {
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone });
  const day = dayOf(at, timeZone);
  return day === today ? time : `${showDay(day, today)}, ${time}`;
}
