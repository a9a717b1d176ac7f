import type { Tx } from '../base/db';
import { noteAccess } from './events';

/**
 * Withdraws every way in that somebody has: sessions, PINs, keys of programs, the passphrase, invitations that are still open, and the
 * devices that nobody else comes in on. What they wrote stays.
 * @param but an invitation that stays open
 */
export async function withdrawWays(
  tx: Tx,
  teamId: string,
  personId: string,
  now: Date,
  but: string | null = null
): Promise<void> {
  const theirs = tx`team_id = ${teamId} and person_id = ${personId}`;
  await tx`update session set ended_at = ${now} where ${theirs} and ended_at is null`;
  await tx`delete from device_pin where ${theirs}`;
  await tx`delete from sign_in where ${theirs}`;
  await tx`update api_token set withdrawn_at = ${now} where ${theirs} and withdrawn_at is null`;
  await tx`
    update invitation set withdrawn_at = ${now} where ${theirs} and used_at is null and withdrawn_at is null and id is distinct from ${but}`;
  await tx`
    update device d set ended_at = ${now} where d.team_id = ${teamId} and d.added_by = ${personId} and d.ended_at is null
      and not exists (select 1 from device_pin p where p.team_id = d.team_id and p.device_id = d.id)
      and not exists (select 1 from session s where s.team_id = d.team_id and s.device_id = d.id and s.ended_at is null)`;
  await noteAccess(tx, teamId, 'ways in withdrawn', { personId });
}
