import { db } from '$lib/server/base/db';
import { ownMachines } from '$lib/server/owner/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('app:board');
  const { team, person } = locals;
  return {
    machines: person ? await ownMachines(db(), team!, person.id, new Date()) : []
  };
};
