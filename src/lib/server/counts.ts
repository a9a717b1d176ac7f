import { rulesInForce } from '../core/rules/rules';
import { countTask, type Clock, type Restart } from '../core/schedule/count';
import { reaches, totalAt, type Series } from '../core/hours/series';
import type { Ageing, Anchoring, Call, Task, Trigger } from '../core/schedule/task';
import type { Clocks } from './clock';
import type { Db } from './db';

interface TaskRow {
  id: string;
  name: string;
  job: string | null;
  machine_id: string | null;
  component_id: string | null;
  part: string | null;
  anchoring: Anchoring | null;
  ageing: Ageing | null;
  sensitivity: Task['sensitivity'];
  per_part: boolean;
  answers: string[];
  new_since: string | null;
  triggers: Trigger[];
}
interface RecordRow {
  id: string;
  task_id: string;
  done_at: Date;
  done_on: string;
  hours: number | null;
  hours_by: 'book' | 'stated';
  replaced: boolean;
  created_at: Date;
}

/** The components on a machine now: those fitted to it, and those in its engine. */
export async function fittedNow(sql: Db, teamId: string, machineId: string): Promise<string[]> {
  const rows = await sql`
    select f.component_id as id from fitting f where f.team_id = ${teamId} and f.machine_id = ${machineId} and f.removed_at is null
    union all
    select g.component_id from fitting f join fitting g on g.team_id = f.team_id and g.host_id = f.component_id and g.removed_at is null
    where f.team_id = ${teamId} and f.machine_id = ${machineId} and f.removed_at is null`;
  return rows.map((r) => r.id as string);
}

/**
 * The tasks of a machine and of some components, with their counts worked out from the book. Records that follow the book
 * are put right on the way, when readings entered late or struck out have moved it.
 */
export async function readTasks(
  sql: Db,
  teamId: string,
  clocks: Clocks,
  owners: { machineId: string | null; componentIds: readonly string[] }
): Promise<Task[]> {
  const { machineId, componentIds } = owners;
  const tasks = (await sql`
    select t.id, t.name, t.job, t.machine_id, t.component_id, c.name as part, t.anchoring, t.ageing, t.sensitivity, t.per_part, t.answers,
      case when c.from_new then to_char(c.created_at, 'YYYY-MM-DD') when m.book_from_new then to_char(m.in_service_on, 'YYYY-MM-DD') end as new_since,
      coalesce(jsonb_agg(jsonb_build_object('id', g.id, 'measure', g.measure, 'interval', g.interval_amount, 'limit', g.limit_amount,
        'firstInterval', g.first_interval, 'firstLimit', g.first_limit, 'shortenedTo', g.shortened_to,
        'of', case when o.id is null then null else jsonb_build_object('id', o.id, 'name', o.name) end)
        order by array_position(array['hours', 'distance', 'days', 'outings', 'races', 'times'], g.measure), o.name) filter (where g.id is not null), '[]') as triggers
    from task t
    left join machine m on m.team_id = t.team_id and m.id = t.machine_id
    left join component c on c.team_id = t.team_id and c.id = t.component_id
    left join task_trigger g on g.team_id = t.team_id and g.task_id = t.id
    left join task o on o.team_id = t.team_id and o.id = g.of_task_id
    where t.team_id = ${teamId} and t.retired_at is null
      and (t.machine_id = ${machineId} or t.component_id = any(${componentIds as string[]}))
    group by t.team_id, t.id, c.team_id, c.id, m.team_id, m.id
    order by t.name`) as unknown as TaskRow[];
  if (tasks.length === 0 && machineId === null) return [];
  const ids = [
    ...new Set(tasks.flatMap((t) => [t.id, ...t.triggers.flatMap((g) => (g.of ? [g.of.id] : []))]))
  ];
  const records = (await sql`
    select id, task_id, done_at, done_on, hours, hours_by, replaced, created_at from service_record
    where team_id = ${teamId} and task_id = any(${ids}) order by done_at, id`) as unknown as RecordRow[];
  const rebuilds = (await sql`
    select rt.task_id, r.rebuilt_at, r.rebuilt_on from rebuild_task rt join rebuild r on r.team_id = rt.team_id and r.id = rt.rebuild_id
    where rt.team_id = ${teamId} and rt.task_id = any(${ids})`) as unknown as {
    task_id: string;
    rebuilt_at: Date;
    rebuilt_on: string;
  }[];
  const set = await sql`
    select distinct on (key) key, value from house_rule where team_id = ${teamId} and key in ('ageing', 'anchoring') order by key, seq desc`;
  const rules = rulesInForce(set as never);
  const calls = machineId ? await openCalls(sql, teamId, machineId) : [];

  const clockOf = async (t: TaskRow): Promise<Clock> =>
    t.component_id ? clocks.component(t.component_id) : (await clocks.machine(t.machine_id!)).clock;
  const result: Task[] = [];
  for (const t of tasks) {
    const clock = await clockOf(t);
    const mine = records.filter((r) => r.task_id === t.id);
    await followBook(sql, teamId, mine, clock.hours);
    const restarts: Restart[] = [
      ...mine.map((r): Restart => ({
        kind: 'done',
        at: r.done_at.getTime(),
        day: r.done_on,
        replaced: r.replaced,
        ...(r.hours_by === 'stated' ? { stated: r.hours } : {})
      })),
      ...rebuilds
        .filter((r) => r.task_id === t.id)
        .map((r): Restart => ({
          kind: 'rebuild',
          at: r.rebuilt_at.getTime(),
          day: r.rebuilt_on,
          replaced: true
        }))
    ];
    if (t.new_since)
      restarts.push({ kind: 'new', at: clock.hours.at[0] ?? 0, day: t.new_since, replaced: true });
    const ageing = t.ageing ?? rules.ageing;
    const anchoring = t.anchoring ?? rules.anchoring;
    const counts = countTask(
      { triggers: t.triggers, ageing, anchoring, sensitivity: t.sensitivity, perPart: t.per_part },
      restarts,
      clock,
      timesOf(t, records)
    );
    result.push({
      id: t.id,
      name: t.name,
      job: t.job,
      part: t.component_id ? { id: t.component_id, name: t.part! } : null,
      ...counts,
      ageing,
      anchoring,
      perPart: t.per_part,
      sensitivity: t.sensitivity,
      calls: calls.filter((c) => t.answers.includes(c.what) && !mine.some((r) => answers(r, c))),
      reminder: null
    });
  }
  if (machineId) result.push(...(await readReminders(sql, teamId, machineId)));
  return result;
}

