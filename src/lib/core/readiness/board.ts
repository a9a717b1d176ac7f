import { oilInWords } from '../fluids/can';
import { SEVERITIES, type Severity } from '../finding/finding';
import type { Toolbox } from '../stores/toolbox';
import { dayNumber, showDay, type Day } from '../time/day';
import {
  mayRide,
  RIDES,
  type Facts,
  type Readiness,
  type Reason,
  type Rides,
  type RoundFact
} from './readiness';
import { minutesInWords } from '../time/minutes';

/** Reasons that stand in a line of the board before it is unfolded. */
export const REASONS_SHOWN = 3;
/** Lines sent drawn up: what a screen shows; the others are drawn where they are read. */
export const FIRST_LINES = 10;

/** A machine on the board: what its columns say. */
export interface BoardRow {
  machineId: string;
  plate: string;
  name: string;
  rider: string | null;
  rides: Rides;
  /** With all its reasons, the heaviest first. */
  readiness: Omit<Readiness, 'reasons'> & { reasons: Omit<Reason, 'id'>[] };
  /** Tasks past due or due before the outing is over: none left, it is serviced. */
  unserviced: number;
  round: RoundFact;
  /** Open findings, and how grave the gravest is; deferred work is told apart. */
  findings: number;
  gravest: Severity | null;
  deferred: number;
  /** Parts that are waited for. */
  parts: string[];
}

/** The columns of a machine from the same facts that say whether it is ready. */
export function boardRow(
  of: { machineId: string; plate: string; name: string; rider: string | null },
  facts: Facts,
  readiness: Readiness,
  deferred: readonly string[]
): BoardRow {
  const open = facts.findings.filter((f) => !f.closed);
  const seen = open.filter((f) => !deferred.includes(f.id));
  const waits = [...open.flatMap((f) => f.waits ?? []), ...facts.reminders];
  return {
    ...of,
    rides: mayRide(readiness),
    readiness: {
      ...readiness,
      reasons: readiness.reasons.map(({ kind, words, blocks }) => ({ kind, words, blocks }))
    },
    unserviced: readiness.reasons.filter(
      (r) => r.kind === 'past limit' || r.kind === 'limit there' || r.kind === 'due'
    ).length,
    round: facts.round,
    findings: seen.length,
    gravest: SEVERITIES.find((s) => seen.some((f) => f.severity === s)) ?? null,
    deferred: open.length - seen.length,
    parts: waits.flatMap((w) =>
      w.waitsFor === 'a part to arrive' && !w.come
        ? [
            [w.part || 'a part', w.expectedOn && showDay(w.expectedOn, w.expectedOn)]
              .filter(Boolean)
              .join(', ')
          ]
        : []
    )
  };
}

/** Of an oil of the stores, what a visit takes. */
export interface OilWanted {
  oilId: string;
  ml: number;
}

/**
 * What all visits before an outing take of each oil, with those that stand open, where that is more than there is:
 * `Brindle Four 10W-50: 3300 ml for 12, 27 and 41, and 1800 ml there`.
 */
export function shortOils(
  wanted: readonly { plate: string; oils: readonly OilWanted[] }[],
  { oils, claims = [] }: Pick<Toolbox, 'oils' | 'claims'>
): string[] {
  return oils.flatMap((oil) => {
    const claim = claims.find((c) => c.oilId === oil.id);
    const of = wanted.filter((w) => w.oils.some((o) => o.oilId === oil.id) && !claim?.by.includes(w.plate));
    const ml =
      (claim?.ml ?? 0) +
      of.flatMap((w) => w.oils).reduce((sum, o) => sum + (o.oilId === oil.id ? o.ml : 0), 0);
    if (ml <= oil.stockMl) return [];
    const plates = [...(claim?.by ?? []), ...of.map((w) => w.plate)];
    const last = plates.pop()!;
    const named = plates.length > 0 ? `${plates.join(', ')} and ${last}` : last;
    return [`${oilInWords(oil)}: ${Math.round(ml)} ml for ${named}, and ${Math.round(oil.stockMl)} ml there`];
  });
}

/** How many may ride, in words: `2 of 7 ready, 3 more may ride with work due`. */
export function ridesInWords(rows: readonly Pick<BoardRow, 'rides'>[]): string {
  const of = (word: BoardRow['rides']) => rows.filter((r) => r.rides === word).length;
  const due = of(RIDES[1]);
  return `${of(RIDES[0])} of ${rows.length} ready${due > 0 ? `, ${due} more may ride with work due` : ''}`;
}

/** Who may not ride stands first, who has work due next; then by plate. */
export function notReadyFirst(a: BoardRow, b: BoardRow): number {
  return (
    RIDES.indexOf(b.rides) - RIDES.indexOf(a.rides) ||
    a.plate.length - b.plate.length ||
    Number(a.plate > b.plate) - Number(a.plate < b.plate)
  );
}

/** How long there is until an outing begins, in words. */
export function untilInWords(firstDay: Day, today: Day): string {
  const days = dayNumber(firstDay) - dayNumber(today);
  if (days <= 0) return 'it is on';
  return days === 1 ? 'tomorrow' : `in ${days} days`;
}

/**
 * Work with hands on it, how long it may get, and what nobody has said the minutes of: `1 h 20, or 2 h 21 if shims are needed,
 * and 2 things not timed`. Empty: none.
 */
export function workInWords({ work, unsaid }: Pick<Readiness, 'work' | 'unsaid'>): string {
  const grown =
    work.grown && work.grown.attended > work.attended
      ? `, or ${minutesInWords(work.grown.attended)} if ${work.grown.when}`
      : '';
  const more = unsaid === 0 ? '' : `${unsaid} ${unsaid === 1 ? 'thing' : 'things'} not timed`;
  return [work.attended > 0 ? minutesInWords(work.attended) + grown : '', more]
    .filter(Boolean)
    .join(', and ');
}

/** The same of all machines together: what may grow is counted apart. `9 h 20, up to 12 h 05 if all that may is out`. */
export function workOfAll(rows: readonly Pick<BoardRow, 'readiness'>[]): string {
  const sum = (of: (r: Pick<Readiness, 'work' | 'unsaid'>) => number) =>
    rows.reduce((all, r) => all + of(r.readiness), 0);
  const least = sum((r) => r.work.attended);
  const most = sum((r) => Math.max(r.work.attended, r.work.grown?.attended ?? 0));
  const all = workInWords({
    work: { elapsed: 0, attended: least, grown: null },
    unsaid: sum((r) => r.unsaid)
  });
  return most > least ? `${all}; up to ${minutesInWords(most)} if everything measured is out` : all;
}
