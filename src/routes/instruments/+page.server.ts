import { db } from '$lib/server/base/db';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  plates: (await listMachines(db(), locals.team!.id)).map(({ plate, name }) => ({ plate, name }))
});
