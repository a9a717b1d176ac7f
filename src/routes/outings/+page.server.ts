import { day as daySchema, id as idSchema } from '$lib/core/forms';
import { dayOf, type Day } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listEvents, listOutings } from '$lib/server/outing/events';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const today = dayOf(new Date(), team.timeZone);
  const [day, id] = (url.searchParams.get('before') ?? '').split('_');
  const before =
    day && id && daySchema.safeParse(day).success && idSchema.safeParse(id).success ? { day, id } : null;
  const [ahead, outings, machines, planned, lately, ridden] = await Promise.all([
    listEvents(sql, team.id, today, 'ahead'),
    listOutings(sql, team.id, before),
    listMachines(sql, team.id),
    // What a calendar file brings again is known by its id, called off or not.
    sql`select id from event where team_id = ${team.id} and last_day >= ${today} order by first_day limit 2000`,
    // Who rode what last: a track is most likely of that.
    sql`
      select rider_id as "riderId", machine_id as "machineId" from (
        select distinct on (rider_id) rider_id, machine_id, day from outing where team_id = ${team.id} and day > ${today}::date - 400 order by rider_id, day desc, id desc
      ) o order by day desc`,
    // A ride that somebody wrote down already is not to be counted again by its track.
    sql`select distinct machine_id as "machineId", day from outing where team_id = ${team.id} and day > ${today}::date - 90`
  ]);
  const last = outings.at(-1);
  return {
    ahead,
    outings,
    machines,
    lately: lately as unknown as { riderId: string | null; machineId: string }[],
    ridden: ridden as unknown as { machineId: string; day: Day }[],
    plannedIds: planned.map((e) => e.id as string),
    older: outings.length === 40 && last ? `${last.day}_${last.id}` : null
  };
};
