import { aboutServer } from '$lib/server/backup/about';
import { db } from '$lib/server/base/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  about: await aboutServer(db(), locals.team!.id)
});
