import { db } from '$lib/server/db';
import { trailPage } from '$lib/server/trail';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('app:trail');
  return { trail: await trailPage(db(), locals.team!, new Date()) };
};
