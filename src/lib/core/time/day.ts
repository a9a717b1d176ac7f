/**
 * Calendar days in the team's time zone, as `YYYY-MM-DD`. A day has no clock and no zone; moments do.
 */
export type Day = string;

const MS_PER_DAY = 86_400_000;

/** Whether a text is a real calendar day written `YYYY-MM-DD` (30 February is not). */
export function isDay(text: string): text is Day {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const ms = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().slice(0, 10) === text;
}

/** A fleet asks for the same few hundred days over and over; reading one is far dearer than remembering it. */
const numbers = new Map<Day, number>();

/**
 * Days since 1970-01-01, so that days can be subtracted.
 * @throws RangeError when the text is not a calendar day.
 */
export function dayNumber(day: Day): number {
  const known = numbers.get(day);
  if (known !== undefined) return known;
  if (!isDay(day)) throw new RangeError(`not a calendar day: ${day}`);
  const n = Date.parse(`${day}T00:00:00Z`) / MS_PER_DAY;
  if (numbers.size > 20_000) numbers.clear();
  numbers.set(day, n);
  return n;
}

/** The day with this number; fractions are rounded down to the day they fall in. */
export function dayFromNumber(n: number): Day {
  return new Date(Math.floor(n) * MS_PER_DAY).toISOString().slice(0, 10);
}

/** The day `n` days after `day` (before it, when negative). */
export function addDays(day: Day, n: number): Day {
  return dayFromNumber(dayNumber(day) + n);
}

/** Days from `from` to `to`; negative when `to` comes first. */
export function daysBetween(from: Day, to: Day): number {
  return dayNumber(to) - dayNumber(from);
}

const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * The calendar day of a moment in a time zone.
 * @param timeZone an IANA name such as `Europe/London`
 * @throws RangeError for a time zone nobody knows
 */
export function dayOf(moment: Date, timeZone: string): Day {
  let format = formats.get(timeZone);
  if (!format) {
    // en-CA writes year-month-day.
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit'
    });
    formats.set(timeZone, format);
  }
  return format.format(moment);
}

/** Whether a time zone name is known here. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day in words: `3 Dec`, with its year when that is not the year of `today`. */
export function showDay(day: Day, today: Day): string {
  const [year, month, date] = day.split('-').map(Number);
  return `${date} ${MONTHS[month! - 1]}${day.slice(0, 4) === today.slice(0, 4) ? '' : ` ${year}`}`;
}

const WEEKDAYS = ['Thu', 'Fri', 'Sat', 'Sun', 'Mon', 'Tue', 'Wed'];

/** The day of the week, short: day 0 was a Thursday. */
export function weekday(day: Day): string {
  return WEEKDAYS[((dayNumber(day) % 7) + 7) % 7]!;
}

/** From one day to another in words: `Sat 28 – Sun 29 Nov`, `Sat 5 Dec`. */
export function showDays(first: Day, last: Day, today: Day): string {
  if (first === last) return `${weekday(first)} ${showDay(first, today)}`;
  const sameMonth = first.slice(0, 7) === last.slice(0, 7);
  const from = sameMonth ? String(Number(first.slice(8))) : showDay(first, today);
  return `${weekday(first)} ${from} – ${weekday(last)} ${showDay(last, today)}`;
}
