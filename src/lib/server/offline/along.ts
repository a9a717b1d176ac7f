import { MOST_MACHINES, takenAlong, type Along } from '../../core/offline/along';
import { isCrew } from '../../core/access/places';
import type { Role, Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import type { Db } from '../base/db';
import { readTemplates } from '../job/templates';

/** What somebody takes along for when there is no signal: what is at the bench, and the machines that go out next. */
export async function along(sql: Db, team: Team, role: Role, now: Date): Promise<Along[]> {
  if (!isCrew(role)) return takenAlong(role, [], [], []);
  const [machines, visits, jobs] = await Promise.all([
    sql`
      select m.id from machine m
      left join lateral (
        select min(e.first_day) as day from event e
        where e.team_id = m.team_id and e.last_day >= ${dayOf(now, team.timeZone)} and e.called_off_at is null
          and (e.whole_fleet or exists (select 1 from event_machine em where em.team_id = e.team_id and em.event_id = e.id and em.machine_id = m.id))
      ) e on true
      where m.team_id = ${team.id}
      order by exists (select 1 from visit v where v.team_id = m.team_id and v.machine_id = m.id and v.closed_at is null and v.given_up_at is null) desc,
        e.day nulls last, length(m.plate), m.plate
      limit ${MOST_MACHINES}`,
    sql`select id from visit where team_id = ${team.id} and closed_at is null and given_up_at is null order by started_at desc limit 100`,
    readTemplates(sql, team.id)
  ]);
  return takenAlong(
    role,
    machines.map((m) => m.id as string),
    visits.map((v) => v.id as string),
    jobs.map((j) => j.key)
  );
}
