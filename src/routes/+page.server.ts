import { db } from '$lib/server/base/db';
import { backupTrouble } from '$lib/server/backup/status';
import { trailPage } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('app:trail');
  const now = new Date();
  return { trail: await trailPage(db(), locals.team!, now), backup: await backupTrouble(now) };
};
