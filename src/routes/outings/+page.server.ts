import { day as daySchema, id as idSchema } from '$lib/core/forms';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { listEvents, listOutings } from '$lib/server/events';
import { listMachines } from '$lib/server/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const today = dayOf(new Date(), team.timeZone);
  const [day, id] = (url.searchParams.get('before') ?? '').split('_');
  const before =
    day && id && daySchema.safeParse(day).success && idSchema.safeParse(id).success ? { day, id } : null;
  const [ahead, outings, machines, planned] = await Promise.all([
    listEvents(sql, team.id, today, 'ahead'),
    listOutings(sql, team.id, before),
    listMachines(sql, team.id),
    // What a calendar file brings again is known by its id, called off or not.
    sql`select id from event where team_id = ${team.id} and last_day >= ${today} order by first_day limit 2000`
  ]);
  const last = outings.at(-1);
  return {
    ahead,
    outings,
    machines,
    plannedIds: planned.map((e) => e.id as string),
    older: outings.length === 40 && last ? `${last.day}_${last.id}` : null
  };
};
