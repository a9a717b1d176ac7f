import { parks, type Severity } from '../finding/finding';
import { eventInWords, type Reminder } from '../finding/reminder';
import type { Minutes, VisitMinutes } from '../job/minutes';
import type { State } from '../schedule/state';
import { pickFindings } from '../visit/pick';

/** What may keep a machine from an outing, or is to be heeded before it, as it weighs: the heaviest first. */
export const REASONS = [
  'parked',
  'past limit',
  'limit there',
  'at the bench',
  'fix now',
  'round',
  'come',
  'due',
  'to get',
  'proposed',
  'nearly worn',
  'waits',
  'owner',
  'watch',
  'unknown'
] as const;
export type ReasonKind = (typeof REASONS)[number];
/** Over these it is not called ready; the others are said beside it. */
const BLOCKS: ReadonlySet<ReasonKind> = new Set<ReasonKind>([
  'parked',
  'past limit',
  'limit there',
  'at the bench',
  'fix now',
  'round',
  'come'
]);

export interface Reason {
  kind: ReasonKind;
  /** In a line: “right fork seal weeps”. */
  words: string;
  /** Of the finding, task or reminder it comes from; null: of none. */
  id: string | null;
  blocks: boolean;
}

/** The last ready round, as far as being ready goes. */
export type RoundFact =
  | { state: 'not asked' }
  | { state: 'none' }
  | { state: 'begun'; left: number; of: number }
  | { state: 'ridden since' }
  /** It was walked while nobody knew its hours: what was ridden since cannot be told. */
  | { state: 'hours unknown then' }
  | { state: 'too old'; days: number }
  /** It holds today, and not any more when the outing begins: it is so old then, or was ridden at another. */
  | { state: 'too old then'; days: number }
  | { state: 'ridden before'; at: string }
  | { state: 'done' };

/** Something to heed that keeps nothing off. */
export interface Note {
  kind: 'to get' | 'proposed' | 'nearly worn';
  words: string;
  /** Of a task; null: of none. */
  id: string | null;
}

export interface Facts {
  findings: readonly {
    id: string;
    what: string;
    severity: Severity;
    waits: Pick<Reminder, 'waitsFor' | 'part' | 'expectedOn' | 'come'> | null;
    /** Closed with what was done: it says nothing any more. */
    closed: boolean;
  }[];
  reminders: readonly Pick<Reminder, 'id' | 'words' | 'waitsFor' | 'part' | 'expectedOn' | 'come'>[];
  /** Tasks, as they stand to the outing that is looked at. */
  tasks: readonly {
    id: string;
    name: string;
    state: State;
    /** By how much it will be past its limit when the outing is over, in words; null: it will not be. */
    pastLimit: string | null;
  }[];
  /** The visit it stands at the bench for; null: it does not. */
  visitId: string | null;
  round: RoundFact;
  /** Minutes the round still takes. */
  roundMinutes: number;
  /** The visit of what is to be done before the outing; null: there is none, or nobody asked. */
  visit: VisitMinutes | null;
  /** What the work lacks, what a proposal would change, what is nearly worn. */
  notes: readonly Note[];
}

export interface Readiness {
  ready: boolean;
  /** All of them, in order of weight. */
  reasons: Reason[];
  /** Before the outing: the visit, in one go, and the round. */
  work: VisitMinutes;
  /** How many things keep it off that are not in that visit: they wait, or nobody has said how long. */
  unsaid: number;
}

function ofRound(r: RoundFact): string | null {
  switch (r.state) {
    case 'none':
      return 'no ready round yet';
    case 'begun':
      return `ready round: ${r.left} of ${r.of} left`;
    case 'ridden since':
      return 'ridden since its ready round';
    case 'hours unknown then':
      return 'its ready round was walked before its hours were known';
    case 'too old':
      return `its ready round is ${r.days} days old`;
    case 'too old then':
      return `its ready round will be ${r.days} days old by then`;
    case 'ridden before':
      return `ridden at ${r.at} before it: its ready round ends there`;
    default:
      return null;
  }
}

export const RIDES = ['ready', 'may ride, with work due', 'not ready'] as const;
export type Rides = (typeof RIDES)[number];
/** Told apart without colour. */
export const RIDES_MARK: Readonly<Record<Rides, string>> = {
  ready: '●',
  'may ride, with work due': '◐',
  'not ready': '✕'
};
/** Whether it may ride, in the words of every screen: work that is due is no reason to stay, and no reason to say that all is well. */
export const mayRide = ({
  ready,
  reasons
}: {
  ready: boolean;
  reasons: readonly Pick<Reason, 'kind'>[];
}): Rides => (!ready ? RIDES[2] : reasons.some((r) => r.kind === 'due') ? RIDES[1] : RIDES[0]);

