import { KINDS } from '$lib/core/machine/machine';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listCheckChanges, readTeamChecks } from '$lib/server/round/checks';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const [checks, changes, kinds] = await Promise.all([
    readTeamChecks(sql, team.id),
    listCheckChanges(sql, team.id),
    sql`select kind, count(*)::int as n from machine where team_id = ${team.id} group by kind order by n desc, kind`
  ]);
  const mine = kinds.map((k) => k.kind as (typeof KINDS)[number]);
  return {
    checks,
    changes: changes.map((c) => ({ ...c, day: dayOf(c.at, team.timeZone) })),
    today: dayOf(new Date(), team.timeZone),
    /** Those the team has first: nobody looks for his own among all there are. */
    kinds: [...mine, ...KINDS.filter((k) => !mine.includes(k))],
    kind: KINDS.find((k) => k === url.searchParams.get('kind')) ?? mine[0] ?? KINDS[0],
    list: url.searchParams.get('list') === 'washed' ? ('washed' as const) : ('ready' as const)
  };
};
