import { db } from '$lib/server/db';
import { listMachines } from '$lib/server/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  plates: (await listMachines(db(), locals.team!.id)).map(({ plate, name }) => ({ plate, name }))
});
