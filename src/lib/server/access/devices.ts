import type { Role } from '../../core/team/team';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';
import { noteAccess } from './events';
import { keyHash, looksLikeKey, newKey } from './secrets';

export interface Device {
  id: string;
  teamId: string;
  team: string;
}

/** The teams that trust a device, by its key: a phone may be of two. */
export async function devicesOf(sql: Db, key: string | undefined): Promise<Device[]> {
  if (!looksLikeKey(key)) return [];
  return (await sql`
    select d.id, d.team_id as "teamId", t.name as team from device d join team t on t.id = d.team_id
    where d.hash = ${keyHash(key)} and d.ended_at is null order by d.seen_at desc limit 20`) as unknown as Device[];
}

/**
 * Trusts a device from now on.
 * @param key its own, where another team trusts it already
 * @returns its key, for that device alone
 */
export async function trustDevice(
  tx: Db,
  teamId: string,
  personId: string,
  name: string,
  key: string | undefined
): Promise<{ id: string; key: string }> {
  // A key that this server did not hand out was made by somebody who knows it; one that was sent away is a new device.
  const known = looksLikeKey(key)
    ? await tx`select id, team_id, ended_at from device where hash = ${keyHash(key)}`
    : [];
  const there = known.find((d) => d.team_id === teamId);
  if (there && !there.ended_at) return { id: there.id, key: key! };
  const fresh = !there && known.some((d) => !d.ended_at) ? key! : newKey();
  const id = crypto.randomUUID();
  await tx`
    insert into device (team_id, id, name, hash, added_by) values (${teamId}, ${id}, ${name.trim() || 'Unnamed'}, ${keyHash(fresh)}, ${personId})`;
  await noteAccess(tx, teamId, 'device trusted', { personId, deviceId: id });
  return { id, key: fresh };
}

export interface Pinned {
  personId: string;
  name: string;
  role: Role;
  teamId: string;
  team: string;
}
/** Who comes in on a device by PIN. */
export async function pinnedOn(sql: Db, key: string | undefined): Promise<Pinned[]> {
  if (!looksLikeKey(key)) return [];
  return (await sql`
    select p.id as "personId", p.name, p.role, t.id as "teamId", t.name as team
    from device d join device_pin k on k.team_id = d.team_id and k.device_id = d.id join person p on p.team_id = d.team_id and p.id = k.person_id
    join team t on t.id = d.team_id
    where d.hash = ${keyHash(key)} and d.ended_at is null and p.left_at is null order by t.name, p.name`) as unknown as Pinned[];
}

export interface DeviceRow {
  id: string;
  name: string;
  addedBy: string;
  addedAt: Date;
  seenAt: Date;
  /** Who comes in on it by PIN. */
  people: string[];
}
export async function listDevices(sql: Db, teamId: string): Promise<DeviceRow[]> {
  return (await sql`
    select d.id, d.name, a.name as "addedBy", d.added_at as "addedAt", d.seen_at as "seenAt",
      coalesce((select array_agg(p.name order by p.name) from device_pin k join person p on p.team_id = k.team_id and p.id = k.person_id
        where k.team_id = d.team_id and k.device_id = d.id and p.left_at is null), '{}') as people
    from device d join person a on a.team_id = d.team_id and a.id = d.added_by
    where d.team_id = ${teamId} and d.ended_at is null order by d.seen_at desc limit 200`) as unknown as DeviceRow[];
}

/** Trusts a device no more: its sessions are over, and its PINs open nothing. */
export async function endDevice(
  { tx, team, personId, role, now }: Write,
  { deviceId }: { deviceId: string }
): Promise<void> {
  const [row] = await tx`select added_by from device where team_id = ${team.id} and id = ${deviceId}`;
  if (!row || (row.added_by !== personId && role !== 'chief mechanic'))
    refuse('', 'That device is not yours to send away.');
  await tx`update device set ended_at = coalesce(ended_at, ${now}) where team_id = ${team.id} and id = ${deviceId}`;
  await tx`delete from device_pin where team_id = ${team.id} and device_id = ${deviceId}`;
}
