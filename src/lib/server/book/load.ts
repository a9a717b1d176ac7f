import { buildBook, type Book } from '../../core/book/book';
import { momentsOf } from '../../core/book/moments';
import type { BookOf, FindingRow, PartRow, PegRow, RestartRow, TaskRow } from '../../core/book/rows';
import { readSensitivity } from '../../core/book/stored';
import { rulesInForce } from '../../core/rules/rules';
import type { Db } from '../base/db';
import { recentsOf, stepsAt } from './steps';

const PEGS_KEPT = 16;
const ms = (d: unknown): number => (d as Date).getTime();

/** What is loaded of a book. */
export interface Asked {
  machineIds: readonly string[];
  /** Components besides those that are on the machines. */
  componentIds: readonly string[];
  /** Moments at which the own counts of a machine or component are wanted. */
  moments?: ReadonlyMap<string, readonly number[]>;
}

/**
 * Loads and works out the book of some machines and components. The number of queries is the same for one machine and for
 * all of a fleet, for a day of history and for ten years.
 */
export async function loadBook(sql: Db, teamId: string, asked: Asked): Promise<Book> {
  return withSteps(sql, teamId, asked, { ...(await loadRows(sql, teamId, asked)), followers: [] });
}

/** Works out a book from its rows, with the steps of its machines that they ask for. */
export async function withSteps(sql: Db, teamId: string, asked: Asked, rows: BookOf): Promise<Book> {
  const [steps, recents] = await Promise.all([
    stepsAt(sql, teamId, momentsOf(rows, asked.moments)),
    recentsOf(sql, teamId, asked.machineIds)
  ]);
  return buildBook(rows, steps, recents);
}

/**
 * Records whose hours follow the book and may have to be put right.
 * @param follow from which moment on, by machine or component
 */
export async function loadFollowers(
  sql: Db,
  teamId: string,
  follow: ReadonlyMap<string, number>
): Promise<BookOf['followers']> {
  const since = [...follow.values()].map((at) => new Date(at).toISOString());
  const rows = await sql`
    select r.id, t.machine_id, t.component_id, r.machine_id as on_machine_id, r.done_at, r.hours, r.hours_by = 'stated' as stated, r.machine_hours from unnest(${[...follow.keys()]}::uuid[], ${since}::timestamptz[]) u (id, since)
    join task t on t.team_id = ${teamId} and (t.machine_id = u.id or t.component_id = u.id)
    join service_record r on r.team_id = t.team_id and r.task_id = t.id and (
      r.hours_by = 'book' and (r.done_at >= u.since or r.hours is null) or
      t.component_id is not null and r.machine_id is not null and (r.done_at >= u.since or r.created_at >= now()))`;
  return rows.map((f) => ({
    id: f.id,
    machineId: f.machine_id,
    componentId: f.component_id,
    onMachineId: f.on_machine_id,
    at: ms(f.done_at),
    hours: f.hours,
    stated: f.stated,
    machineHours: f.machine_hours
  }));
}

