import type { DayPoint } from '../forecast/history';
import type { Learned } from '../hours/learned';
import { reaches, totalAt, type Series } from '../hours/series';
import { countTask, type Clock, type Restart } from '../schedule/count';
import type { Finding } from '../finding/finding';
import type { Reminder } from '../finding/reminder';
import type { Task } from '../schedule/task';
import type { Peg } from '../trail/lane';
import { clockOf, paceOf, partClock, recentPoints, standOf, type Stand } from './clock';
import { inwardsFirst } from './moments';
import type { BookOf, FindingRow, PartRow, PegRow, Recent, RestartRow, StepsOf, TaskRow } from './rows';

/** Where one machine stands by its book: all the fleet's screens are drawn from. */
export interface MachineStanding extends Stand {
  machineId: string;
  /** When it was last read or ridden; null when it never was. */
  readAt: number | null;
  learned: Learned;
  recent: DayPoint[];
  tasks: Task[];
  findings: Finding[];
  reminders: Reminder[];
  pegs: Peg[];
}

/** What a book says of some machines and everything that was ever fitted to them. */
export interface Book {
  machines: MachineStanding[];
  /** Components whose hours are others than were written down. */
  totals: { id: string; total: number }[];
  /** Records whose hours, or whose machine's, are others than were written down. */
  hours: { id: string; hours: number | null; machineHours: number | null }[];
  /** Open findings, likewise: hours of the machine they were found on. */
  findingHours: { id: string; hours: number | null }[];
  clock: (owner: { machineId: string | null; componentId: string | null }) => Clock;
  tasksOf: (componentId: string) => Task[];
}

const NOTHING = clockOf([]);

/**
 * Works out a book. Pure: the same rows give the same book, whether every step is there or only those that are asked for.
 *
 * @param rows what was written
 * @param steps of every machine that is named or that a component was ever on
 * @param recents of every machine that is named
 */
export function buildBook(rows: BookOf, steps: StepsOf, recents: ReadonlyMap<string, Recent>): Book {
  const clocks = clocksOf(rows, steps);
  const clock: Book['clock'] = (owner) => clocks.get(owner.componentId ?? owner.machineId ?? '') ?? NOTHING;
  const restarts = grouped(rows.restarts, (r) => r.taskId);
  const task = (t: TaskRow): Task => taskOf(t, rows, restarts.get(t.id) ?? [], clock(t));
  const parts = new Map(rows.parts.map((p) => [p.id, p]));
  const worked = rows.tasks.map((row) => ({ row, task: task(row) }));
  const machineOf = (t: TaskRow) => t.machineId ?? parts.get(t.componentId!)?.machineId ?? null;

  return {
    machines: rows.machines.map((m): MachineStanding => {
      const recent = recents.get(m.id) ?? { hours: [], outings: [], readAt: null };
      return {
        machineId: m.id,
        ...standOf(steps.get(m.id) ?? []),
        readAt: recent.readAt,
        learned: paceOf(recent),
        recent: recentPoints(recent, rows.timeZone),
        tasks: worked.filter((w) => machineOf(w.row) === m.id).map((w) => w.task),
        findings: rows.findings
          .filter((f) => (f.componentId ? parts.get(f.componentId)?.machineId : f.machineId) === m.id)
          .map((f) => findingOf(f, parts, clock)),
        reminders: rows.reminders
          .filter((r) => r.machineId === m.id)
          .map(({ id, words, waitsFor, part, expectedOn, come }) => ({
            id,
            words,
            waitsFor,
            part,
            expectedOn,
            come
          })),
        pegs: rows.pegs.filter((p) => p.machineId === m.id).flatMap((p) => pegOf(p, clock))
      };
    }),
    totals: rows.parts.flatMap((p) => {
      const total = totalAt(clocks.get(p.id)!.hours, Infinity) ?? 0;
      return total === p.total ? [] : [{ id: p.id, total }];
    }),
    hours: rows.followers.flatMap((f) => {
      const hours = f.stated ? f.hours : hoursAt(clock(f).hours, f.at);
      const machineHours =
        f.componentId === null ||
        f.onMachineId === null ||
        !reaches(clock({ machineId: f.onMachineId, componentId: null }).hours, f.at)
          ? null
          : machineThen({ ...f, machineId: f.onMachineId }, hours, clock);
      return hours === f.hours && machineHours === f.machineHours ? [] : [{ id: f.id, hours, machineHours }];
    }),
    findingHours: rows.findings.flatMap((f) => {
      const now = foundAt(f, clock);
      return now === f.hours ? [] : [{ id: f.id, hours: now }];
    }),
    clock,
    tasksOf: (componentId) => worked.filter((w) => w.row.componentId === componentId).map((w) => w.task)
  };
}

