import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { listDrawer, listMovements } from '$lib/server/shim-drawer';
import { likelyNeeds } from '$lib/server/shim-needs';
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
