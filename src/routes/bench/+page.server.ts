import { db } from '$lib/server/base/db';
import { listOpenVisits, listTimers } from '$lib/server/visit/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  visits: await listOpenVisits(db(), locals.team!.id),
  timers: await listTimers(db(), locals.team!.id)
});
