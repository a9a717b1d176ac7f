import { addDays, dayOf, type Day } from '../core/time/day';
import { refuse } from './refusal';

/** A moment on a calendar day: now for today, the evening of it for a day gone by. */
export function momentOn(day: Day, timeZone: string, now: Date): Date {
  if (dayOf(now, timeZone) === day) return now;
  const hours = [18, 12, 6, 0].map((h) => new Date(`${day}T${String(h).padStart(2, '0')}:00:00Z`));
  return hours.find((m) => dayOf(m, timeZone) === day) ?? hours[1]!;
}

/** Refuses a day that has not come, or that lies so far back that it is a slip. */
export function refuseDay(day: Day, timeZone: string, now: Date, field = 'day'): void {
  const today = dayOf(now, timeZone);
  if (day > today) refuse(field, 'That day has not come yet.');
  if (day < addDays(today, -3650)) refuse(field, 'That is more than ten years ago.');
}
