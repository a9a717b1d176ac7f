import { showHours, type Centihours } from '../hours/hours';
import type { DayPoint } from '../forecast/history';
import { rateOfUse } from '../forecast/rate';
import { nearestFirst, pressure, stretches, tasksDue, type State, type TaskDue } from '../schedule/due';
import { keepsOff, type Finding } from '../finding/finding';
import type { Reminder } from '../finding/reminder';
import { pressingFirst } from '../schedule/decide';
import type { DueKind } from '../schedule/fleet';
import { noticesDue, type NoticeDue } from '../schedule/notice';
import { aheadOf } from '../schedule/state';
import type { MachineNow, PlannedOuting, Task } from '../schedule/task';
import { insideInWords, lacksOdometer, leftInWords, limitInWords } from '../schedule/words';
import { dayNumber, type Day } from '../time/day';

/** Lanes sent with the home screen itself; the rest follow as they are scrolled to. A laptop shows about six. */
export const FIRST_LANES = 8;

/** Work done, standing behind the machine at the hours where it was done. */
export interface Peg {
  recordId: string;
  name: string;
  hours: Centihours;
  day: Day;
}

/** A machine with where it stands: what a lane is drawn from. */
export interface Standing {
  id: string;
  plate: string;
  name: string;
  maker: string;
  kind: string;
  total: Centihours | null;
  estimated: boolean;
  /** Calendar day of the last reading; null when there is none. */
  readOn: Day | null;
  recent: DayPoint[];
  /** Hundredths of a kilometre; null when none is counted. */
  distance: number | null;
  /** Its own pace: hundredths of a kilometre per hour, of an hour an outing; null when not learned. */
  speed: number | null;
  perOuting: Centihours | null;
  tasks: Task[];
  findings: Finding[];
  reminders: Reminder[];
  pegs: Peg[];
  /** A visit that stands open. */
  visitId: string | null;
}

export interface Stake {
  /** Findings and reminders are seen to on the machine's page. */
  kind: DueKind;
  id: string;
  name: string;
  job: string | null;
  state: State;
  /** Hundredths of an hour ahead of now; negative when passed. Null: it cannot be placed on the hours. */
  ahead: Centihours | null;
  /** Not counted in hours: placed by the calendar, the rate of use or the machine's own pace. */
  estimated: boolean;
  limitAhead: Centihours | null;
  left: string;
  inside: string | null;
}

/** Something that likely ends between two hours: a range, since nobody knows it better. Hundredths of an hour ahead of now. */
export interface Likely {
  name: string;
  from: Centihours;
  /** Null: nobody can say. */
  to: Centihours | null;
  words: string;
  href: string;
}

export interface Stretch {
  id: string;
  name: string;
  firstDay: Day;
  from: Centihours;
  to: Centihours;
}

export interface Lane {
  id: string;
  plate: string;
  name: string;
  maker: string;
  kind: string;
  total: Centihours | null;
  estimated: boolean;
  readDaysAgo: number | null;
  state: State;
  /** The stake that presses most, in words: "gearbox oil in 2.1 h, inside Saturday". */
  next: string;
  nextStake: Pick<Stake, 'kind' | 'id' | 'job'> | null;
  /** What keeps it from being called ready; empty: nothing does. */
  notReady: string[];
  stakes: Stake[];
  /** Hours from now, so that from is 0 for the next. */
  stretches: Stretch[];
  pegs: { recordId: string; name: string; behind: Centihours; day: Day }[];
  visitId: string | null;
}

/** Where a machine stands today, for the schedule. */
export function machineNow(standing: Standing, planned: PlannedOuting[], today: Day): MachineNow {
  const { total, recent, speed, perOuting } = standing;
  return { today, total, rate: rateOfUse(recent, dayNumber(today)), planned, speed, perOuting };
}

/** All of a machine's tasks worked out for today, the nearest first. */
export function duesOf(
  standing: Standing,
  planned: PlannedOuting[],
  today: Day,
  now = machineNow(standing, planned, today)
): TaskDue[] {
  return tasksDue(standing.tasks, now).sort(nearestFirst);
}

/** How a lane sorts against another: the state that presses most, then the hours ahead of its stake, then the plate. */
export interface Rank {
  id: string;
  plate: string;
  state: State;
  ahead: number;
}

const plates = new Intl.Collator('en', { numeric: true });

