import { LASTS, OLD_FOR, sessionStands } from '../../core/access/waits';
import type { Role, Team } from '../../core/team/team';
import type { Db, Sql } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';
import { noteAccess } from './events';
import { keyHash, looksLikeKey, newKey } from './secrets';

export type How = 'passphrase' | 'PIN' | 'invitation' | 'founding';

/** Who comes in, where, and how. */
export interface Comer {
  teamId: string;
  personId: string;
  /** A trusted one; null: any other, on which it is over with the working day. */
  deviceId: string | null;
  how: How;
}

/** Begins a session. @returns its key, for the browser alone */
export async function beginSession(sql: Db, { teamId, personId, deviceId, how }: Comer): Promise<string> {
  const key = newKey();
  await sql`
    insert into session (team_id, id, person_id, device_id, how, hash)
    values (${teamId}, ${crypto.randomUUID()}, ${personId}, ${deviceId}, ${how}, ${keyHash(key)})`;
  await noteAccess(sql, teamId, 'signed in', { personId, deviceId });
  return key;
}

export interface Entered {
  team: Team;
  person: { id: string; role: Role; name: string };
  /** `shared`: several people come in on its device. */
  session: { id: string; deviceId: string | null; shared: boolean };
  /** Its new key, where the one that was shown is to be replaced. */
  renewed: string | null;
}

/**
 * Whose session a key opens. Keys are replaced in two steps: the next one is made and sent, and takes the place of the one before as
 * soon as the browser shows it. An answer that was lost on its way locks nobody out.
 * @returns null where it opens none: it is no key, over, ended, or of somebody who left
 */
export async function sessionOf(sql: Sql, key: string | undefined, now: Date): Promise<Entered | null> {
  if (!looksLikeKey(key)) return null;
  const hash = keyHash(key);
  const [row] = await sql`
    select s.id, s.device_id, s.begun_at, s.renewed_at, s.seen_at, s.next_at, s.hash = ${hash} as is_current, coalesce(s.next_hash = ${hash}, false) as is_next,
      (select count(*)::int from device_pin k where k.team_id = s.team_id and k.device_id = s.device_id) as pins,
      t.id as team_id, t.name as team, t.time_zone, t.is_demo, p.id as person_id, p.role, p.name
    from session s join team t on t.id = s.team_id join person p on p.team_id = s.team_id and p.id = s.person_id
    left join device d on d.team_id = s.team_id and d.id = s.device_id
    where (s.hash = ${hash} or s.next_hash = ${hash} or (s.old_hash = ${hash} and s.old_until > ${now}))
      and s.ended_at is null and p.left_at is null and d.ended_at is null`;
  if (!row) return null;
  const stands = sessionStands(
    {
      trusted: row.device_id !== null,
      begunAt: row.begun_at.getTime(),
      seenAt: row.seen_at.getTime(),
      renewedAt: row.renewed_at.getTime(),
      nextAt: row.next_at?.getTime() ?? null
    },
    now.getTime()
  );
  if (stands === 'over') return null;
  let renewed: string | null = null;
  if (row.is_next)
    await sql`
      update session set old_hash = hash, old_until = ${new Date(now.getTime() + OLD_FOR)}, hash = next_hash, next_hash = null, next_at = null,
        renewed_at = ${now}, seen_at = ${now}
      where team_id = ${row.team_id} and id = ${row.id} and next_hash = ${hash}`;
  else if (row.is_current && stands.renew) {
    renewed = newKey();
    await sql`
      update session set next_hash = ${keyHash(renewed)}, next_at = ${now}, seen_at = ${now} where team_id = ${row.team_id} and id = ${row.id} and hash = ${hash}`;
  } else if (stands.see)
    await sql`update session set seen_at = ${now} where team_id = ${row.team_id} and id = ${row.id}`;
  if (stands.see && row.device_id)
    await sql`update device set seen_at = ${now} where team_id = ${row.team_id} and id = ${row.device_id}`;
  return {
    team: { id: row.team_id, name: row.team, timeZone: row.time_zone, isDemo: row.is_demo },
    person: { id: row.person_id, role: row.role, name: row.name },
    session: { id: row.id, deviceId: row.device_id, shared: row.pins > 1 },
    renewed
  };
}

