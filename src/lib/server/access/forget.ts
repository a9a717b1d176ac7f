import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

const NOBODY = 'Somebody who left';

/**
 * Removes what is kept about somebody who left, for good: their name, also where it stands in what brought them into the team; how they
 * came in, with what, and from where; which machines were theirs. What they wrote and rode stays in the book, as of somebody whose name is
 * no longer known. What others wrote stays as it was written.
 * @returns what they are called from now on, and in how many entries of the book their name was written by hand
 */
export async function forgetPerson(
  { tx, team, now }: Write,
  { personId }: { personId: string }
): Promise<{ name: string; texts: number }> {
  // One after the other: each has a name of their own.
  await tx`select 1 from team where id = ${team.id} for no key update`;
  const [person] = await tx`
    select name, left_at, forgotten_at from person where team_id = ${team.id} and id = ${personId} for no key update`;
  if (!person) refuse('', 'That person is not of this team.');
  const was = person!.name as string;
  if (person!.forgotten_at) return { name: was, texts: 0 };
  if (!person!.left_at) refuse('', 'They are of the team: say first that they left.');
  const name = await freeName(tx, team.id);
  await tx`update person set name = ${name}, forgotten_at = ${now} where team_id = ${team.id} and id = ${personId}`;
  await tx`
    update command set forgotten_at = ${now}, body = case kind when 'person.add' then jsonb_set(body, '{name}', to_jsonb(${name}::text))
      else jsonb_set(body, '{you,name}', to_jsonb(${name}::text)) end
    where team_id = ${team.id} and forgotten_at is null
      and (kind = 'person.add' and body ->> 'id' = ${personId} or kind = 'team.found' and body #>> '{you,id}' = ${personId})`;
  await closeWays(tx, team.id, personId, now);
  await tx`update machine set rider_id = null where team_id = ${team.id} and rider_id = ${personId}`;
  await tx`update machine set owner_id = null where team_id = ${team.id} and owner_id = ${personId}`;
  return { name, texts: await timesWritten(tx, team.id, was) };
}

/** How somebody came in, with what, and from where. */
async function closeWays(tx: Tx, teamId: string, personId: string, now: Date): Promise<void> {
  for (const table of [
    'session',
    'sign_in',
    'device_pin',
    'invitation',
    'api_token',
    'calendar_feed',
    'access_event'
  ])
    await tx`delete from ${tx(table)} where team_id = ${teamId} and person_id = ${personId}`;
  // Others may come in on a device of theirs: it goes on, under no name of theirs.
  await tx`
    update device d set name = 'A device', ended_at = case when exists (
        select 1 from device_pin p where p.team_id = d.team_id and p.device_id = d.id
        union all select 1 from session s where s.team_id = d.team_id and s.device_id = d.id and s.ended_at is null
      ) then ended_at else coalesce(ended_at, ${now}) end
    where team_id = ${teamId} and added_by = ${personId}`;
}

async function freeName(tx: Tx, teamId: string): Promise<string> {
  const taken = new Set(
    (
      await tx`select lower(name) as name from person where team_id = ${teamId} and name ilike ${`${NOBODY}%`}`
    ).map((p) => p.name as string)
  );
  for (let n = 1; ; n++) {
    const name = n === 1 ? NOBODY : `${NOBODY} ${n}`;
    if (!taken.has(name.toLowerCase())) return name;
  }
}

/** In how many entries a name was written by hand: in a remark, a note, as who said so. */
async function timesWritten(sql: Db, teamId: string, name: string): Promise<number> {
  // As it stands in JSON, and as a whole: “Ole” is not in “hole”.
  const word = `(?<!\\w)${JSON.stringify(name)
    .slice(1, -1)
    .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?!\\w)`;
  const [row] = await sql`
    select count(*)::int as n from command where team_id = ${teamId} and kind not in ('person.add', 'team.found') and body::text ~* ${word}`;
  return row!.n as number;
}
