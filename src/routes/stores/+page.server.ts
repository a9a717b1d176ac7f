import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { listBlades, readToolbox } from '$lib/server/stores';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  tools: await readToolbox(db(), locals.team!.id),
  blades: await listBlades(db(), locals.team!.id),
  today: dayOf(new Date(), locals.team!.timeZone)
});
