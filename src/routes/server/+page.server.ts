import { aboutServer } from '$lib/server/about';
import { db } from '$lib/server/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  about: await aboutServer(db(), locals.team!.id)
});
