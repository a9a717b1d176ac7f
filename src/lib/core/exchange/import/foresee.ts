import { decideReading, type Around, type NearReading } from '../../hours/entry';
import { readingSchema } from '../../hours/form';
import { readingInWords } from '../../hours/words';
import { dayOf } from '../../time/day';
import { startOf } from '../../time/moment';
import type { Verdict } from './model';

/** The longest day, when the clocks go back. */
const MS_PER_DAY = 25 * 3_600_000;
const AS_IT_STANDS = 'From a file, taken as it stands there.';

/** The place of the first reading after a moment, in a list in order of time. */
function firstAfter(list: readonly NearReading[], at: number): number {
  let [lo, hi] = [0, list.length];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (list[mid]!.at <= at) lo = mid + 1;
    else hi = mid;
  }
  return lo;
}

/** Of all readings of a machine those that one of a day is held against: of that day, and the nearest true ones beside it. */
function near(all: readonly NearReading[], from: number, meters: number): NearReading[] {
  const [begin, end] = [firstAfter(all, from - 1), firstAfter(all, from + MS_PER_DAY)];
  const beside = (start: number, step: 1 | -1): NearReading[] => {
    const found = new Map<string, NearReading>();
    for (let i = start; i >= 0 && i < all.length && found.size < meters; i += step) {
      const r = all[i]!;
      if (!r.struck && r.value !== null && !found.has(r.meterId)) found.set(r.meterId, r);
    }
    return [...found.values()];
  };
  return [...beside(begin - 1, -1), ...all.slice(begin, end), ...beside(end, 1)].sort((a, b) => a.at - b.at);
}

/**
 * Holds readings that a file would bring against the book and against one another, in the order they were ridden, as the
 * book will when they are sent. What it would question is doubtful: taken as it stands only if somebody says so.
 *
 * @param around of each machine, what its readings are held against; its own are not looked at
 * @param readings of each machine, all there are, in order of time
 */
export function foresee(
  verdicts: readonly Verdict[],
  around: ReadonlyMap<string, Around>,
  readings: ReadonlyMap<string, readonly NearReading[]>,
  now: Date
): Verdict[] {
  const said = [...verdicts];
  const all = new Map([...readings].map(([id, list]) => [id, [...list]]));
  const fresh = verdicts.flatMap((v, i) => {
    const body = v.drafts[0]?.kind === 'reading.log' ? readingSchema.parse(v.drafts[0].body) : null;
    return body ? [{ i, v, body }] : [];
  });
  fresh.sort((a, b) => (a.body.day < b.body.day ? -1 : a.body.day > b.body.day ? 1 : a.i - b.i));
  let id = 0;
  for (const { i, v, body } of fresh) {
    const base = around.get(body.machineId)!;
    const mine = all.get(body.machineId) ?? [];
    all.set(body.machineId, mine);
    const from = body.day >= dayOf(now, base.timeZone) ? now : startOf(body.day, base.timeZone);
    const here = { ...base, readings: near(mine, from.getTime(), base.meters.length) };
    const decision = decideReading(body, here, now, () => `new ${id++}`);
    if (decision.ok) {
      for (const { id, meterId, at, value } of decision.entry.rows)
        mine.splice(firstAfter(mine, at), 0, { id, meterId, at, value, struck: false });
      continue;
    }
    const { problem } = decision;
    const { message } = readingInWords(problem);
    const draft = v.drafts[0]!;
    const settled =
      problem.kind === 'odd pace'
        ? { sure: true }
        : problem.kind === 'doubts' && problem.ways.includes('reading is right')
          ? { settlement: { as: 'reading is right', reason: AS_IT_STANDS, oldFinal: '', newStart: '' } }
          : null;
    said[i] = settled
      ? { ...v, what: 'doubtful', why: message, drafts: [{ ...draft, body: { ...draft.body, ...settled } }] }
      : { ...v, what: 'refused', why: message, drafts: [] };
  }
  return said;
}
