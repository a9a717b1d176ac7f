import { db } from '$lib/server/db';
import { stickersOf } from '$lib/server/stickers';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  stickers: await stickersOf(db(), locals.team!.id)
});
