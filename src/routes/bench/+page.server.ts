import { db } from '$lib/server/db';
import { listOpenVisits } from '$lib/server/bench-lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  visits: await listOpenVisits(db(), locals.team!.id)
});