/** Signs out: the session is over, wherever its key is. */
export async function signOut(
  sql: Sql,
  teamId: string,
  sessionId: string,
  personId: string,
  now: Date
): Promise<void> {
  await sql`update session set ended_at = ${now} where team_id = ${teamId} and id = ${sessionId} and ended_at is null`;
  await noteAccess(sql, teamId, 'signed out', { personId });
}

/** Ends every session of a person, but for one. */
export async function endOthers(
  sql: Db,
  teamId: string,
  personId: string,
  but: string | null,
  now: Date
): Promise<void> {
  await sql`
    update session set ended_at = ${now} where team_id = ${teamId} and person_id = ${personId} and ended_at is null ${but === null ? sql`` : sql`and id <> ${but}`}`;
}

export interface SessionRow {
  id: string;
  personId: string;
  person: string;
  deviceId: string | null;
  device: string | null;
  how: How;
  begunAt: Date;
  seenAt: Date;
}
/** Sessions in force, of the whole team or of one person. */
export async function listSessions(
  sql: Db,
  teamId: string,
  personId: string | null,
  now: Date
): Promise<SessionRow[]> {
  const rows = await sql`
    select s.id, s.person_id as "personId", p.name as person, s.device_id as "deviceId", d.name as device, s.how, s.begun_at as "begunAt", s.seen_at as "seenAt", s.renewed_at as "renewedAt"
    from session s join person p on p.team_id = s.team_id and p.id = s.person_id left join device d on d.team_id = s.team_id and d.id = s.device_id
    where s.team_id = ${teamId} ${personId === null ? sql`` : sql`and s.person_id = ${personId}`} and s.ended_at is null and d.ended_at is null and p.left_at is null
      and s.seen_at > ${new Date(now.getTime() - LASTS.trusted.idle)}
    order by s.seen_at desc limit 200`;
  return rows.flatMap(({ renewedAt, ...s }) => {
    const times = {
      begunAt: s.begunAt.getTime(),
      seenAt: s.seenAt.getTime(),
      renewedAt: renewedAt.getTime()
    };
    const stands = sessionStands({ trusted: s.deviceId !== null, ...times, nextAt: null }, now.getTime());
    return stands === 'over' ? [] : [s as SessionRow];
  });
}

/** Ends a session from elsewhere: one's own, or anybody's as chief mechanic. */
export async function endSession(
  { tx, team, personId, role, now }: Write,
  { sessionId }: { sessionId: string }
): Promise<void> {
  const [row] = await tx`select person_id from session where team_id = ${team.id} and id = ${sessionId}`;
  if (!row || (row.person_id !== personId && role !== 'chief mechanic'))
    refuse('', 'That session is not yours to end.');
  await tx`update session set ended_at = coalesce(ended_at, ${now}) where team_id = ${team.id} and id = ${sessionId}`;
}

/** How each of a team comes in, in words; who is not in it has no way in. */
export async function waysIn(sql: Db, teamId: string): Promise<Map<string, string>> {
  const rows = await sql`
    select p.id, exists (select 1 from sign_in s where s.team_id = p.team_id and s.person_id = p.id) as words,
      (select count(*)::int from device_pin k join device d on d.team_id = k.team_id and d.id = k.device_id
        where k.team_id = p.team_id and k.person_id = p.id and d.ended_at is null) as pins
    from person p where p.team_id = ${teamId} and p.left_at is null`;
  const pins = (n: number) => (n === 1 ? 'PIN on one device' : `PIN on ${n} devices`);
  return new Map(
    rows.flatMap(({ id, words, pins: n }) =>
      words || n > 0
        ? [[id, [words ? 'passphrase' : '', n > 0 ? pins(n) : ''].filter(Boolean).join(', ')]]
        : []
    ) as [string, string][]
  );
}
