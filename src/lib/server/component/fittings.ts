import { IN_ENGINE, type ComponentKind } from '../../core/component/component';
import { dayOf } from '../../core/time/day';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import { machineOf } from '../schedule/tasks';
import type { Write } from '../book/under-way';

/** A component as far as moving it goes. */
export interface Component {
  id: string;
  kind: ComponentKind;
  name: string;
  scrapped: boolean;
}
/** Where a component is now. */
export interface OpenFitting {
  id: string;
  componentId: string;
  machineId: string | null;
  hostId: string | null;
  place: string;
  fittedAt: Date;
}

/** A component that goes somewhere or is worked on. @throws Refusal where it is scrapped or not in the team */
export async function useComponent(tx: Db, teamId: string, id: string, field = ''): Promise<Component> {
  const [c] = await tx`
    select id, kind, name, scrapped_at is not null as scrapped from component where team_id = ${teamId} and id = ${id}`;
  if (!c) refuse(field, 'That component is not in this team.');
  if (c!.scrapped) refuse(field, 'It is scrapped; it cannot go anywhere.');
  return c as unknown as Component;
}

export async function openFitting(tx: Db, teamId: string, componentId: string): Promise<OpenFitting | null> {
  const [f] = await tx`
    select id, component_id as "componentId", machine_id as "machineId", host_id as "hostId", place, fitted_at as "fittedAt" from fitting
    where team_id = ${teamId} and component_id = ${componentId} and removed_at is null`;
  return (f as unknown as OpenFitting) ?? null;
}

/** The machine a place is on: itself, or the one its engine is on; null on the shelf. */
export async function machineOfPlace(
  tx: Db,
  teamId: string,
  at: { machineId: string | null; hostId: string | null }
): Promise<string | null> {
  return at.machineId ?? (at.hostId ? machineOf(tx, teamId, at.hostId) : null);
}

export async function refusePlace(
  tx: Db,
  teamId: string,
  c: { kind: string },
  at: { machineId: string | null; hostId: string | null }
): Promise<void> {
  if (at.machineId) {
    const [m] = await tx`select 1 from machine where team_id = ${teamId} and id = ${at.machineId}`;
    if (!m) refuse('machineId', 'That machine is not in this team.');
  }
  if (at.hostId) {
    const [h] =
      await tx`select kind, scrapped_at from component where team_id = ${teamId} and id = ${at.hostId}`;
    if (h?.kind !== 'engine' || h.scrapped_at) refuse('hostId', 'Only an engine takes other components.');
    if (!(IN_ENGINE as readonly string[]).includes(c.kind))
      refuse('hostId', `A ${c.kind} goes on the machine, not in its engine.`);
  }
}

export async function open(
  tx: Db,
  teamId: string,
  personId: string,
  f: {
    id: string;
    componentId: string;
    kind: string;
    machineId: string | null;
    hostId: string | null;
    place: string;
    at: Date;
    reason: string;
  }
): Promise<void> {
  await tx`
    insert into fitting (team_id, id, component_id, kind, machine_id, host_id, place, fitted_at, fitted_reason, created_by)
    values (${teamId}, ${f.id}, ${f.componentId}, ${f.kind}, ${f.machineId}, ${f.hostId}, ${f.place}, ${f.at}, ${f.reason}, ${personId})`;
}

/** Takes a component off where it is, at a moment. */
export async function close(
  { tx, team, personId }: Pick<Write, 'tx' | 'team' | 'personId'>,
  f: OpenFitting,
  at: Date,
  reason: string
): Promise<void> {
  if (at <= f.fittedAt)
    refuse(
      'day',
      `It was fitted only ${dayOf(f.fittedAt, team.timeZone)}; it cannot have come off before that.`
    );
  await tx`
    update fitting set removed_at = ${at}, removed_by = ${personId}, removed_reason = ${reason} where team_id = ${team.id} and id = ${f.id}`;
}

/** The engine or the chain that is on a machine now; null where none was named. */
export async function partOn(
  sql: Db,
  teamId: string,
  machineId: string,
  kind: 'engine' | 'chain'
): Promise<{ id: string; name: string } | null> {
  const [p] = await sql`
    select c.id, c.name from fitting f join component c on c.team_id = f.team_id and c.id = f.component_id
    where f.team_id = ${teamId} and f.machine_id = ${machineId} and f.removed_at is null and c.kind = ${kind}`;
  return (p as { id: string; name: string } | undefined) ?? null;
}

/** What stands in a place now. */
export async function occupant(
  tx: Db,
  teamId: string,
  kind: string,
  at: { machineId: string | null; hostId: string | null; place: string }
): Promise<OpenFitting | null> {
  const [f] = await tx`
    select id, component_id as "componentId", machine_id as "machineId", host_id as "hostId", place, fitted_at as "fittedAt" from fitting
    where team_id = ${teamId} and kind = ${kind} and place = ${at.place} and removed_at is null
      and machine_id is not distinct from ${at.machineId} and host_id is not distinct from ${at.hostId}`;
  return (f as unknown as OpenFitting) ?? null;
}
