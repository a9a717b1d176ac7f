import type { EventInput } from '../../core/outing/form';
import type { Day } from '../../core/time/day';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

export interface EventRow {
  id: string;
  name: string;
  kind: string;
  firstDay: Day;
  lastDay: Day;
  /** When the team leaves; null: on the first day. */
  leavesOn: Day | null;
  hoursEach: number;
  wholeFleet: boolean;
  machineIds: string[];
  /** Of machines that ride more there, or less. */
  otherHours: Record<string, number>;
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
    select e.id, e.name, e.kind, e.first_day as "firstDay", e.last_day as "lastDay", e.leaves_on as "leavesOn", e.hours_each as "hoursEach", e.whole_fleet as "wholeFleet",
      array(select machine_id from event_machine em where em.team_id = e.team_id and em.event_id = e.id) as "machineIds",
      coalesce((select jsonb_object_agg(em.machine_id, em.hours) from event_machine em where em.team_id = e.team_id and em.event_id = e.id and em.hours is not null), '{}') as "otherHours"
    from event e where e.team_id = ${teamId} and e.called_off_at is null
      and ${which === 'ahead' ? sql`e.last_day >= ${day}` : sql`e.last_day < ${day}`}
    order by ${which === 'ahead' ? sql`e.first_day, e.id` : sql`e.first_day desc, e.id`} limit ${most}`) as unknown as EventRow[];
}

/** Plans an outing; one that is planned already, as from the same calendar file on two devices, stays as it is. */
export async function addEvent({ tx, team, personId }: Write, e: EventInput): Promise<void> {
  const [made] = await tx`
    insert into event (team_id, id, name, kind, first_day, last_day, leaves_on, hours_each, whole_fleet, created_by)
    values (${team.id}, ${e.id}, ${e.name}, ${e.kind}, ${e.firstDay}, ${e.lastDay}, ${e.leavesOn}, ${e.hoursEach}, ${e.wholeFleet}, ${personId})
    on conflict (team_id, id) do nothing returning id`;
  if (made) await sayWhoGoes(tx, team.id, e);
}

/**
 * Writes a planned outing otherwise: its name, kind, days, hours, when it leaves, who goes. What was ridden at it stays its own.
 * @throws Refusal where the team has no such outing, or it is called off
 */
export async function changeEvent({ tx, team }: Write, e: EventInput): Promise<void> {
  const [event] = await tx`
    update event set name = ${e.name}, kind = ${e.kind}, first_day = ${e.firstDay}, last_day = ${e.lastDay}, leaves_on = ${e.leavesOn},
      hours_each = ${e.hoursEach}, whole_fleet = ${e.wholeFleet}
    where team_id = ${team.id} and id = ${e.id} and called_off_at is null returning id`;
  if (!event) refuse('', 'That outing is not planned any more: it was called off, or is not in this team.');
  await tx`delete from event_machine where team_id = ${team.id} and event_id = ${e.id}`;
  await sayWhoGoes(tx, team.id, e);
}

/** Who goes on an outing, and whose hours there are others than everybody's. Of the whole fleet only those are named. */
async function sayWhoGoes(tx: Tx, teamId: string, e: EventInput): Promise<void> {
  const hours = new Map(e.otherHours.map((o) => [o.machineId, o.hours]));
  const named = e.wholeFleet ? [...hours.keys()] : [...new Set(e.machineIds)];
  const rows = named.map((machineId) => ({ machineId, hours: hours.get(machineId) ?? null }));
  const there = await tx`
    insert into event_machine (team_id, event_id, machine_id, hours)
    select ${teamId}, ${e.id}, m.id, n.hours from jsonb_to_recordset(${tx.json(rows)}) as n ("machineId" uuid, hours int)
    join machine m on m.team_id = ${teamId} and m.id = n."machineId"
    returning machine_id`;
  if (there.length < named.length) refuse('machineIds', 'One of those machines is not in this team.');
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
