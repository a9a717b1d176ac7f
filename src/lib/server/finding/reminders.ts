import type { ReminderInput, ReminderNoteInput } from '../../core/finding/form';
import type { After } from '../../core/round/after';
import type { Team } from '../../core/team/team';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

export async function addReminder({ tx, team, personId }: Write, r: ReminderInput): Promise<void> {
  await tx`
    insert into reminder (team_id, id, machine_id, words, waits_for, part, expected_on, created_by)
    values (${team.id}, ${r.id}, ${r.machineId}, ${r.words}, ${r.waitsFor}, ${r.part}, ${r.expectedOn}, ${personId})`;
}

/** Reminds of what is to be looked at again after the next outing; what is asked for already is not asked for twice. */
export async function raiseAfter(
  { tx, team, personId, now }: Write,
  machineId: string,
  list: readonly After[],
  roundId: string | null = null
): Promise<void> {
  for (const a of list)
    await tx`
      insert into reminder (team_id, id, machine_id, words, waits_for, fastener_id, check_key, round_id, created_at, created_by)
      select ${team.id}, ${crypto.randomUUID()}, ${machineId}, ${a.words}, 'the next outing', ${a.fastenerId}, ${a.check}, ${roundId}, ${now}, ${personId}
      where not exists (select 1 from reminder where team_id = ${team.id} and machine_id = ${machineId} and done_at is null
        and fastener_id is not distinct from ${a.fastenerId} and check_key is not distinct from ${a.check} and (fastener_id is not null or check_key is not null))`;
}
/** What was to be looked at again, and now was. What waits for an outing that has not been goes on waiting. */
export async function closeAfter(
  { tx, team, personId, now }: Write,
  machineId: string,
  of: { fastenerId: string } | { check: string },
  word: string
): Promise<void> {
  await tx`
    update reminder set done_at = ${now}, done_by = ${personId}, done_word = ${word}
    where team_id = ${team.id} and machine_id = ${machineId} and done_at is null and come_at is not null
      and ${'fastenerId' in of ? tx`fastener_id = ${of.fastenerId}` : tx`check_key = ${of.check}`}`;
}

/** What of the book a reminder hangs on: its machine, and the component of the finding it belongs to. */
export async function placeOfReminder(
  tx: Tx,
  teamId: string,
  id: string
): Promise<{ machines: string[]; components: string[] }> {
  const [row] = await tx`
    select r.machine_id, f.component_id from reminder r left join finding f on f.team_id = r.team_id and f.id = r.finding_id
    where r.team_id = ${teamId} and r.id = ${id}`;
  if (!row) refuse('', 'That reminder is not in this team.');
  return { machines: [row.machine_id], components: row.component_id ? [row.component_id] : [] };
}

/** A reminder's event has come, or what it reminded of is done. */
export async function noteReminder({ tx, team, personId }: Write, n: ReminderNoteInput): Promise<void> {
  const [is] = await tx`
    select r.finding_id, r.done_by, p.name from reminder r left join person p on p.team_id = r.team_id and p.id = r.done_by
    where r.team_id = ${team.id} and r.id = ${n.reminderId}`;
  if (n.now === 'done' && is?.done_by && is.done_by !== personId)
    refuse('word', `${is.name} has written that down already.`);
  if (is?.finding_id && n.now === 'done')
    refuse('word', 'It belongs to a finding: close that, with what was done.');
  if (n.now === 'come')
    await tx`update reminder set come_at = coalesce(come_at, now()), come_by = coalesce(come_by, ${personId}) where team_id = ${team.id} and id = ${n.reminderId}`;
  else
    await tx`
      update reminder set done_at = now(), done_by = ${personId}, done_word = ${n.word}
      where team_id = ${team.id} and id = ${n.reminderId} and done_at is null`;
}

/**
 * Outings were ridden: what waited for the next one is to be done now. An outing entered late, of a day before the reminder
 * was written, is not the next one.
 */
export function outingsCame(
  tx: Db,
  team: Team,
  outings: readonly { machine_id: string; day: string; ridden_at: string; created_by: string }[]
) {
  const came = outings.map(({ machine_id, day, ridden_at, created_by }) => ({
    machine_id,
    day,
    ridden_at,
    created_by
  }));
  return tx`
    update reminder r set come_at = o.ridden_at, come_by = o.created_by from (
      select distinct on (r.id) r.id, o.ridden_at, o.created_by
      from jsonb_to_recordset(${tx.json(came)}) as o (machine_id uuid, day date, ridden_at timestamptz, created_by uuid)
      join reminder r on r.team_id = ${team.id} and r.waits_for = 'the next outing' and r.come_at is null and r.done_at is null
        and (r.created_at at time zone ${team.timeZone})::date <= o.day
        and (r.finding_id is null and r.machine_id = o.machine_id or r.finding_id in (
          select f.id from finding f left join placement p on p.team_id = f.team_id and p.component_id = f.component_id
          where f.team_id = ${team.id} and f.closed_at is null and coalesce(p.machine_id, case when f.component_id is null then f.machine_id end) = o.machine_id))
      order by r.id, o.ridden_at) o
    where r.team_id = ${team.id} and r.id = o.id`;
}