export function mostPressingFirst(a: Rank, b: Rank): number {
  return (
    pressure(a.state) - pressure(b.state) ||
    a.ahead - b.ahead ||
    plates.compare(a.plate, b.plate) ||
    (a.id < b.id ? -1 : 1)
  );
}

/** What a lane says of a task, where it is the nearest. */
function taskInWords(due: TaskDue): string {
  const name = due.task.name;
  if (due.state === 'unknown')
    return !due.task.counted
      ? `${name}: last done not known`
      : due.triggers.some((t) => lacksOdometer(t, due.task))
        ? `${name}: no odometer to count it by`
        : `${name}: hours not known`;
  const left = leftInWords(due);
  // Past its limit there says more than that it falls due.
  const limit = limitInWords(due);
  return [`${name} ${left}`, limit ?? insideInWords(due)].filter(Boolean).join(', ');
}

function taskStake(d: TaskDue): Stake {
  return {
    kind: 'task',
    id: d.task.id,
    name: d.task.name,
    job: d.task.job,
    state: d.state,
    ahead: d.stake?.ahead ?? null,
    estimated: d.stake !== null && !d.stake.exact,
    limitAhead: d.limitAhead,
    left: d.state === 'unknown' ? 'not known' : leftInWords(d),
    inside: insideInWords(d)
  };
}
/** A finding or reminder stands where the machine stands as soon as it presses; until then nowhere. */
function noticeStake({ kind, id, name, state, left }: NoticeDue): Stake {
  const now = state === 'past limit' || state === 'past due';
  return {
    kind,
    id,
    name,
    job: null,
    state,
    ahead: now ? 0 : null,
    estimated: false,
    limitAhead: null,
    left,
    inside: null
  };
}

/** Everything that may press on a machine, what presses most first, each as a stake with what a lane says of it. */
function stakesOf(
  standing: Standing,
  dues: readonly TaskDue[],
  now: MachineNow
): { stake: Stake; words: string; waits: boolean }[] {
  const items = [
    ...dues.map((d) => ({ order: d.order, stake: taskStake(d), words: taskInWords(d), waits: false })),
    ...noticesDue(standing, aheadOf(now)).map((n) => ({
      order: n.order,
      stake: noticeStake(n),
      // That it is not ready, the lane says itself.
      words: n.parks ? [n.name, n.waits].filter(Boolean).join(', ') : `${n.name}: ${n.left}`,
      waits: n.state === 'clear'
    }))
  ];
  return items.sort((a, b) => pressingFirst({ ...a.stake, ...a.order }, { ...b.stake, ...b.order }));
}

/** Draws up one machine's lane for today. */
export function laneOf(standing: Standing, planned: PlannedOuting[], today: Day, known?: TaskDue[]): Lane {
  const now = machineNow(standing, planned, today);
  const dues = known ?? duesOf(standing, planned, today, now);
  const total = standing.total;
  const stakes = stakesOf(standing, dues, now);
  // What merely waits for an event, or is watched, says nothing of the machine.
  const pressing = stakes.find((s) => !s.waits);
  const next = pressing ?? stakes[0];
  return {
    id: standing.id,
    plate: standing.plate,
    name: standing.name,
    maker: standing.maker,
    kind: standing.kind,
    total,
    estimated: standing.estimated,
    readDaysAgo: standing.readOn === null ? null : Math.max(0, dayNumber(today) - dayNumber(standing.readOn)),
    state: pressing?.stake.state ?? 'unknown',
    next: next?.words ?? 'No task yet',
    nextStake: next ? { kind: next.stake.kind, id: next.stake.id, job: next.stake.job } : null,
    notReady: keepsOff(standing.findings).map((f) => f.what),
    stakes: stakes.map((s) => s.stake),
    stretches: stretches(now).map(({ id, name, firstDay, from, to }) => ({
      id,
      name,
      firstDay,
      from: from - (total ?? 0),
      to: to - (total ?? 0)
    })),
    pegs:
      total === null
        ? []
        : standing.pegs.map((p) => ({
            recordId: p.recordId,
            name: p.name,
            behind: total - p.hours,
            day: p.day
          })),
    visitId: standing.visitId
  };
}

/** A lane in one sentence, for those who hear it and for the printed sheet. */
export function laneInWords(lane: Lane): string {
  const hours =
    lane.total === null
      ? 'hours not known'
      : `${showHours(lane.total)} h${lane.estimated ? ', estimated' : ''}`;
  return `${lane.plate} ${lane.name}, ${hours}. ${lane.notReady.length > 0 ? 'Not ready' : lane.state}: ${lane.next}.`;
}
