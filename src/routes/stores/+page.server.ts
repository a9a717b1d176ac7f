import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listFilters } from '$lib/server/round/filters';
import { listBlades, readToolbox } from '$lib/server/stores/stores';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const sql = db();
  const team = locals.team!;
  const [tools, blades, filters, machines] = await Promise.all([
    readToolbox(sql, team.id),
    listBlades(sql, team.id),
    listFilters(sql, team.id),
    sql`select id, plate, name from machine where team_id = ${team.id} and kind <> 'electric' order by plate`
  ]);
  return {
    tools,
    blades,
    filters,
    machines: machines as unknown as { id: string; plate: string; name: string }[],
    today: dayOf(new Date(), team.timeZone)
  };
};
