import { readingSchema } from '../../hours/form';
import type { Verdict } from './model';

/** A column of this name holds what a meter shows, whatever its figures are. */
const SHOWN = /\b(meter|reading|shows?|engine|after|end|total)\b/i;
/** More than this nobody rides on one day: hundredths of an hour. */
const A_DAY = 2400;
/** How long something took, and no figure of a meter. */
const LASTS = /\d\s*(h\s*\d|:\d|min)/i;
/** So many figures in a row rise by chance once in a hundred and twenty times. */
const RISES = 5;

const REFUSED = (plate: string): string =>
  `It is what a meter shows, and ${plate} has no hour meter in the book: taken as it stands it would be hours ridden. Give it a meter on its page first.`;
const DOUBT =
  'Is it what a meter shows? No meter of this machine is in the book: taken as it stands, so much was ridden that day.';

/**
 * Hours of machines that no meter counts are taken as time ridden: what a meter shows never is. The heading says which it is, or a
 * figure nobody rides on a day, or a column that only rises; where nothing tells, it is doubtful.
 *
 * @param heading of the column the hours stand in
 * @param metered machines with an hour meter in the book; what is logged on them is read off it
 * @param asWritten what stands in that column, by the line: `1h15` and `45 min` are how long something took
 */
export function unmetered(
  verdicts: readonly Verdict[],
  heading: string,
  metered: (machineId: string) => boolean,
  asWritten: (line: number) => string,
  plateOf: (machineId: string) => string
): Verdict[] {
  const said = [...verdicts];
  const series = new Map<string, { i: number; day: string; hours: number }[]>();
  for (const [i, v] of verdicts.entries()) {
    if (v.drafts[0]?.kind !== 'reading.log' || v.what === 'refused') continue;
    const { machineId, day, typed } = readingSchema.parse(v.drafts[0].body);
    if (typed.as !== 'meter' || metered(machineId) || LASTS.test(asWritten(v.lines[0]!))) continue;
    const mine = series.get(machineId) ?? [];
    series.set(machineId, mine);
    mine.push({ i, day, hours: typed.value });
  }
  for (const [machineId, rows] of series) {
    const inTime = [...rows].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.i - b.i));
    const rises = inTime.every((r, k) => k === 0 || r.hours > inTime[k - 1]!.hours);
    const shown = SHOWN.test(heading) || rows.some((r) => r.hours > A_DAY) || (rises && rows.length >= RISES);
    if (!shown && !rises) continue;
    for (const { i } of rows) {
      const v = said[i]!;
      said[i] = shown
        ? { ...v, what: 'refused', why: REFUSED(plateOf(machineId)), drafts: [] }
        : { ...v, what: 'doubtful', why: [v.why, DOUBT].filter(Boolean).join('. ') };
    }
  }
  return said;
}
