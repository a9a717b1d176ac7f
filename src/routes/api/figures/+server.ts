import { json } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { db } from '$lib/server/db';
import { offeredFigures } from '$lib/server/spec-changes';
import type { RequestHandler } from './$types';

/** Figures of one machine's sheet that another's may take over. */
export const GET: RequestHandler = async ({ locals, url }) => {
  const from = id.safeParse(url.searchParams.get('machine'));
  const to = id.safeParse(url.searchParams.get('for'));
  if (!locals.team || !from.success || !to.success) return json({ ok: true, data: [] });
  return json({ ok: true, data: await offeredFigures(db(), locals.team.id, from.data, to.data) });
};
