import type { Centihours } from '../../core/hours/hours';
import type { Readiness } from '../../core/readiness/readiness';
import type { Team } from '../../core/team/team';
import { readinessOf } from '../readiness/board';
import type { Sql } from '../base/db';
import { listRecords, type ListedRecord } from '../record/records';

export interface OwnMachine {
  id: string;
  plate: string;
  name: string;
  maker: string;
  /** Null: not known. */
  total: Centihours | null;
  rides: boolean;
  owns: boolean;
  readiness: Readiness | null;
  /** To its owner: what was done lately. */
  records: ListedRecord[];
}

/** The machines that somebody rides or owns, with whether they may ride, and to their owner what was done to them. */
export async function ownMachines(sql: Sql, team: Team, personId: string, now: Date): Promise<OwnMachine[]> {
  const rows = await sql`
      select m.id, m.plate, m.name, m.maker, s.total, coalesce(m.rider_id = ${personId}, false) as rides, coalesce(m.owner_id = ${personId}, false) as owns
      from machine m left join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
      where m.team_id = ${team.id} and ${personId} in (m.rider_id, m.owner_id) order by length(m.plate), m.plate limit 50`;
  return Promise.all(
    rows.map(
      async (m) =>
        ({
          ...m,
          readiness: (await readinessOf(sql, team, m.id, now))?.readiness ?? null,
          records: m.owns ? await listRecords(sql, team.id, m.id, null, 12) : []
        }) as unknown as OwnMachine
    )
  );
}
