import { json } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { listMachines } from '$lib/server/machines';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals, url }) => {
  const words = (url.searchParams.get('q') ?? '').replaceAll('\0', '').slice(0, 80);
  return json({ ok: true, data: locals.team ? await listMachines(db(), locals.team.id, words) : [] });
};
