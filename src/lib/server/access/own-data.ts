import type { Db } from '../base/db';

/** Commands and outings of a person, at most: more than anybody writes in years. */
const MOST = 100_000;

/**
 * All that is kept about one person, for themselves to take away: who they are, how they come in (without what lets them in), and what
 * they wrote and rode. Machines are named by their plates.
 */
export async function ownData(sql: Db, teamId: string, personId: string): Promise<Record<string, unknown>> {
  const [[person], [passphrase], sessions, devices, pins, events, machines, outings, commands] =
    await Promise.all([
      sql`select name, role, created_at as "since", left_at as "left" from person where team_id = ${teamId} and id = ${personId}`,
      sql`select set_at as "setAt" from sign_in where team_id = ${teamId} and person_id = ${personId}`,
      sql`
        select how, begun_at as "begunAt", seen_at as "seenAt", ended_at as "endedAt" from session
        where team_id = ${teamId} and person_id = ${personId} order by begun_at`,
      sql`
        select name, added_at as "addedAt", seen_at as "seenAt", ended_at as "endedAt" from device
        where team_id = ${teamId} and added_by = ${personId} order by added_at`,
      sql`
        select d.name as device, p.set_at as "setAt" from device_pin p join device d on d.team_id = p.team_id and d.id = p.device_id
        where p.team_id = ${teamId} and p.person_id = ${personId} order by p.set_at`,
      sql`
        select at, what from access_event where team_id = ${teamId} and person_id = ${personId} order by id`,
      sql`
        select plate, name, rider_id = ${personId} as "rides", owner_id = ${personId} as "owns" from machine
        where team_id = ${teamId} and ${personId}::uuid in (rider_id, owner_id) order by plate`,
      sql`
        select m.plate, o.day::text as day, o.kind, o.remark from outing o join machine m on m.team_id = o.team_id and m.id = o.machine_id
        where o.team_id = ${teamId} and o.rider_id = ${personId} order by o.day desc, o.id limit ${MOST}`,
      sql`
        select kind, at, received_at as "receivedAt", device, body from command
        where team_id = ${teamId} and person_id = ${personId} order by seq desc limit ${MOST}`
    ]);
  return {
    person,
    signIn: { passphraseSetAt: passphrase?.setAt ?? null, sessions, devices, pins, events },
    machines,
    outings,
    written: commands,
    // The latest first; there may be more than a file takes.
    cutOff: commands.length === MOST || outings.length === MOST
  };
}
