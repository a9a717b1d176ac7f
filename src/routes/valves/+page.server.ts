import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { engineWear } from '$lib/server/valve/fleet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  engines: await engineWear(db(), locals.team!),
  today: dayOf(new Date(), locals.team!.timeZone)
});
