import { tasksDue, type TaskDue } from '../../core/schedule/due';
import {
  dueLines,
  mostPressingLines,
  type DueKind,
  type DueLine,
  type DueMachine
} from '../../core/schedule/fleet';
import { decide, pressingFirst } from '../../core/schedule/decide';
import { noticesDue, whyFinding, whyReminder, type NoticeDue, type OpenOn } from '../../core/schedule/notice';
import { aheadOf, STATES, through, type State } from '../../core/schedule/state';
import type { MachineNow } from '../../core/schedule/task';
import { machineNow } from '../../core/trail/lane';
import { whyDue, type WhyLine } from '../../core/schedule/why';
import {
  everyInWords,
  insideInWords,
  leftInWords,
  likelyInWords,
  limitInWords
} from '../../core/schedule/words';
import type { Team } from '../../core/team/team';
import { dayOf, type Day } from '../../core/time/day';
import { readDueItems } from '../../core/book/stored';
import type { Db } from '../base/db';
import { readCalendar, readStandings, type Calendar } from '../trail/lanes';

/** What the due list is narrowed to, and how it is ordered. Empty strings narrow nothing. */
export interface DueFilter {
  machine: string;
  rider: string;
  task: string;
  state: string;
  /** An event's id: what falls due before it is over, on the machines that go. */
  weekend: string;
  sort: 'pressing' | 'machine' | 'task' | 'date';
}

const SORTS = ['pressing', 'machine', 'task', 'date'] as const satisfies readonly DueFilter['sort'][];
/** The filter as it stands in an address. */
export function dueFilter(search: URLSearchParams): DueFilter {
  const get = (key: string) => (search.get(key) ?? '').slice(0, 100);
  return {
    machine: get('machine'),
    rider: get('rider'),
    task: get('task'),
    state: get('state'),
    weekend: get('weekend'),
    sort: SORTS.find((s) => s === get('sort')) ?? 'pressing'
  };
}

export interface DueRow {
  machineId: string;
  plate: string;
  machine: string;
  rider: string | null;
  kind: DueKind;
  /** The task's, the finding's or the reminder's own id. */
  id: string;
  name: string;
  part: string | null;
  job: string | null;
  state: State;
  /** It keeps the machine from being called ready. */
  parks: boolean;
  left: string;
  every: string;
  likely: string;
  inside: string | null;
  /** Past its limit inside which outing, and by how much. */
  limitInside: string | null;
  visitId: string | null;
  why: WhyLine[];
}

export interface DuePage {
  today: Day;
  rows: DueRow[];
  /** How many there are in all by this filter, and by state. */
  total: number;
  counts: Partial<Record<State, number>>;
  /** What can be picked in each filter. */
  choices: {
    machines: { id: string; plate: string; name: string }[];
    riders: { id: string; name: string }[];
    tasks: string[];
    weekends: { id: string; name: string; firstDay: Day }[];
  };
}

interface Loaded extends DueMachine {
  plate: string;
  name: string;
  riderId: string | null;
  rider: string | null;
}

/** Rows drawn up at once: two screens. The rest come page by page. */
export const DUE_PAGE = 60;

/** The whole fleet's due points, as the list is worked out from. */
export async function readDues(sql: Db, team: Team, calendar: Calendar): Promise<Loaded[]> {
  const rows = await sql`
    select m.id, m.plate, m.name, m.rider_id, p.name as rider, s.speed, s.dues from machine m
    join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
    left join person p on p.team_id = m.team_id and p.id = m.rider_id
    where m.team_id = ${team.id} order by length(m.plate), m.plate`;
  return rows.map((r) => ({
    id: r.id,
    plate: r.plate,
    name: r.name,
    riderId: r.rider_id,
    rider: r.rider,
    speed: r.speed,
    planned: calendar.of(r.id),
    items: readDueItems(r.dues)
  }));
}

/** Whether a task falls due before an event is over, on a machine that goes. */
function beforeWeekend(line: DueLine & { today: Day }, machine: Loaded, weekend: string): boolean {
  const upTo = machine.planned.findIndex((p) => p.id === weekend);
  if (upTo < 0) return false;
  if (line.state === 'past limit' || line.state === 'past due' || line.state === 'unknown') return true;
  const item = machine.items.find((i) => i.kind === line.kind && i.id === line.id);
  const ahead = through(aheadOf({ ...machine, today: line.today }), upTo);
  return item !== undefined && decide(item, ahead).state === 'due before the next outing';
}

/** The other orders of the list; what presses most decides between two alike. */
function orderBy(sort: DueFilter['sort'], machines: readonly Loaded[]): (a: DueLine, b: DueLine) => number {
  const place = new Map(machines.map((m, i) => [m.id, i]));
  if (sort === 'machine')
    return (a, b) => place.get(a.machineId)! - place.get(b.machineId)! || pressingFirst(a, b);
  if (sort === 'task') return (a, b) => a.name.localeCompare(b.name) || pressingFirst(a, b);
  return (a, b) => a.ahead - b.ahead || pressingFirst(a, b);
}

