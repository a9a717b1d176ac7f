import { INVITED_FOR_HOURS, type InvitationInput } from '../../core/access/form';
import type { Role } from '../../core/team/team';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';
import { keyHash, looksLikeKey, newKey } from './secrets';
import { withdrawWays } from './leave';

/**
 * Keeps an invitation: for one person, as another phone or in the place of every way in they had; or for whoever of the team has none yet.
 * What is replaced is over as soon as this is kept: whoever found the lost phone has no time to come first.
 */
export async function keepInvitation(
  { tx, team, personId, now }: Write,
  i: InvitationInput
): Promise<{ expiresAt: string }> {
  if (i.personId !== null) {
    const [is] = await tx`
      select 1 from person where team_id = ${team.id} and id = ${i.personId} and left_at is null`;
    if (!is) refuse('personId', 'That person is not of this team.');
    if (i.replaces && i.personId === personId)
      refuse(
        '',
        'Your own ways in are replaced by another chief mechanic. You can add a phone, and change your passphrase.'
      );
    if (i.replaces) await withdrawWays(tx, team.id, i.personId, now);
  }
  const hours = INVITED_FOR_HOURS[i.personId === null ? 'team' : 'person'];
  const expiresAt = new Date(now.getTime() + hours * 3_600_000);
  await tx`
    insert into invitation (team_id, id, person_id, hash, made_by, expires_at, replaces)
    values (${team.id}, ${i.id}, ${i.personId}, ${i.hash}, ${personId}, ${expiresAt}, ${i.replaces})`;
  return { expiresAt: expiresAt.toISOString() };
}

export async function withdrawInvitation(
  { tx, team, now }: Write,
  { invitationId }: { invitationId: string }
): Promise<void> {
  const [is] = await tx`
    update invitation set withdrawn_at = coalesce(withdrawn_at, ${now}) where team_id = ${team.id} and id = ${invitationId} returning id`;
  if (!is) refuse('', 'That invitation is not of this team.');
}

/** An invitation made on the server itself, by whoever can run a command there. @returns its code */
export async function inviteFromServer(sql: Db, teamId: string, personId: string | null): Promise<string> {
  const code = newKey();
  const hours = INVITED_FOR_HOURS.team;
  await sql`
    insert into invitation (team_id, id, person_id, hash, expires_at)
    values (${teamId}, ${crypto.randomUUID()}, ${personId}, ${keyHash(code)}, now() + ${`${hours} hours`}::interval)`;
  return code;
}

export interface Invited {
  id: string;
  teamId: string;
  team: string;
  /** Who may come in by it. */
  people: { id: string; name: string; role: Role }[];
  forOne: boolean;
  /** It takes the place of every way in they had. */
  replaces: boolean;
  /** For one, who has a passphrase and keeps it. */
  hasWords: boolean;
}
/** What a code opens; null: nothing, for it is none, was used, is over or was withdrawn. */
export async function invitedBy(sql: Db, code: string, now: Date): Promise<Invited | null> {
  if (!looksLikeKey(code)) return null;
  const [row] = await sql`
    select i.id, i.team_id, i.person_id, i.replaces, t.name as team,
      not i.replaces and exists (select 1 from sign_in s where s.team_id = i.team_id and s.person_id = i.person_id) as has_words
    from invitation i join team t on t.id = i.team_id
    where i.hash = ${keyHash(code)} and i.withdrawn_at is null and i.expires_at > ${now} and (i.used_at is null or i.person_id is null)`;
  if (!row) return null;
  const people = await sql`
    select p.id, p.name, p.role from person p where p.team_id = ${row.team_id} and p.left_at is null and ${
      row.person_id === null
        ? // A code that hangs on a wall makes nobody chief mechanic, and takes nobody’s place.
          sql`p.role <> 'chief mechanic' and not exists (select 1 from sign_in s where s.team_id = p.team_id and s.person_id = p.id)
            and not exists (select 1 from session s where s.team_id = p.team_id and s.person_id = p.id)`
        : sql`p.id = ${row.person_id}`
    } order by p.name limit 500`;
  return {
    id: row.id,
    teamId: row.team_id,
    team: row.team,
    people: people as unknown as Invited['people'],
    forOne: row.person_id !== null,
    replaces: row.person_id !== null && row.replaces,
    hasWords: row.has_words
  };
}

export interface InvitationRow {
  id: string;
  person: string | null;
  madeBy: string | null;
  expiresAt: Date;
}
export async function listInvitations(sql: Db, teamId: string): Promise<InvitationRow[]> {
  return (await sql`
    select i.id, p.name as person, m.name as "madeBy", i.expires_at as "expiresAt" from invitation i
    left join person p on p.team_id = i.team_id and p.id = i.person_id left join person m on m.team_id = i.team_id and m.id = i.made_by
    where i.team_id = ${teamId} and i.withdrawn_at is null and i.expires_at > now() and (i.used_at is null or i.person_id is null)
    order by i.made_at desc limit 100`) as unknown as InvitationRow[];
}
