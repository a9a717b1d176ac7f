import { error } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { getVisit } from '$lib/server/visits';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const visit = /^[0-9a-f-]{36}$/.test(params.id) ? await getVisit(db(), locals.team!.id, params.id) : null;
  if (!visit) error(404, 'No such visit in this team.');
  return { visit };
};
