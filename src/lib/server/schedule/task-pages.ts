import { tasksDue } from '../../core/schedule/due';
import type { SavedTask } from '../../core/schedule/task';
import { whyDue, type WhyLine } from '../../core/schedule/why';
import { dayOf } from '../../core/time/day';
import { laneOf, machineNow, type Lane } from '../../core/trail/lane';
import type { Team } from '../../core/team/team';
import type { Db, Tx } from '../base/db';
import { readCalendar, readStandings } from '../trail/lanes';

/** What a task belongs to: one of the two. */
interface Owned {
  id: string;
  machineId: string | null;
  componentId: string | null;
}

/** A task as the book has it, for its editor. */
export async function getTask(sql: Db, teamId: string, id: string): Promise<(SavedTask & Owned) | null> {
  const [t] = await sql`
    select t.id, t.machine_id as "machineId", t.component_id as "componentId", t.name, t.job, t.note, t.ageing, t.anchoring, t.sensitivity,
      t.per_part as "perPart", t.restarts_on_rebuild as "restartsOnRebuild", t.answers,
      coalesce((select jsonb_agg(jsonb_build_object('id', g.id, 'measure', g.measure, 'interval', g.interval_amount, 'limit', g.limit_amount,
        'firstInterval', g.first_interval, 'firstLimit', g.first_limit, 'shortenedTo', g.shortened_to,
        'of', case when o.id is null then null else jsonb_build_object('id', o.id, 'name', o.name) end)
        order by array_position(array['hours', 'distance', 'days', 'outings', 'races', 'times'], g.measure))
        from task_trigger g left join task o on o.team_id = g.team_id and o.id = g.of_task_id where g.team_id = t.team_id and g.task_id = t.id), '[]') as triggers
    from task t where t.team_id = ${teamId} and t.id = ${id} and t.retired_at is null`;
  return (t as unknown as SavedTask & Owned) ?? null;
}

/** The tasks of a machine and of what is fitted to it, as the book has them: for a sister that is to have the like. */
export async function listTasksOf(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<(SavedTask & { id: string })[]> {
  const rows =
    await sql`select task_id as id from task_place p join task t on t.team_id = p.team_id and t.id = p.task_id
      where p.team_id = ${teamId} and p.machine_id = ${machineId} and t.retired_at is null order by t.created_at, t.id`;
  const tasks = await Promise.all(rows.map((r) => getTask(sql, teamId, r.id)));
  return tasks.flatMap((t) => t ?? []);
}

export interface TaskChangeRow {
  at: Date;
  by: string;
  word: string;
  /** The triggers as they were, in the book's amounts; empty where something else was changed. */
  was: { measure: string; interval_amount: number; limit_amount: number | null }[];
  shortenedTo: number | null;
}

/** Who changed a task, when and why; the latest first. */
export async function listTaskChanges(sql: Db, teamId: string, taskId: string): Promise<TaskChangeRow[]> {
  return (await sql`
    select c.changed_at as at, p.name as by, c.word, coalesce(c.was->'triggers', '[]') as was, (c.was->>'shortened_to')::int as "shortenedTo"
    from task_change c join person p on p.team_id = c.team_id and p.id = c.changed_by
    where c.team_id = ${teamId} and c.task_id = ${taskId} order by c.changed_at desc limit 50`) as unknown as TaskChangeRow[];
}

export interface Preview {
  lane: Lane | null;
  state: string;
  why: WhyLine[];
}

/** Where the stakes of a task fall in the book as it is, and why: shown while it is typed, of a book that is then taken back. */
export async function previewOf(tx: Tx, team: Team, taskId: string, now: Date): Promise<Preview> {
  const today = dayOf(now, team.timeZone);
  const [t] = await tx`select machine_id from task_place where team_id = ${team.id} and task_id = ${taskId}`;
  const machineId = t?.machine_id as string | null | undefined;
  if (!machineId) return { lane: null, state: 'unknown', why: [] };
  const [standing] = await readStandings(tx, team, [machineId]);
  const planned = (await readCalendar(tx, team.id, today)).of(machineId);
  const when = machineNow(standing!, planned, today);
  const due = tasksDue(standing!.tasks, when).find((d) => d.task.id === taskId);
  return {
    lane: laneOf(standing!, planned, today),
    state: due?.state ?? 'unknown',
    why: due ? whyDue(due, when, standing!.estimated) : []
  };
}
