import { addDays, dayOf, type Day } from '../../core/time/day';
import { refuse } from './refusal';

/** Refuses a day that has not come, or that lies so far back that it is a slip. */
export function refuseDay(day: Day, timeZone: string, now: Date, field = 'day'): void {
  const today = dayOf(now, timeZone);
  if (day > today) refuse(field, 'That day has not come yet.');
  if (day < addDays(today, -3650)) refuse(field, 'That is more than ten years ago.');
}
