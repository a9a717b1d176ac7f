import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listDrawer, listMovements } from '$lib/server/valve/drawer';
import { likelyNeeds } from '$lib/server/valve/needs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const team = locals.team!;
  const now = new Date();
  const [drawer, movements, needs] = await Promise.all([
    listDrawer(db(), team.id),
    listMovements(db(), team.id),
    likelyNeeds(db(), team, now)
  ]);
  return { drawer, movements, needs, today: dayOf(now, team.timeZone), timeZone: team.timeZone };
};
