import type { EventInput } from '../core/machine/form';
import type { Day } from '../core/time/day';
import type { Db } from './db';
import { refuse } from './refusal';
import type { Write } from './write';

export interface EventRow {
  id: string;
  name: string;
  kind: string;
  firstDay: Day;
  lastDay: Day;
  hoursEach: number;
  wholeFleet: boolean;
  machineIds: string[];
}

/** Events from a day on, the next one first, or those before it, the latest first. */
export async function listEvents(
  sql: Db,
  teamId: string,
  day: Day,
  which: 'ahead' | 'past',
  most = 20
): Promise<EventRow[]> {
  return (await sql`
    select e.id, e.name, e.kind, e.first_day as "firstDay", e.last_day as "lastDay", e.hours_each as "hoursEach", e.whole_fleet as "wholeFleet",
      array(select machine_id from event_machine em where em.team_id = e.team_id and em.event_id = e.id) as "machineIds"
    from event e where e.team_id = ${teamId} and e.called_off_at is null
      and ${which === 'ahead' ? sql`e.last_day >= ${day}` : sql`e.last_day < ${day}`}
    order by ${which === 'ahead' ? sql`e.first_day, e.id` : sql`e.first_day desc, e.id`} limit ${most}`) as unknown as EventRow[];
}

/** Plans an outing; one that is planned already, as from the same calendar file on two devices, stays as it is. */
export async function addEvent({ tx, team, personId }: Write, e: EventInput): Promise<void> {
  const [made] = await tx`
    insert into event (team_id, id, name, kind, first_day, last_day, hours_each, whole_fleet, created_by)
    values (${team.id}, ${e.id}, ${e.name}, ${e.kind}, ${e.firstDay}, ${e.lastDay}, ${e.hoursEach}, ${e.wholeFleet}, ${personId})
    on conflict (team_id, id) do nothing returning id`;
  if (!made || e.wholeFleet) return;
  const there = await tx`
    insert into event_machine (team_id, event_id, machine_id)
    select ${team.id}, ${e.id}, m.id from machine m where m.team_id = ${team.id} and m.id = any(${e.machineIds})
    returning machine_id`;
  if (there.length < new Set(e.machineIds).size)
    refuse('machineIds', 'One of those machines is not in this team.');
}

/** Calls an event off, or puts it back on. */
export async function callOff(
  { tx, team }: Write,
  { eventId, off }: { eventId: string; off: boolean }
): Promise<void> {
  const [event] = await tx`
    update event set called_off_at = ${off ? tx`coalesce(called_off_at, now())` : null} where team_id = ${team.id} and id = ${eventId} returning id`;
  if (!event) refuse('', 'That event is not in this team.');
}

export interface OutingRow {
  id: string;
  day: Day;
  kind: string;
  machineId: string;
  plate: string;
  machine: string;
  rider: string | null;
  event: string | null;
  remark: string;
  value: number | null;
  ridden: number | null;
  distance: number | null;
  conditions: string[];
  crossings: number;
  clutch: string;
  symptoms: string[];
}

/** Outings of the team, the latest first, paged by key. */
export async function listOutings(
  sql: Db,
  teamId: string,
  before: { day: Day; id: string } | null = null,
  most = 40
): Promise<OutingRow[]> {
  return (await sql`
    select o.id, o.day, o.kind, m.id as "machineId", m.plate, m.name as machine, p.name as rider, e.name as event, o.remark, r.value, r.ridden, o.distance, o.conditions, o.crossings, o.clutch, o.symptoms
    from outing o
    join machine m on m.team_id = o.team_id and m.id = o.machine_id
    left join person p on p.team_id = o.team_id and p.id = o.rider_id
    left join event e on e.team_id = o.team_id and e.id = o.event_id
    left join reading r on r.team_id = o.team_id and r.id = o.id
    where o.team_id = ${teamId} ${before ? sql`and (o.day, o.id) < (${before.day}, ${before.id}::uuid)` : sql``}
    order by o.day desc, o.id desc limit ${most}`) as unknown as OutingRow[];
}
