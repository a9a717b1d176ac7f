import { createHash } from 'node:crypto';
import { looksLikeToken, type Token, type TokenInput } from '../../core/token/form';
import type { Role, Team } from '../../core/team/team';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** The keys of a team that open something. */
export async function listTokens(sql: Db, teamId: string): Promise<Token[]> {
  return (await sql`
    select k.id, k.name, k.person_id as "personId", p.name as person, k.created_at as "createdAt" from api_token k
    join person p on p.team_id = k.team_id and p.id = k.person_id
    where k.team_id = ${teamId} and k.withdrawn_at is null and p.left_at is null order by k.created_at desc`) as unknown as Token[];
}

/** A key of whoever sends it. */
export async function keepToken({ tx, team, personId }: Write, t: TokenInput): Promise<void> {
  await tx`
    insert into api_token (team_id, id, person_id, name, hash, created_by)
    values (${team.id}, ${t.id}, ${personId}, ${t.name}, ${t.hash}, ${personId})`;
}

export async function withdrawToken(
  { tx, team, personId, role, now }: Write,
  { tokenId }: { tokenId: string }
): Promise<void> {
  const [of] = await tx`select person_id from api_token where team_id = ${team.id} and id = ${tokenId}`;
  if (of && of.person_id !== personId && role !== 'chief mechanic')
    refuse('', 'That key is somebody else’s.');
  const [is] = await tx`
    update api_token set withdrawn_at = coalesce(withdrawn_at, ${now}) where team_id = ${team.id} and id = ${tokenId} returning id`;
  if (!is) refuse('', 'That key is not of this team.');
}

/**
 * Whose key it is, by its hash: a look-up in an index tells nothing of a key that is nearly right.
 * @returns null where it is none, was withdrawn, or its person has left
 */
export async function holderOf(
  sql: Db,
  token: string
): Promise<{ team: Team; person: { id: string; role: Role }; token: { id: string } } | null> {
  if (!looksLikeToken(token)) return null;
  const hash = createHash('sha256').update(token).digest('hex');
  const [row] = await sql`
    select t.id, t.name, t.time_zone, t.is_demo, p.id as person_id, p.role, k.id as token_id from api_token k
    join team t on t.id = k.team_id join person p on p.team_id = k.team_id and p.id = k.person_id
    where k.hash = ${hash} and k.withdrawn_at is null and p.left_at is null`;
  if (!row) return null;
  return {
    team: { id: row.id, name: row.name, timeZone: row.time_zone, isDemo: row.is_demo },
    person: { id: row.person_id, role: row.role },
    token: { id: row.token_id }
  };
}