/** When the tasks that this one counts were done. */
function timesOf(t: TaskRow, records: readonly RecordRow[]): Map<string, Series> {
  const map = new Map<string, Series>();
  for (const g of t.triggers) {
    if (!g.of) continue;
    const at = records.filter((r) => r.task_id === g.of!.id).map((r) => r.done_at.getTime());
    if (at.length > 0) map.set(g.of.id, { at: [-8.64e15, ...at], total: [0, ...at.map((_, i) => i + 1)] });
  }
  return map;
}

/** A record that follows the book says what the book says of that moment, whatever has been entered or struck out since. */
async function followBook(sql: Db, teamId: string, records: RecordRow[], hours: Series): Promise<void> {
  for (const r of records) {
    if (r.hours_by !== 'book') continue;
    const at = r.done_at.getTime();
    const now = reaches(hours, at) ? totalAt(hours, at) : null;
    if (now === r.hours) continue;
    r.hours = now;
    await sql`update service_record set hours = ${now} where team_id = ${teamId} and id = ${r.id}`;
  }
}

interface OpenCall extends Call {
  at: Date;
}

/** A task done on or after the day of a call, and written down after it, answers it. */
const answers = (r: RecordRow, c: OpenCall) => r.created_at > c.at && r.done_on >= c.day;

async function openCalls(sql: Db, teamId: string, machineId: string): Promise<OpenCall[]> {
  return (await sql`
    select id, kind, what, words, called_on as day, created_at as at from machine_call
    where team_id = ${teamId} and machine_id = ${machineId} and dropped_at is null order by created_at`) as unknown as OpenCall[];
}

/** What waits for an event is put among the tasks: it stands on the trail like they do. */
async function readReminders(sql: Db, teamId: string, machineId: string): Promise<Task[]> {
  const rows = await sql`
    select id, words, waits_for, part, keeps_off, raised_at is not null as raised from reminder
    where team_id = ${teamId} and machine_id = ${machineId} and done_at is null order by created_at`;
  return rows.map((r) => ({
    id: r.id,
    name: r.words,
    job: null,
    part: null,
    triggers: [],
    counted: null,
    ageing: 'by the meter',
    anchoring: 'from done',
    perPart: false,
    sensitivity: {},
    strained: {},
    calls: [],
    reminder: { waitsFor: r.waits_for, raised: r.raised, part: r.part, keepsOff: r.keeps_off }
  }));
}
