import { showHours, type Centihours } from '../hours/hours';
import { rateOfUse, type DayPoint } from '../forecast/rate';
import { nearestFirst, pressure, stretches, tasksDue, type State, type TaskDue } from '../schedule/due';
import type { MachineNow, PlannedOuting, Task } from '../schedule/task';
import { leftInWords } from '../schedule/words';
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
  pegs: Peg[];
  /** A visit that stands open. */
  visitId: string | null;
}

export interface Stake {
  taskId: string;
  name: string;
  job: string | null;
  /** It waits for an event, and is seen to among what is reported. */
  reminder: boolean;
  state: State;
  /** Hundredths of an hour ahead of now; negative when passed. Null: it cannot be placed on the hours. */
  ahead: Centihours | null;
  /** Not counted in hours: placed by the calendar, the rate of use or the machine's own pace. */
  estimated: boolean;
  limitAhead: Centihours | null;
  left: string;
  inside: string | null;
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
  nextTaskId: string | null;
  nextJob: string | null;
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
export function duesOf(standing: Standing, planned: PlannedOuting[], today: Day): TaskDue[] {
  const now = machineNow(standing, planned, today);
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

/** What a lane says of its nearest stake. */
function nextInWords(due: TaskDue | undefined): string {
  if (!due) return 'No task yet';
  const name = due.task.name;
  if (due.state === 'unknown')
    return due.task.counted ? `${name}: hours not known` : `${name}: last done not known`;
  const left = leftInWords(due);
  return due.inside ? `${name} ${left}, inside ${due.inside.name}` : `${name} ${left}`;
}

/** Draws up one machine's lane for today. */
export function laneOf(
  standing: Standing,
  planned: PlannedOuting[],
  today: Day,
  dues: TaskDue[] = duesOf(standing, planned, today)
): Lane {
  const now = machineNow(standing, planned, today);
  const total = standing.total;
  return {
    id: standing.id,
    plate: standing.plate,
    name: standing.name,
    maker: standing.maker,
    kind: standing.kind,
    total,
    estimated: standing.estimated,
    readDaysAgo: standing.readOn === null ? null : Math.max(0, dayNumber(today) - dayNumber(standing.readOn)),
    state: dues[0]?.state ?? 'unknown',
    next: nextInWords(dues[0]),
    nextTaskId: dues[0]?.task.id ?? null,
    nextJob: dues[0]?.task.job ?? null,
    stakes: dues.map((d) => ({
      taskId: d.task.id,
      name: d.task.name,
      job: d.task.job,
      reminder: d.task.reminder !== null,
      state: d.state,
      ahead: d.stake?.ahead ?? null,
      estimated: d.stake !== null && !d.stake.exact,
      limitAhead: d.limitAhead,
      left: d.state === 'unknown' ? 'not known' : leftInWords(d),
      inside: d.inside?.name ?? null
    })),
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
  return `${lane.plate} ${lane.name}, ${hours}. ${lane.state}: ${lane.next}.`;
}
