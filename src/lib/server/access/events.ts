import type { Db } from '../base/db';

export type AccessWhat =
  | 'signed in'
  | 'signed out'
  | 'wrong passphrase'
  | 'wrong PIN'
  | 'locked'
  | 'PIN withdrawn'
  | 'passphrase set'
  | 'PIN set'
  | 'joined'
  | 'device trusted'
  | 'ways in withdrawn';

/** Writes down what became of a try to come in. */
export async function noteAccess(
  sql: Db,
  teamId: string,
  what: AccessWhat,
  of: { personId?: string | null; deviceId?: string | null }
): Promise<void> {
  await sql`
    insert into access_event (team_id, what, person_id, device_id) values (${teamId}, ${what}, ${of.personId ?? null}, ${of.deviceId ?? null})`;
}

export interface AccessEvent {
  at: Date;
  what: AccessWhat;
  device: string | null;
}
/** The latest of one person’s. */
export async function listAccess(sql: Db, teamId: string, personId: string): Promise<AccessEvent[]> {
  return (await sql`
    select e.at, e.what, d.name as device from access_event e
    left join device d on d.team_id = e.team_id and d.id = e.device_id
    where e.team_id = ${teamId} and e.person_id = ${personId} order by e.id desc limit 50`) as unknown as AccessEvent[];
}