/** The rows of a book, but for its steps and for the records that follow it. */
export async function loadRows(sql: Db, teamId: string, asked: Asked): Promise<Omit<BookOf, 'followers'>> {
  const machineIds = asked.machineIds as string[];
  const more = asked.componentIds as string[];
  // Those on the machines now, those named, and whatever any of them was ever fitted to.
  const wanted = sql`
    with recursive wanted as (
      select component_id as id from placement where team_id = ${teamId} and machine_id = any(${machineIds}::uuid[])
      union select unnest(${more}::uuid[])
      union select f.host_id from fitting f join wanted w on w.id = f.component_id where f.team_id = ${teamId} and f.host_id is not null
    )`;
  const parts = await sql`
    ${wanted}
    select c.id, c.name, c.brought, c.brought_distance, c.created_at, c.total, p.machine_id,
      to_char(c.created_at at time zone t.time_zone, 'YYYY-MM-DD') as since,
      coalesce((select jsonb_agg(jsonb_build_object('machineId', f.machine_id, 'hostId', f.host_id,
        'from', (extract(epoch from date_trunc('milliseconds', f.fitted_at)) * 1000)::bigint, 'to', (extract(epoch from date_trunc('milliseconds', f.removed_at)) * 1000)::bigint))
        from fitting f where f.team_id = c.team_id and f.component_id = c.id), '[]') as fittings
    from wanted w join component c on c.team_id = ${teamId} and c.id = w.id join team t on t.id = c.team_id
    left join placement p on p.team_id = c.team_id and p.component_id = c.id`;
  const partIds = parts.map((p) => p.id as string);
  // Tasks of what is on these machines, and of components that were named; an engine somewhere else has its own.
  const owners = parts
    .filter((p) => more.includes(p.id as string) || machineIds.includes(p.machine_id as string))
    .map((p) => p.id as string);
  const ours = sql`t.team_id = ${teamId} and t.retired_at is null and (t.machine_id = any(${machineIds}::uuid[]) or t.component_id = any(${owners}::uuid[]))`;
  const [[team], machines, tasks, records, rebuilds, times, calls, findings, reminders, pegs, rules] =
    await Promise.all([
      sql`select time_zone from team where id = ${teamId}`,
      sql`select id, to_char(in_service_on, 'YYYY-MM-DD') as since from machine where team_id = ${teamId} and id = any(${machineIds}::uuid[])`,
      sql`
      select t.id, t.name, t.job, t.machine_id, t.component_id, t.anchoring, t.ageing, t.sensitivity, t.per_part,
        t.from_new or exists (select 1 from component n where n.team_id = t.team_id and n.id = t.component_id and n.from_new) as from_new,
        coalesce(jsonb_agg(jsonb_build_object('id', g.id, 'measure', g.measure, 'interval', g.interval_amount, 'limit', g.limit_amount,
          'firstInterval', g.first_interval, 'firstLimit', g.first_limit, 'shortenedTo', g.shortened_to,
          'of', case when o.id is null then null else jsonb_build_object('id', o.id, 'name', o.name) end)
          order by array_position(array['hours', 'distance', 'days', 'outings', 'races', 'times'], g.measure), o.name) filter (where g.id is not null), '[]') as triggers
      from task t
      left join task_trigger g on g.team_id = t.team_id and g.task_id = t.id
      left join task o on o.team_id = g.team_id and o.id = g.of_task_id
      where ${ours} group by t.team_id, t.id order by t.name, t.id`,
      // The last time it was done restarts a count; only a grid that is counted from when work was due has to know all of them.
      sql`
      with rule as (
        select value #>> '{}' as anchoring from house_rule where team_id = ${teamId} and key = 'anchoring' order by seq desc limit 1
      )
      select t.id as task_id, r.done_at, r.done_on, r.hours, r.hours_by, r.replaced, r.created_at, r.next_within from task t
      cross join lateral (
        select * from service_record r where r.team_id = t.team_id and r.task_id = t.id and (not t.per_part or r.replaced) order by r.done_at desc, r.created_at desc, r.id desc limit 1
      ) r where ${ours}
      union
      select t.id, r.done_at, r.done_on, r.hours, r.hours_by, r.replaced, r.created_at, r.next_within from task t
      join service_record r on r.team_id = t.team_id and r.task_id = t.id
      where ${ours} and coalesce(t.anchoring, (select anchoring from rule), 'from done') = 'from due'
      order by done_at`,
      sql`
      select rt.task_id, r.rebuilt_at, r.rebuilt_on, r.created_at from task t
      join rebuild_task rt on rt.team_id = t.team_id and rt.task_id = t.id
      join rebuild r on r.team_id = rt.team_id and r.id = rt.rebuild_id where ${ours}`,
      sql`
      select g.task_id, g.of_task_id, r.done_at from task t
      join task_trigger g on g.team_id = t.team_id and g.task_id = t.id and g.of_task_id is not null
      join service_record r on r.team_id = g.team_id and r.task_id = g.of_task_id and r.done_at > coalesce((
        select max(s.done_at) from service_record s where s.team_id = t.team_id and s.task_id = t.id and (not t.per_part or s.replaced)), '-infinity')
      where ${ours}`,
      sql`
      select t.id as task_id, c.id, c.kind, c.what, c.words, c.called_on as day from task t
      join task_place p on p.team_id = t.team_id and p.task_id = t.id
      join machine_call c on c.team_id = t.team_id and c.machine_id = p.machine_id and c.dropped_at is null and c.what = any(t.answers)
      where ${ours} and not exists (
        select 1 from service_record r where r.team_id = t.team_id and r.task_id = t.id and r.created_at > c.created_at and r.done_on >= c.called_on)
      order by c.created_at, c.id`,
      sql`
      select f.id, f.machine_id, f.component_id, f.fastener_id, f.cause, f.what, f.note, f.place, f.severity, f.found_on, f.found_at, f.hours, f.visit_id, p.name as by,
        case when w.id is not null then jsonb_build_object('id', w.id, 'words', w.words, 'waitsFor', w.waits_for, 'part', w.part, 'expectedOn', w.expected_on, 'come', w.come_at is not null) end as waits
      from finding f join person p on p.team_id = f.team_id and p.id = f.created_by
      left join reminder w on w.team_id = f.team_id and w.finding_id = f.id and w.done_at is null
      where f.team_id = ${teamId} and f.closed_at is null and (f.component_id is null and f.machine_id = any(${machineIds}::uuid[]) or f.component_id = any(${owners}::uuid[]))
      order by f.found_at, f.id`,
      sql`
      select id, machine_id, words, waits_for, part, expected_on, come_at is not null as come from reminder
      where team_id = ${teamId} and machine_id = any(${machineIds}::uuid[]) and finding_id is null and done_at is null order by created_at, id`,
      sql`
      select s.machine_id, s.id, s.name, s.hours, s.hours_by, s.done_on, s.done_at, s.component_id from unnest(${machineIds}::uuid[]) u (id)
      cross join lateral (
        select s.machine_id, s.id, t.name, s.hours, s.hours_by, s.done_on, s.done_at, s.created_at, t.component_id from service_record s
        join task t on t.team_id = s.team_id and t.id = s.task_id
        where s.team_id = ${teamId} and s.machine_id = u.id and (s.hours is not null or s.hours_by = 'book')
        order by s.done_at desc, s.created_at desc, s.id desc limit ${PEGS_KEPT}
      ) s order by s.done_at desc, s.created_at desc, s.id desc`,
      sql`select distinct on (key) key, value from house_rule where team_id = ${teamId} and key in ('ageing', 'anchoring') order by key, seq desc`
    ]);
  const inForce = rulesInForce(rules as never);
  const known = new Set(partIds);
  return {
    timeZone: team!.time_zone as string,
    rules: { ageing: inForce.ageing, anchoring: inForce.anchoring },
    machines: machines.map((m) => ({ id: m.id, day: m.since })),
    parts: parts.map((p): PartRow => ({
      id: p.id,
      name: p.name,
      brought: p.brought,
      broughtDistance: p.brought_distance,
      since: ms(p.created_at),
      day: p.since,
      machineId: p.machine_id,
      total: p.total,
      fittings: p.fittings
    })),
    tasks: tasks.map((t): TaskRow => ({
      id: t.id,
      name: t.name,
      job: t.job,
      machineId: t.machine_id,
      componentId: t.component_id,
      anchoring: t.anchoring,
      ageing: t.ageing,
      sensitivity: readSensitivity(t.sensitivity),
      perPart: t.per_part,
      fromNew: t.from_new,
      triggers: t.triggers
    })),
    restarts: [
      ...records.map((r): RestartRow => ({
        taskId: r.task_id,
        kind: 'done',
        at: ms(r.done_at),
        day: r.done_on,
        replaced: r.replaced,
        written: ms(r.created_at),
        ...(r.hours_by === 'stated' && { stated: r.hours }),
        ...(r.next_within !== null && { within: r.next_within })
      })),
      ...rebuilds.map((r): RestartRow => ({
        taskId: r.task_id,
        kind: 'rebuild',
        at: ms(r.rebuilt_at),
        day: r.rebuilt_on,
        replaced: true,
        written: ms(r.created_at)
      }))
    ],
    times: times.map((t) => ({ taskId: t.task_id, ofTaskId: t.of_task_id, at: ms(t.done_at) })),
    calls: calls.map((c) => ({ ...(c as unknown as BookOf['calls'][number]), taskId: c.task_id })),
    findings: findings.map((f): FindingRow => ({
      id: f.id,
      machineId: f.machine_id,
      componentId: f.component_id,
      fastenerId: f.fastener_id,
      cause: f.cause,
      what: f.what,
      note: f.note,
      place: f.place,
      severity: f.severity,
      day: f.found_on,
      at: ms(f.found_at),
      hours: f.hours,
      by: f.by,
      visitId: f.visit_id,
      waits: f.waits
    })),
    reminders: reminders.map((r) => ({
      id: r.id,
      machineId: r.machine_id,
      words: r.words,
      waitsFor: r.waits_for,
      part: r.part,
      expectedOn: r.expected_on,
      come: r.come
    })),
    pegs: pegs.map((p): PegRow => ({
      machineId: p.machine_id,
      recordId: p.id,
      name: p.name,
      day: p.done_on,
      at: ms(p.done_at),
      // What is of a component that has left since is told by its record.
      componentId: p.component_id,
      ...((p.hours_by === 'stated' || (p.component_id !== null && !known.has(p.component_id))) && {
        stated: p.hours
      })
    }))
  };
}
