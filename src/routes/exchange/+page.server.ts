import { listFeeds } from '$lib/server/calendar/feeds';
import { db } from '$lib/server/base/db';
import { LIST_KEYS, LISTS } from '$lib/server/exchange/lists';
import { dayOf } from '$lib/core/time/day';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const sql = db();
  const team = locals.team!;
  const [feeds, machines] = await Promise.all([listFeeds(sql, team.id), listMachines(sql, team.id)]);
  return {
    today: dayOf(new Date(), team.timeZone),
    lists: LIST_KEYS.map((key) => ({ key, title: LISTS[key].title, about: LISTS[key].about })),
    feeds,
    machines: machines.map(({ id, plate, name }) => ({ id, plate, name }))
  };
};
