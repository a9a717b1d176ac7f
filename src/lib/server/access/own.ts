import type { Scope } from '../book/hold';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';

const NOT_YOURS = 'That is not a machine of yours.';

/**
 * Riders write about the machines they ride.
 * @throws Refusal where a write names another’s machine, or a component that is on none of theirs
 */
export async function refuseOthers(tx: Db, teamId: string, personId: string, scope: Scope): Promise<void> {
  const { machines = [], components = [], tasks = [], whole = false, makes = [] } = scope;
  if (whole || tasks.length > 0 || makes.length > 0 || machines.length + components.length === 0)
    refuse('', NOT_YOURS);
  const [row] = await tx`
    select
      (select count(*)::int from machine where team_id = ${teamId} and rider_id = ${personId} and id = any(${machines as string[]})) as machines,
      (select count(distinct l.component_id)::int from placement l join machine m on m.team_id = l.team_id and m.id = l.machine_id
        where l.team_id = ${teamId} and m.rider_id = ${personId} and l.component_id = any(${components as string[]})) as components`;
  if (row!.machines !== new Set(machines).size || row!.components !== new Set(components).size)
    refuse('machineId', NOT_YOURS);
}

/** Whether a machine is somebody’s: as rider, or as owner. */
export async function isOwn(
  sql: Db,
  teamId: string,
  person: { id: string; role: string },
  machineId: string
): Promise<boolean> {
  const [row] = await sql`
    select 1 from machine where team_id = ${teamId} and id = ${machineId} and ${person.role === 'owner' ? sql`owner_id` : sql`rider_id`} = ${person.id}`;
  return row !== undefined;
}

/** The machine that a place shows, by its address: where what it shows belongs to one. */
export async function machineOfPlace(
  sql: Db,
  teamId: string,
  routeId: string,
  id: string | undefined
): Promise<string | null> {
  if (id === undefined) return null;
  if (routeId.startsWith('/machines/')) return id;
  if (!routeId.startsWith('/records/')) return null;
  const [row] =
    await sql`select machine_id as machine from service_record where team_id = ${teamId} and id = ${id}`;
  return (row?.machine as string | undefined) ?? null;
}
