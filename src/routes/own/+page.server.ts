import { db } from '$lib/server/db';
import { ownMachines } from '$lib/server/own-page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('app:board');
  const { team, person } = locals;
  return {
    machines: person ? await ownMachines(db(), team!, person.id, new Date()) : []
  };
};
