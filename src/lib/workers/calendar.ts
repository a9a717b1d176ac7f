import ICAL from 'ical.js';
import type { FileEvent } from '$lib/core/calendar/taken';
import { addDays, dayOf, isDay, type Day } from '$lib/core/time/day';

/** A calendar of ten years is a tenth of that. */
export const MOST_BYTES = 5_000_000;
/** Of one that comes round; and of a whole file. */
const MOST_TIMES = 60;
const MOST_EVENTS = 500;
/** A rule that comes round every second is not walked to its end. */
const MOST_STEPS = 20_000;
/** Nor are all of a file together. */
const MOST_STEPS_IN_ALL = 100_000;
/** So far ahead a season is planned. */
const AHEAD_DAYS = 400;
/** As long as an outing’s name may be. */
const NAME = 60;

export type ReadFile =
  | {
      ok: true;
      events: FileEvent[];
      /** Times it took place, or events, past those; what had no name or no day. */
      more: number;
      unreadable: number;
    }
  | { ok: false; message: string };

/** The day of a moment on the team’s clock; a whole day, or a moment on nobody’s clock, is the day it says. */
function dayIn(time: ICAL.Time, timeZone: string): Day {
  if (time.isDate || time.zone === ICAL.Timezone.localTimezone)
    return `${String(time.year).padStart(4, '0')}-${String(time.month).padStart(2, '0')}-${String(time.day).padStart(2, '0')}`;
  return dayOf(time.toJSDate(), timeZone);
}
/**
 * A day that no calendar has is none: the reader would make 2 March of 30 February.
 * @throws Error where an event begins or ends on one
 */
function refuseNoDays(event: ICAL.Event): void {
  for (const name of ['dtstart', 'dtend'])
    for (const property of event.component.getAllProperties(name)) {
      const written = String(property.toJSON()[3]);
      if (!isDay(written.slice(0, 10))) throw new Error(`${written} is no day`);
    }
}
/** The last day of it: an end is where the next thing may begin. */
function lastDayIn(start: ICAL.Time, end: ICAL.Time, timeZone: string): Day {
  if (end.compare(start) <= 0) return dayIn(start, timeZone);
  if (end.isDate) return addDays(dayIn(end, timeZone), -1);
  const before = end.clone();
  before.addDuration(ICAL.Duration.fromSeconds(-1));
  return dayIn(before, timeZone);
}

/** The times an event takes place, from today to what is planned ahead; the others are counted. */
function timesOf(
  event: ICAL.Event,
  today: Day,
  steps: { left: number }
): { times: { start: ICAL.Time; end: ICAL.Time }[]; more: number } {
  if (!event.isRecurring()) return { times: [{ start: event.startDate, end: event.endDate }], more: 0 };
  const [from, to] = [addDays(today, -1), addDays(today, AHEAD_DAYS)];
  const times: { start: ICAL.Time; end: ICAL.Time }[] = [];
  const rounds = event.iterator();
  for (let step = 0; step < MOST_STEPS && steps.left > 0; step++, steps.left--) {
    const next = rounds.next();
    if (!next) return { times, more: 0 };
    const day = dayIn(next, 'UTC');
    if (day > to) return { times, more: 0 };
    if (day < from) continue;
    if (times.length === MOST_TIMES) return { times, more: 1 };
    const { startDate, endDate } = event.getOccurrenceDetails(next);
    times.push({ start: startDate, end: endDate });
  }
  return { times, more: 1 };
}

const isMoved = (e: ICAL.Event) => e.isRecurrenceException();

/**
 * Reads a calendar file (RFC 5545): what takes place once as it stands, what comes round as far ahead as a season is planned.
 *
 * @param timeZone the team’s: a day is a day there
 */
export function readIcs(text: string, timeZone: string, today: Day): ReadFile {
  let calendars: ICAL.Component[];
  try {
    const parsed: unknown = ICAL.parse(text);
    const list = (Array.isArray(parsed) && Array.isArray(parsed[0]) ? parsed : [parsed]) as never[];
    calendars = list.map((one) => new ICAL.Component(one)).filter((c) => c.name === 'vcalendar');
  } catch {
    calendars = [];
  }
  if (calendars.length === 0)
    return {
      ok: false,
      message: 'That is no calendar file: it begins with BEGIN:VCALENDAR, and ends with .ics.'
    };
  const events: FileEvent[] = [];
  let [more, unreadable] = [0, 0];
  const steps = { left: MOST_STEPS_IN_ALL };
  for (const calendar of calendars) {
    for (const zone of calendar.getAllSubcomponents('vtimezone')) {
      const tz = new ICAL.Timezone(zone);
      if (tz.tzid) ICAL.TimezoneService.register(tz, tz.tzid);
    }
    const all = calendar.getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
    // By their names: every event of a file is looked at once.
    const moved = new Map<string, ICAL.Event[]>();
    for (const e of all.filter(isMoved)) {
      const others = moved.get(e.uid);
      if (others) others.push(e);
      else moved.set(e.uid, [e]);
    }
    const whole = new Set(all.filter((e) => !isMoved(e)).map((e) => e.uid));
    for (const event of all) {
      if (String(event.component.getFirstPropertyValue('status') ?? '') === 'CANCELLED') continue;
      if (isMoved(event) && whole.has(event.uid)) continue;
      try {
        refuseNoDays(event);
        for (const m of moved.get(event.uid) ?? []) if (m !== event) event.relateException(m);
        const name = (event.summary ?? '').replace(/\s+/g, ' ').trim().slice(0, NAME).trim();
        if (!name || !event.startDate) throw new Error('nameless, or on no day');
        const found = timesOf(event, today, steps);
        more += found.more;
        for (const { start, end } of found.times) {
          if (events.length === MOST_EVENTS) {
            more += 1;
            continue;
          }
          const firstDay = dayIn(start, timeZone);
          events.push({ uid: event.uid, name, firstDay, lastDay: lastDayIn(start, end, timeZone) });
        }
      } catch {
        unreadable += 1;
      }
    }
  }
  return { ok: true, events: events.sort((a, b) => a.firstDay.localeCompare(b.firstDay)), more, unreadable };
}
