import { error } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { getRecord } from '$lib/server/records';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const record = /^[0-9a-f-]{36}$/.test(params.id) ? await getRecord(db(), locals.team!.id, params.id) : null;
  if (!record) error(404, 'No such record in this team.');
  return { record };
};
