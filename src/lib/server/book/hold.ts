import type { Tx } from '../base/db';
import { refuse } from '../base/refusal';

/** What a write touches: machines, components and tasks by name, or every machine of the team. */
export interface Scope {
  machines?: readonly string[];
  components?: readonly string[];
  tasks?: readonly string[];
  /** Every machine of the team: what the team's rules schedule. */
  whole?: boolean;
  /** Machines that the write brings into the book. */
  makes?: readonly string[];
  /** True where the write fits a component or takes one off, so that more may hang on it afterwards. */
  moves?: boolean;
  /** False where nothing that is counted changes: the machines are held, and their standings stay. */
  counts?: boolean;
}

export interface Held {
  /** Machines whose standing hangs on what is written, with what they are called. */
  machines: ReadonlyMap<string, { plate: string; name: string }>;
  /** Components that were ever on them. */
  components: readonly string[];
}

/** More machines hang on a write than it holds: it is begun again, holding them all. */
export class Wider extends Error {
  constructor(readonly machines: readonly string[]) {
    super('the write reaches further than it holds');
  }
}

/**
 * Every machine and component whose counts hang on a write: what is named, the machine each of it is on, whatever was ever on
 * those machines (it counts their hours still), and the machine that is on now.
 */
export async function reach(
  tx: Tx,
  teamId: string,
  scope: Scope
): Promise<{ machines: string[]; components: string[] }> {
  const { machines = [], components = [], tasks = [], whole = false } = scope;
  const rows = await tx`
    with recursive parts as (
      select unnest(${components as string[]}::uuid[]) as id
      union select component_id from task where team_id = ${teamId} and id = any(${tasks as string[]}::uuid[]) and component_id is not null
    ), named as (
      select unnest(${machines as string[]}::uuid[]) as id
      union select machine_id from task where team_id = ${teamId} and id = any(${tasks as string[]}::uuid[]) and machine_id is not null
      union select machine_id from placement where team_id = ${teamId} and component_id in (select id from parts) and machine_id is not null
      union select id from machine where team_id = ${teamId} and ${whole}
    ), was as (
      select f.component_id as id from fitting f join named on named.id = f.machine_id where f.team_id = ${teamId}
      union select id from parts
      union select f.component_id from fitting f join was on f.host_id = was.id where f.team_id = ${teamId}
    )
    select 'machine' as what, id from named
    union select 'machine', p.machine_id from placement p join was on was.id = p.component_id where p.team_id = ${teamId} and p.machine_id is not null
    union all select 'component', id from was`;
  const of = (what: string) => rows.filter((r) => r.what === what).map((r) => r.id as string);
  return { machines: of('machine'), components: of('component') };
}

/**
 * Holds what a write touches until its transaction ends: machines by id, then components by id, so that no two writes ever
 * wait for one another in a circle.
 * @throws Refusal where a machine that is named is not in the team; what else is not there, the write itself refuses at its field
 * @throws Wider where, once they are held, more turns out to hang on them
 */
export async function hold(
  tx: Tx,
  teamId: string,
  scope: Scope,
  also: readonly string[] = []
): Promise<Held> {
  const wanted = await reach(tx, teamId, scope);
  const ids = [...new Set([...wanted.machines, ...also])];
  const rows = await tx`
    select id, plate, name from machine where team_id = ${teamId} and id = any(${ids}) order by id for no key update`;
  const machines = new Map(
    rows.map((r) => [r.id as string, { plate: r.plate as string, name: r.name as string }])
  );
  if (scope.machines?.some((id) => !machines.has(id)))
    refuse(scope.machines.length > 1 ? '' : 'machineId', 'That machine is not in this team.');
  const parts = wanted.components.length
    ? await tx`select id from component where team_id = ${teamId} and id = any(${wanted.components}) order by id for no key update`
    : [];
  const there = new Set(parts.map((p) => p.id as string));
  const held: Held = { machines, components: [...there] };
  // Somebody may have moved an engine while we waited for it. Where nothing was ever fitted there is nothing to have moved.
  if (wanted.components.length > 0 || scope.tasks?.length) await stillReaches(tx, teamId, scope, held);
  return held;
}

/** @throws Wider where a write reaches machines that are not held */
export async function stillReaches(
  tx: Tx,
  teamId: string,
  scope: Scope,
  held: Held
): Promise<{ machines: string[]; components: string[] }> {
  const now = await reach(tx, teamId, scope);
  const more = now.machines.filter((id) => !held.machines.has(id));
  if (more.length > 0) throw new Wider([...held.machines.keys(), ...more]);
  return now;
}
