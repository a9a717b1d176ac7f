import type { Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';
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

/**
 * Who left writes no more, and no way in of theirs opens anything, then or when they are taken on again; what they wrote stays theirs.
 */
export async function personLeaves(
  { tx, team, personId, now }: Write,
  p: { personId: string; left: boolean }
): Promise<void> {
  if (p.left && p.personId === personId)
    refuse('', 'You are working here yourself: somebody else says that you left.');
  const [is] = await tx`
    update person set left_at = ${p.left ? tx`coalesce(left_at, ${now})` : null} where team_id = ${team.id} and id = ${p.personId} and forgotten_at is null returning id`;
  if (!is)
    refuse('', 'That person is not of this team, or what was kept about them was removed: add them anew.');
  if (p.left) await withdrawWays(tx, team.id, p.personId, now);
}
