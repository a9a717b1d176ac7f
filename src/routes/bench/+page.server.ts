import { db } from '$lib/server/db';
import { listOpenVisits, listTimers } from '$lib/server/bench-lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  visits: await listOpenVisits(db(), locals.team!.id),
  timers: await listTimers(db(), locals.team!.id)
});
