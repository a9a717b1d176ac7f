import { isRead, meterOn, type Around } from '../../hours/entry';
import { readingSchema } from '../../hours/form';
import { momentOn } from '../../time/moment';
import type { Day } from '../../time/day';
import type { Verdict } from './model';
import { JUDGED_BY } from '../../judged/by';

/** A column of this name holds what a meter shows, whatever its figures are. */
const SHOWN = /\b(meter|reading|shows?|engine|after|end|total)\b/i;
/** More than this nobody rides on one day; so many figures in a row do not rise by chance. */
const { mostADay, importRises } = JUDGED_BY.hours;
/** How long something took, and no figure of a meter. */
const LASTS = /\d\s*(h\s*\d|:\d|min)/i;

const REFUSED = (plate: string): string =>
  `It is what a meter shows, and no hour meter of ${plate} could be read on that day: taken as it stands it would be hours ridden. Give it a meter on its page first.`;
const UNSAID = 'What the meter showed, or time ridden? Say it above the rows: it goes for all of the sheet.';

/**
 * How the hours of a machine are counted on a day. `unread`: by a meter that nobody has read yet, so that nothing tells what its
 * figures are; `none`: by no meter, or by a dead one.
 */
export type Counted = 'read' | 'unread' | 'none';
export function countedOn(around: Pick<Around, 'meters' | 'timeZone'>, day: Day, now: Date): Counted {
  const meter = meterOn(around.meters, day, around.timeZone);
  if (!meter || !isRead(meter, momentOn(day, around.timeZone, now).getTime())) return 'none';
  return around.meters.some((m) => m.kind === 'hour meter' && m.latest !== null) ? 'read' : 'unread';
}

/**
 * Hours in a column that may hold what a meter shows or time ridden, of machines whose meter in the book does not tell: one is never
 * taken for the other. The heading says which it is, or a figure nobody rides on a day, or a column that only rises, one that goes
 * up and down, or how long some of it took; where nothing tells, it is asked once for the whole sheet.
 *
 * @param heading of the column the hours stand in
 * @param shown somebody said that it is what the meter shows
 * @param counted how the hours of a machine are counted on a day
 * @param asWritten what stands in that column, by the line: `1h15` and `45 min` are how long something took
 */
export function unmetered(
  verdicts: readonly Verdict[],
  heading: string,
  shown: boolean,
  counted: (machineId: string, day: Day) => Counted,
  asWritten: (line: number) => string,
  plateOf: (machineId: string) => string
): Verdict[] {
  const rows = verdicts.flatMap((v, i) => {
    if (v.drafts[0]?.kind !== 'reading.log' || v.what === 'refused') return [];
    const { machineId, day, typed } = readingSchema.parse(v.drafts[0].body);
    if (typed.as !== 'meter' || LASTS.test(asWritten(v.lines[0]!))) return [];
    const by = counted(machineId, day);
    return by === 'read' ? [] : [{ i, machineId, day, hours: typed.value, by }];
  });
  const lasts = verdicts.some((v) => LASTS.test(asWritten(v.lines[0]!)));
  const is = shown || SHOWN.test(heading) ? 'shown' : lasts ? 'ridden' : holds(rows);
  const said = [...verdicts];
  for (const { i, machineId, by, hours } of rows) {
    const v = said[i]!;
    if (is === null) said[i] = { ...v, what: 'refused', why: UNSAID, drafts: [], asks: true };
    else if (is === 'ridden') said[i] = ridden(v, hours);
    else if (by === 'none') said[i] = { ...v, what: 'refused', why: REFUSED(plateOf(machineId)), drafts: [] };
  }
  return said;
}

/** The same, under the same id, said to be time ridden. @param hours hundredths of an hour */
const ridden = (v: Verdict, hours: number): Verdict => ({
  ...v,
  drafts: v.drafts.map((d) => ({ ...d, body: { ...d.body, typed: `+${hours / 100} h` } }))
});

/** What the figures are by themselves; null: they may be either. */
function holds(rows: readonly { machineId: string; day: Day; hours: number; i: number }[]) {
  const inTime = rows.toSorted((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.i - b.i));
  const series = [...new Set(rows.map((r) => r.machineId))].map((id) =>
    inTime.filter((r) => r.machineId === id).map((r) => r.hours)
  );
  const rises = series.map((list) => list.every((h, k) => k === 0 || h > list[k - 1]!));
  const meters = series.some(
    (list, k) => list.some((h) => h > mostADay.is) || (rises[k] && list.length >= importRises.is)
  );
  const rides = rises.includes(false);
  return meters === rides ? null : meters ? ('shown' as const) : ('ridden' as const);
}