/** Work done, at the machine's hours then; none where nobody knows at which hours it was done. */
function pegOf(p: PegRow, clock: Book['clock']): Peg[] {
  const own = p.stated === undefined ? hoursAt(clock(p).hours, p.at) : p.stated;
  if (own === null) return [];
  const hours = p.componentId === null ? own : machineThen(p, own, clock);
  return hours === null ? [] : [{ recordId: p.recordId, name: p.name, day: p.day, hours }];
}

/**
 * Where the machine stood when something was done on one of its components at `own` hours of it. Of a day only the evening's
 * reading may be known: what the component had run less by then than that reading says, the machine had too.
 *
 * @param own hours of the component; null: not known
 * @returns null where the machine's hours are not known; before its book begins, from where that does
 */
function machineThen(
  { machineId, componentId, at }: Pick<PegRow, 'machineId' | 'componentId' | 'at'>,
  own: number | null,
  clock: Book['clock']
): number | null {
  const { hours } = clock({ machineId, componentId: null });
  const machine = totalAt(hours, at);
  if (!reaches(hours, at)) return machine;
  const component = totalAt(clock({ machineId: null, componentId }).hours, at);
  if (machine === null || own === null || component === null) return machine;
  return Math.max(0, machine + own - component);
}

/** What the book says of a moment; null where it does not reach back to it. */
export function hoursAt(hours: Series, at: number): number | null {
  return reaches(hours, at) ? totalAt(hours, at) : null;
}

function grouped<T>(list: readonly T[], key: (t: T) => string): Map<string, T[]> {
  const map = new Map<string, T[]>();
  for (const t of list) {
    const there = map.get(key(t));
    if (there) there.push(t);
    else map.set(key(t), [t]);
  }
  return map;
}

/** The clocks of machines and components: engines before what sits in them. */
function clocksOf(rows: BookOf, steps: StepsOf): Map<string, Clock> {
  const clocks = new Map<string, Clock>();
  for (const [id, list] of steps) clocks.set(id, clockOf(list));
  for (const part of inwardsFirst(rows.parts).reverse()) clocks.set(part.id, clockOfPart(part, clocks));
  return clocks;
}
function clockOfPart(part: PartRow, clocks: ReadonlyMap<string, Clock>): Clock {
  return partClock({
    ...part,
    fittings: part.fittings.map((f) => ({
      host: clocks.get(f.machineId ?? f.hostId!) ?? NOTHING,
      from: f.from,
      to: f.to
    }))
  });
}

/** One task with its counts. */
function taskOf(t: TaskRow, rows: BookOf, restarts: readonly RestartRow[], clock: Clock): Task {
  const owner = t.componentId
    ? rows.parts.find((p) => p.id === t.componentId)
    : rows.machines.find((m) => m.id === t.machineId);
  const all: Restart[] = [...restarts];
  if (t.fromNew && owner)
    all.push({ kind: 'new', at: clock.hours.at[0] ?? 0, day: owner.day, replaced: true });
  const ageing = t.ageing ?? rows.rules.ageing;
  const anchoring = t.anchoring ?? rows.rules.anchoring;
  const { triggers, sensitivity, perPart } = t;
  return {
    id: t.id,
    name: t.name,
    job: t.job,
    part: t.componentId ? { id: t.componentId, name: (owner as PartRow).name } : null,
    ...countTask({ triggers, ageing, anchoring, sensitivity, perPart }, all, clock, timesOf(t, rows)),
    ageing,
    anchoring,
    perPart,
    sensitivity,
    calls: rows.calls
      .filter((c) => c.taskId === t.id)
      .map(({ id, kind, what, words, day }) => ({ id, kind, what, words, day }))
  };
}

/** When the tasks that this one counts were done, by theirs. */
function timesOf(t: TaskRow, rows: BookOf): Map<string, Series> {
  const map = new Map<string, Series>();
  for (const g of t.triggers) {
    if (!g.of) continue;
    const at = rows.times
      .filter((x) => x.taskId === t.id && x.ofTaskId === g.of!.id)
      .map((x) => x.at)
      .sort((a, b) => a - b);
    if (at.length > 0) map.set(g.of.id, { at: [-8.64e15, ...at], total: [0, ...at.map((_, i) => i + 1)] });
  }
  return map;
}

/** Running hours at which something was found, of the machine it was found on; null where nobody knows. */
const foundAt = (f: FindingRow, clock: Book['clock']): number | null =>
  f.machineId === null ? null : hoursAt(clock({ machineId: f.machineId, componentId: null }).hours, f.at);

function findingOf(f: FindingRow, parts: ReadonlyMap<string, PartRow>, clock: Book['clock']): Finding {
  const part = f.componentId === null ? undefined : parts.get(f.componentId);
  const { id, cause, what, note, fastenerId, place, severity, day, by, visitId, waits } = f;
  return {
    id,
    cause,
    what,
    note,
    part: part ? { id: part.id, name: part.name } : null,
    fastenerId,
    place,
    severity,
    day,
    hours: foundAt(f, clock),
    by,
    visitId,
    waits
  };
}