const inOrder = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** What a visit before the outing is of: tasks that are due by its end, and what parks the machine or is to be fixed now. */
export const workBefore = (
  f: Pick<Facts, 'tasks' | 'findings'>
): { tasks: string[]; findings: string[] } => ({
  tasks: f.tasks
    .filter((t) => t.pastLimit !== null || t.state === 'past limit' || DUE.has(t.state))
    .map((t) => t.id),
  findings: pickFindings(
    f.findings.filter((x) => !x.closed),
    { findings: [], only: false }
  )
});

const DUE: ReadonlySet<State> = new Set<State>(['past due', 'due before the next outing']);

/**
 * Whether a machine may go on an outing, with every reason in order of weight (handbook, sections 3, 4 and 10): what parks it, a
 * task past its limit or that passes it before the outing is over, a visit that stands open, what is to be fixed now, the round.
 * What waits, or is only watched, is said beside it.
 */
export function readiness(f: Facts): Readiness {
  const reasons: Reason[] = [];
  const add = (kind: ReasonKind, words: string, id: string | null) =>
    reasons.push({ kind, words, id, blocks: BLOCKS.has(kind) });
  for (const x of f.findings) {
    if (x.closed) continue;
    if (parks(x)) add('parked', x.what, x.id);
    else if (x.severity === 'fix now' || x.waits?.come) add('fix now', x.what, x.id);
    else if (x.waits) add('waits', `${x.what}: ${eventInWords(x.waits)}`, x.id);
    else add(x.severity === 'tell the owner' ? 'owner' : 'watch', x.what, x.id);
  }
  for (const r of f.reminders)
    add(r.come ? 'come' : 'waits', r.come ? r.words : `${r.words}: ${eventInWords(r)}`, r.id);
  for (const t of f.tasks) {
    if (t.state === 'past limit') add('past limit', `${t.name} past its limit`, t.id);
    else if (t.pastLimit) add('limit there', `${t.name} passes its limit there, by ${t.pastLimit}`, t.id);
    else if (DUE.has(t.state)) add('due', `${t.name} ${t.state === 'past due' ? 'past due' : 'due'}`, t.id);
    else if (t.state === 'unknown') add('unknown', `${t.name}: not known when`, t.id);
  }
  for (const n of f.notes) add(n.kind, n.words, n.id);
  if (f.visitId) add('at the bench', 'stands open at the bench', f.visitId);
  const round = ofRound(f.round);
  if (round) add('round', round, null);
  reasons.sort(
    (a, b) =>
      REASONS.indexOf(a.kind) - REASONS.indexOf(b.kind) ||
      // By their letters as they stand: a fleet of sixty sorts this for each, and a language's own order costs ten times as much.
      inOrder(a.words, b.words) ||
      inOrder(a.id ?? '', b.id ?? '')
  );
  const inVisit = new Set(workBefore(f).findings);
  const walk = round ? f.roundMinutes : 0;
  const visit = f.visit ?? { elapsed: 0, attended: 0, grown: null };
  const more = (m: Minutes): Minutes => ({ elapsed: m.elapsed + walk, attended: m.attended + walk });
  return {
    ready: !reasons.some((r) => r.blocks),
    reasons,
    work: { ...more(visit), grown: visit.grown && { ...more(visit.grown), when: visit.grown.when } },
    unsaid: reasons.filter(
      (r) => r.kind === 'come' || ((r.kind === 'parked' || r.kind === 'fix now') && !inVisit.has(r.id ?? ''))
    ).length
  };
}

/**
 * What the last ready round says of an outing: whether it still holds when that begins.
 *
 * @param to days until it begins, and an outing the machine is ridden at before it; null: as it stands today
 * @param round when it was done, and at which running hours the machine then stood; or what of one is left
 * @param now running hours of the machine, and days since the round
 * @param holds for how many days a round holds, by house rule; 0: none is asked for
 */
export function roundFact(
  round: {
    done: { hours: number | null; daysAgo: number } | null;
    open: { left: number; of: number } | null;
  },
  hours: number | null,
  holds: number,
  to: { days: number; riddenAt: string | null } | null = null
): RoundFact {
  if (holds === 0) return { state: 'not asked' };
  const { done, open } = round;
  const ridden = done !== null && hours !== null && done.hours !== null && hours > done.hours;
  const untold = done !== null && hours !== null && done.hours === null;
  if (done && !ridden && !untold && done.daysAgo <= holds) {
    if (to?.riddenAt) return { state: 'ridden before', at: to.riddenAt };
    const then = done.daysAgo + Math.max(0, to?.days ?? 0);
    return then > holds ? { state: 'too old then', days: then } : { state: 'done' };
  }
  if (open) return { state: 'begun', ...open };
  if (!done) return { state: 'none' };
  if (untold && done.daysAgo <= holds) return { state: 'hours unknown then' };
  return ridden ? { state: 'ridden since' } : { state: 'too old', days: done.daysAgo };
}