/** Lines of the list by a filter, before any of them is drawn up. */
interface DueLines {
  today: Day;
  calendar: Calendar;
  machines: Loaded[];
  byId: ReadonlyMap<string, Loaded>;
  lines: DueLine[];
  counts: Partial<Record<State, number>>;
}
async function linesBy(sql: Db, team: Team, filter: DueFilter, now: Date): Promise<DueLines> {
  const today = dayOf(now, team.timeZone);
  const calendar = await readCalendar(sql, team.id, today);
  const machines = await readDues(sql, team, calendar);
  const byId = new Map(machines.map((m) => [m.id, m]));
  const wanted = machines.filter(
    (m) => (!filter.machine || m.id === filter.machine) && (!filter.rider || m.riderId === filter.rider)
  );
  const name = filter.task.trim().toLowerCase();
  let lines = dueLines(wanted, today, (_, t) => !name || t.name.toLowerCase().includes(name));
  if (filter.weekend)
    lines = lines.filter((l) => beforeWeekend({ ...l, today }, byId.get(l.machineId)!, filter.weekend));
  const counts: Partial<Record<State, number>> = {};
  for (const l of lines) counts[l.state] = (counts[l.state] ?? 0) + 1;
  if (filter.state === 'pressing') lines = lines.filter((l) => l.state !== 'clear' && l.state !== 'coming');
  else if (STATES.includes(filter.state as State)) lines = lines.filter((l) => l.state === filter.state);
  return { today, calendar, machines, byId, lines, counts };
}

/** The due list of a fleet: filtered, sorted, the page asked for drawn up with the sum behind each line. */
export async function duePage(
  sql: Db,
  team: Team,
  filter: DueFilter,
  page: number,
  now: Date
): Promise<DuePage> {
  const { today, calendar, machines, byId, lines, counts } = await linesBy(sql, team, filter, now);
  const shown =
    filter.sort === 'pressing'
      ? mostPressingLines(lines, page * DUE_PAGE, DUE_PAGE)
      : lines.sort(orderBy(filter.sort, machines)).slice(page * DUE_PAGE, (page + 1) * DUE_PAGE);
  return {
    today,
    rows: await drawUp(sql, team, shown, byId, calendar, today),
    total: lines.length,
    counts,
    choices: {
      machines: machines.map(({ id, plate, name: n }) => ({ id, plate, name: n })),
      riders: [...new Map(machines.flatMap((m) => (m.riderId ? [[m.riderId, m.rider!] as const] : [])))]
        .map(([id, n]) => ({ id, name: n }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      tasks: [...new Set(machines.flatMap((m) => m.items.flatMap((i) => (i.kind === 'task' ? i.name : []))))]
        .sort()
        .slice(0, 300),
      weekends: calendar.events
    }
  };
}

/** All of it, a few hundred lines at a time, in the order that was asked for. */
export async function* everyDue(
  sql: Db,
  team: Team,
  filter: DueFilter,
  now: Date,
  most = 300
): AsyncGenerator<DueRow[]> {
  const { today, calendar, machines, byId, lines } = await linesBy(sql, team, filter, now);
  const sorted =
    filter.sort === 'pressing'
      ? mostPressingLines(lines, 0, lines.length)
      : lines.sort(orderBy(filter.sort, machines));
  for (let from = 0; from < sorted.length; from += most)
    yield await drawUp(sql, team, sorted.slice(from, from + most), byId, calendar, today);
}

/** What only the kind of thing that is due can say of its line. */
type Drawn = Pick<
  DueRow,
  'job' | 'state' | 'parks' | 'left' | 'every' | 'likely' | 'inside' | 'limitInside' | 'why'
>;

function drawTask(due: TaskDue, now: MachineNow, estimated: boolean): Drawn {
  return {
    job: due.task.job,
    state: due.state,
    parks: false,
    left: due.state === 'unknown' ? 'not known' : leftInWords(due),
    every: due.triggers.map((t) => everyInWords(t.trigger, t.trigger.book)).join(' or '),
    likely: likelyInWords(due.likely, now.today),
    inside: insideInWords(due),
    limitInside: limitInWords(due),
    why: whyDue(due, now, estimated)
  };
}
function drawNotice({ kind, id, state, parks, left }: NoticeDue, on: OpenOn, today: Day): Drawn {
  const finding = on.findings.find((f) => f.id === id);
  const reminder = on.reminders.find((r) => r.id === id);
  const why = finding ? whyFinding(finding, today) : reminder ? whyReminder(reminder) : [];
  return { job: null, state, parks, left, every: kind, likely: '', inside: null, limitInside: null, why };
}

/** Reads and works out in full only the machines that are on the page. */
async function drawUp(
  sql: Db,
  team: Team,
  lines: readonly DueLine[],
  byId: ReadonlyMap<string, Loaded>,
  calendar: Calendar,
  today: Day
): Promise<DueRow[]> {
  const ids = [...new Set(lines.map((l) => l.machineId))];
  if (ids.length === 0) return [];
  const standings = await readStandings(sql, team, ids);
  const worked = new Map<string, { visitId: string | null; drawn: Map<string, () => Drawn> }>();
  for (const s of standings) {
    const now = machineNow(s, calendar.of(s.id), today);
    const drawn = new Map<string, () => Drawn>();
    for (const d of tasksDue(s.tasks, now)) drawn.set(d.task.id, () => drawTask(d, now, s.estimated));
    for (const n of noticesDue(s, aheadOf(now))) drawn.set(n.id, () => drawNotice(n, s, today));
    worked.set(s.id, { visitId: s.visitId, drawn });
  }
  return lines.flatMap((l): DueRow[] => {
    const w = worked.get(l.machineId);
    const draw = w?.drawn.get(l.id);
    const m = byId.get(l.machineId);
    if (!w || !draw || !m) return [];
    const { kind, id, name, part } = l;
    return [
      {
        machineId: m.id,
        plate: m.plate,
        machine: m.name,
        rider: m.rider,
        kind,
        id,
        name,
        part,
        visitId: w.visitId,
        ...draw()
      }
    ];
  });
}
