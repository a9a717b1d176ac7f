import type { ComponentKind } from '../../core/component/component';
import { totalAt } from '../../core/hours/series';
import type { Task } from '../../core/schedule/task';
import type { Day } from '../../core/time/day';
import { loadBook } from '../book/load';
import type { Db } from '../base/db';

export interface ComponentRow {
  id: string;
  kind: ComponentKind;
  name: string;
  serial: string;
  note: string;
  total: number;
  broughtKnown: boolean;
  scrapped: string | null;
  /** Where it is now; all null on the shelf. */
  machineId: string | null;
  plate: string | null;
  machine: string | null;
  hostId: string | null;
  host: string | null;
  place: string;
  rebuiltOn: Day | null;
}

const select = (sql: Db, teamId: string) => sql`
  select c.id, c.kind, c.name, c.serial, c.note, c.total, c.brought_known as "broughtKnown", case when c.scrapped_at is not null then c.scrapped_reason end as scrapped,
    m.id as "machineId", m.plate, m.name as machine, h.id as "hostId", h.name as host, coalesce(f.place, '') as place,
    (select max(rebuilt_on) from rebuild r where r.team_id = c.team_id and r.component_id = c.id) as "rebuiltOn"
  from component c
  left join fitting f on f.team_id = c.team_id and f.component_id = c.id and f.removed_at is null
  left join component h on h.team_id = f.team_id and h.id = f.host_id
  left join fitting hf on hf.team_id = f.team_id and hf.component_id = f.host_id and hf.removed_at is null
  left join machine m on m.team_id = c.team_id and m.id = coalesce(f.machine_id, hf.machine_id)
  where c.team_id = ${teamId}`;

/** Components of the team: on machines by plate, then the shelf, then what is scrapped. Those of one machine, if named. */
export async function listComponents(
  sql: Db,
  teamId: string,
  machineId: string | null = null
): Promise<ComponentRow[]> {
  return (await sql`
    ${select(sql, teamId)} ${machineId ? sql`and m.id = ${machineId}` : sql``}
    order by c.scrapped_at is not null, m.id is null, length(m.plate), m.plate,
      array_position(array['engine', 'top end', 'clutch', 'gearbox', 'chain', 'sprockets', 'fork', 'shock', 'wheel'], c.kind), f.place, c.name, c.id limit 2000`) as unknown as ComponentRow[];
}

export async function getComponent(sql: Db, teamId: string, id: string): Promise<ComponentRow | null> {
  const [row] = await sql`${select(sql, teamId)} and c.id = ${id}`;
  return (row as unknown as ComponentRow) ?? null;
}

export interface FittingHistory {
  id: string;
  plate: string | null;
  machine: string | null;
  machineId: string | null;
  host: string | null;
  place: string;
  fittedAt: Date;
  removedAt: Date | null;
  reason: string;
  removedReason: string;
  by: string;
  /** Its own hours when it went on and when it came off or now. */
  hoursFrom: number;
  hoursTo: number;
}

/** Where a component was, the latest first, with its own hours at both ends; its rebuilds; and its tasks. */
export async function componentHistory(
  sql: Db,
  teamId: string,
  id: string
): Promise<{
  fittings: FittingHistory[];
  rebuilds: { id: string; day: Day; hours: number; remark: string; by: string; tasks: string[] }[];
  tasks: Task[];
}> {
  const rows = await sql`
    select f.id, m.plate, m.name as machine, f.machine_id as "machineId", h.name as host, f.place, f.fitted_at as "fittedAt", f.removed_at as "removedAt",
      f.fitted_reason as reason, f.removed_reason as "removedReason", p.name as by
    from fitting f left join machine m on m.team_id = f.team_id and m.id = f.machine_id
    left join component h on h.team_id = f.team_id and h.id = f.host_id
    join person p on p.team_id = f.team_id and p.id = f.created_by
    where f.team_id = ${teamId} and f.component_id = ${id} order by f.fitted_at desc limit 100`;
  const rebuilds = await sql`
    select r.id, r.rebuilt_on as day, r.rebuilt_at as at, r.remark, p.name as by,
      array(select t.name from rebuild_task rt join task t on t.team_id = rt.team_id and t.id = rt.task_id where rt.team_id = r.team_id and rt.rebuild_id = r.id order by t.name) as tasks
    from rebuild r join person p on p.team_id = r.team_id and p.id = r.created_by
    where r.team_id = ${teamId} and r.component_id = ${id} order by r.rebuilt_at desc limit 50`;
  const book = await loadBook(sql, teamId, {
    machineIds: [],
    componentIds: [id],
    moments: new Map([
      [
        id,
        [
          ...rows.flatMap((f) => [f.fittedAt, f.removedAt].filter((d) => d !== null)),
          ...rebuilds.map((r) => r.at)
        ].map((d) => (d as Date).getTime())
      ]
    ])
  });
  const { hours } = book.clock({ machineId: null, componentId: id });
  return {
    fittings: rows.map((f) => ({
      ...(f as unknown as FittingHistory),
      hoursFrom: totalAt(hours, (f.fittedAt as Date).getTime()) ?? 0,
      hoursTo: totalAt(hours, (f.removedAt as Date | null)?.getTime() ?? Infinity) ?? 0
    })),
    rebuilds: rebuilds.map((r) => ({
      id: r.id,
      day: r.day,
      hours: totalAt(hours, (r.at as Date).getTime()) ?? 0,
      remark: r.remark,
      by: r.by,
      tasks: r.tasks
    })),
    tasks: book.tasksOf(id)
  };
}

/** Tasks a rebuild of a component may restart: its own, those of what sits in it or of the engine it sits in. */
export async function rebuildTasks(
  sql: Db,
  teamId: string,
  id: string
): Promise<{ id: string; name: string; part: string; restarts: boolean }[]> {
  return (await sql`
    select t.id, t.name, coalesce(c.name, m.plate || ' ' || m.name) as part, t.restarts_on_rebuild and (t.component_id = ${id} or c.id is not null) as restarts
    from task t left join component c on c.team_id = t.team_id and c.id = t.component_id
    left join machine m on m.team_id = t.team_id and m.id = t.machine_id
    where t.team_id = ${teamId} and t.retired_at is null and (t.component_id = ${id}
      or t.component_id in (select component_id from fitting where team_id = ${teamId} and host_id = ${id} and removed_at is null)
      or t.component_id in (select host_id from fitting where team_id = ${teamId} and component_id = ${id} and removed_at is null)
      or t.machine_id in (select machine_id from fitting where team_id = ${teamId} and component_id = ${id} and removed_at is null))
    order by t.component_id = ${id} desc nulls last, part, t.name`) as unknown as {
    id: string;
    name: string;
    part: string;
    restarts: boolean;
  }[];
}
