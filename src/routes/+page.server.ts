import { db } from '$lib/server/db';
import { backupTrouble } from '$lib/server/backups';
import { trailPage } from '$lib/server/trail';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('app:trail');
  const now = new Date();
  return { trail: await trailPage(db(), locals.team!, now), backup: await backupTrouble(now) };
};
