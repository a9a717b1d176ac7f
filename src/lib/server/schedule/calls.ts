import type { CallInput } from '../../core/schedule/form';
import { INCIDENTS } from '../../core/outing/outing';
import type { Db, Tx } from '../base/db';
import { refuseDay } from '../base/moment';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

export interface CallRow {
  id: string;
  kind: 'symptom' | 'incident';
  what: string;
  words: string;
  day: string;
  by: string;
  dropped: string | null;
  /** Tasks that answer it, and whether each has been done since. */
  tasks: { id: string; name: string; done: boolean }[];
}

/** Symptoms and incidents of a machine: those open first, then the latest that were answered or dropped. */
export async function listCalls(sql: Db, teamId: string, machineId: string): Promise<CallRow[]> {
  const rows = await sql`
    with mine as (
      select t.id, t.name, t.answers from task t join task_place p on p.team_id = t.team_id and p.task_id = t.id
      where t.team_id = ${teamId} and t.retired_at is null and p.machine_id = ${machineId}
    )
    select c.id, c.kind, c.what, c.words, c.called_on as day, p.name as by, c.dropped_word as dropped,
      coalesce((select jsonb_agg(jsonb_build_object('id', m.id, 'name', m.name, 'done', exists (
        select 1 from service_record r where r.team_id = c.team_id and r.task_id = m.id and r.created_at > c.created_at and r.done_on >= c.called_on)) order by m.name)
        from mine m where c.what = any(m.answers)), '[]') as tasks
    from machine_call c join person p on p.team_id = c.team_id and p.id = c.created_by
    where c.team_id = ${teamId} and c.machine_id = ${machineId} order by c.created_at desc limit 40`;
  return rows as unknown as CallRow[];
}

/** Open: not dropped, and either nothing answers it or something that does has not been done. */
export const isOpen = (c: CallRow): boolean =>
  c.dropped === null && (c.tasks.length === 0 || c.tasks.some((t) => !t.done));

/** The machine of a call. @throws Refusal where the team has none such */
export async function machineOfCall(tx: Tx, teamId: string, id: string): Promise<string> {
  const [row] = await tx`select machine_id from machine_call where team_id = ${teamId} and id = ${id}`;
  return row ? (row.machine_id as string) : refuse('', 'That report is not in this team.');
}

/** A symptom or incident written down without an outing. */
export async function addCall({ tx, team, personId, now }: Write, c: CallInput): Promise<void> {
  refuseDay(c.day, team.timeZone, now);
  const kind = (INCIDENTS as readonly string[]).includes(c.what) ? 'incident' : 'symptom';
  await tx`
    insert into machine_call (team_id, id, machine_id, kind, what, words, called_on, created_by)
    values (${team.id}, ${c.id}, ${c.machineId}, ${kind}, ${c.what}, ${c.words}, ${c.day}, ${personId})`;
}

/** A call dropped with a word: it calls nothing any more and stays readable. */
export async function dropCall(
  { tx, team, personId }: Write,
  { callId, word }: { callId: string; word: string }
): Promise<void> {
  await tx`
    update machine_call set dropped_at = now(), dropped_by = ${personId}, dropped_word = ${word}
    where team_id = ${team.id} and id = ${callId} and dropped_at is null`;
}
