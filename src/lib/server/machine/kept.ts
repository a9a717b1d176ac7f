import type { Db } from '../base/db';

/** Teams whose machines are kept at once; the one that was asked for longest ago makes room. */
const MOST_TEAMS = 16;
/** No command is under way for longer: one that began before the last look and ended after it is seen at the next. */
const UNDER_WAY_MS = 10 * 60_000;

interface Kept {
  /** By the database's clock. */
  lookedAt: Date;
  /** Commands of the last while that were seen. */
  seen: ReadonlySet<string>;
  of: Map<string, { key: string; value: Promise<unknown> }>;
}
const teams = new Map<string, Kept>();

/** What was worked out of a team's machines, for as long as no command touched them. */
export interface OfMachines {
  /** @param key everything it hangs on besides what is written of the machine and of the team */
  get: <T>(machineId: string, key: string, work: () => Promise<T>) => Promise<T>;
}

/**
 * Keeps what is dear to work out of a machine for as long as nothing was written that touches it, or the whole team: every
 * write is a command, and says which machines it touches. It holds for several servers on one database.
 */
export async function ofMachines(sql: Db, teamId: string): Promise<OfMachines> {
  const was = teams.get(teamId);
  const since = new Date((was?.lookedAt.getTime() ?? Date.now()) - UNDER_WAY_MS);
  const rows = await sql`
    select now() as now, c.seq::text, c.machines from (select now()) n
    left join command c on c.team_id = ${teamId} and c.received_at > ${since}`;
  const commands = rows.filter((r) => r.seq !== null);
  const of = was?.of ?? new Map<string, { key: string; value: Promise<unknown> }>();
  for (const c of commands) {
    if (!was || was.seen.has(c.seq)) continue;
    if (c.machines.length === 0) of.clear();
    else for (const id of c.machines as string[]) of.delete(id);
  }
  teams.delete(teamId);
  teams.set(teamId, { lookedAt: rows[0]!.now, seen: new Set(commands.map((c) => c.seq as string)), of });
  for (const oldest of teams.keys()) {
    if (teams.size <= MOST_TEAMS) break;
    teams.delete(oldest);
  }
  return {
    async get<T>(machineId: string, key: string, work: () => Promise<T>): Promise<T> {
      const mine = of.get(machineId);
      if (mine?.key === key) return mine.value as Promise<T>;
      // Whoever asks while it is worked out waits for the same. One answer a machine: another day, another outing takes its place.
      const value = work();
      of.set(machineId, { key, value });
      try {
        return await value;
      } catch (e) {
        if (of.get(machineId)?.value === value) of.delete(machineId);
        throw e;
      }
    }
  };
}
