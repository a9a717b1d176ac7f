import { listComponents } from '$lib/server/component/pages';
import { db } from '$lib/server/base/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  components: await listComponents(db(), locals.team!.id)
});
