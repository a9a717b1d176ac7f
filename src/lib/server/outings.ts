import type { ReadingInput } from '../core/hours/form';
import type { Team } from '../core/team/team';
import type { Db } from './db';
import { outingCame } from './reminders';

/** Writes the outing a reading closes, what its rider reported, and raises what waited for it. */
export async function writeOuting(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  at: Date
): Promise<void> {
  if (!input.outing) return;
  // The reading's own id serves its outing too: they are born together.
  const outing = tx`
    insert into outing (team_id, id, machine_id, event_id, rider_id, day, kind, remark, conditions, crossings, clutch, distance, symptoms, ridden_at, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${input.eventId}, ${input.riderId}, ${input.day}, ${input.outing}, ${input.remark},
      ${input.conditions as string[]}, ${input.crossings ?? 0}, ${input.clutch}, ${input.distance}, ${input.symptoms as string[]}, ${at}, ${personId})`;
  const calls = input.symptoms.map(
    (what) => tx`
      insert into machine_call (team_id, id, machine_id, outing_id, kind, what, words, called_on, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${input.machineId}, ${input.id}, 'symptom', ${what}, ${input.remark}, ${input.day}, ${personId})`
  );
  const waiting = outingCame({ tx, team, personId }, { machineId: input.machineId, day: input.day, at });
  // In this order, without waiting for one another.
  await Promise.all([outing, ...calls, waiting]);
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
