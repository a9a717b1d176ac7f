import { sessionStands } from '../../core/access/waits';
import type { Role } from '../../core/team/team';
import type { Db } from '../base/db';

/** What somebody came in by: a session of a person, or a key of a program. */
export interface Entry {
  by: 'session' | 'token';
  id: string;
}

/**
 * What sessions and keys open now, by their ids: the role of whoever came in by them. What is over opens nothing and is not in it.
 */
export async function rolesInForce(
  sql: Db,
  entries: readonly (Entry & { teamId: string })[],
  now: Date
): Promise<Map<string, Role>> {
  const of = (by: Entry['by']) => {
    const list = entries.filter((e) => e.by === by);
    return { teams: list.map((e) => e.teamId), ids: list.map((e) => e.id) };
  };
  const [sessions, tokens] = [of('session'), of('token')];
  const rows = await sql`
    select s.id, p.role, s.device_id is not null as trusted, s.begun_at as "begunAt", s.seen_at as "seenAt", s.renewed_at as "renewedAt"
    from unnest(${sessions.teams}::uuid[], ${sessions.ids}::uuid[]) as a (team_id, id)
    join session s using (team_id, id) join person p on p.team_id = s.team_id and p.id = s.person_id
    left join device d on d.team_id = s.team_id and d.id = s.device_id
    where s.ended_at is null and p.left_at is null and d.ended_at is null
    union all
    select k.id, p.role, null, null, null, null from unnest(${tokens.teams}::uuid[], ${tokens.ids}::uuid[]) as a (team_id, id)
    join api_token k using (team_id, id) join person p on p.team_id = k.team_id and p.id = k.person_id
    where k.withdrawn_at is null and p.left_at is null`;
  return new Map(
    rows.flatMap(({ id, role, trusted, begunAt, seenAt, renewedAt }) => {
      const over =
        trusted !== null &&
        sessionStands(
          {
            trusted,
            begunAt: begunAt.getTime(),
            seenAt: seenAt.getTime(),
            renewedAt: renewedAt.getTime(),
            nextAt: null
          },
          now.getTime()
        ) === 'over';
      return over ? [] : [[id as string, role as Role] as const];
    })
  );
}
