import { db } from '$lib/server/base/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
  await db()`select 1`;
  return { answers: true };
};
