import type { Team } from '../../core/team/team';
import type { Taken } from './reading-rows';
import type { Db } from '../base/db';
import { outingsCame } from '../finding/reminders';

/** Writes the outings that readings close, what their riders reported, and raises what waited for them. */
export async function writeOutings(tx: Db, team: Team, taken: readonly Taken[]): Promise<void> {
  const outings = taken.flatMap(({ input: i, entry, personId }) =>
    i.outing === null
      ? []
      : [
          {
            // The reading's own id serves its outing too: they are born together.
            id: i.id,
            machine_id: i.machineId,
            event_id: i.eventId ?? null,
            event_follows: i.eventId === undefined,
            rider_id: i.riderId,
            day: i.day,
            kind: i.outing,
            remark: i.remark,
            conditions: i.conditions,
            crossings: i.crossings ?? 0,
            clutch: i.clutch,
            distance: i.distance,
            symptoms: i.symptoms,
            ridden_at: new Date(entry.at).toISOString(),
            created_by: personId
          }
        ]
  );
  if (outings.length === 0) return;
  const calls = outings.flatMap((o) =>
    o.symptoms.map((what) => ({
      id: crypto.randomUUID(),
      machine_id: o.machine_id,
      outing_id: o.id,
      what,
      words: o.remark,
      called_on: o.day,
      created_by: o.created_by
    }))
  );
  // In this order, without waiting for one another.
  await Promise.all([
    tx`
      insert into outing (team_id, id, machine_id, event_id, rider_id, day, kind, remark, conditions, crossings, clutch, distance, symptoms, ridden_at, created_by)
      select ${team.id}, o.id, o.machine_id, coalesce(o.event_id, case when o.event_follows then (
          select e.id from event e where e.team_id = ${team.id} and e.called_off_at is null and o.day between e.first_day and e.last_day
            and (e.whole_fleet or exists (select 1 from event_machine m where m.team_id = e.team_id and m.event_id = e.id and m.machine_id = o.machine_id))
          order by e.whole_fleet, e.first_day desc, e.id limit 1) end), o.rider_id, o.day, o.kind, o.remark, array(select jsonb_array_elements_text(o.conditions)), o.crossings, o.clutch, o.distance,
        array(select jsonb_array_elements_text(o.symptoms)), o.ridden_at, o.created_by
      from jsonb_to_recordset(${tx.json(outings)}) as o (id uuid, machine_id uuid, event_id uuid, event_follows boolean, rider_id uuid, day date, kind text, remark text, conditions jsonb, crossings int,
        clutch text, distance int, symptoms jsonb, ridden_at timestamptz, created_by uuid)`,
    calls.length > 0
      ? tx`
      insert into machine_call (team_id, id, machine_id, outing_id, kind, what, words, called_on, created_by)
      select ${team.id}, c.id, c.machine_id, c.outing_id, 'symptom', c.what, c.words, c.called_on, c.created_by
      from jsonb_to_recordset(${tx.json(calls)}) as c (id uuid, machine_id uuid, outing_id uuid, what text, words text, called_on date, created_by uuid)`
      : null,
    outingsCame(tx, team, outings)
  ]);
}

/** Outings since the last reading whose hours nobody knows, with what is known of them. */
export async function outingsWithoutHours(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ id: string; day: string; kind: string; distance: number | null }[]> {
  return (await sql`
    with last as (
      select coalesce((
        select r.read_at from reading_in_force r join meter m on m.team_id = r.team_id and m.id = r.meter_id and m.counts = 'hours'
        where r.team_id = ${teamId} and r.machine_id = ${machineId} and r.value is not null order by r.read_at desc limit 1), '-infinity') as read_at
    )
    select o.id, o.day, o.kind, o.distance from outing o, last
    where o.team_id = ${teamId} and o.machine_id = ${machineId} and o.ended_at > last.read_at
      and not exists (select 1 from reading r where r.team_id = o.team_id and r.outing_id = o.id)
    order by o.day limit 20`) as unknown as {
    id: string;
    day: string;
    kind: string;
    distance: number | null;
  }[];
}
