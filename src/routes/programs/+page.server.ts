import { listTokens } from '$lib/server/api/tokens';
import { db } from '$lib/server/base/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  tokens: await listTokens(db(), locals.team!.id)
});
