import { db } from '$lib/server/base/db';
import { stickersOf } from '$lib/server/machine/stickers';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  stickers: await stickersOf(db(), locals.team!.id)
});
