import { json } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { figureSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { db } from '$lib/server/db';
import { offeredFigures } from '$lib/server/spec-changes';
import { addFigure } from '$lib/server/specs';
import type { RequestHandler } from './$types';

/** Figures of one machine's sheet that another's may take over. */
export const GET: RequestHandler = async ({ locals, url }) => {
  const from = id.safeParse(url.searchParams.get('machine'));
  const to = id.safeParse(url.searchParams.get('for'));
  if (!locals.team || !from.success || !to.success) return json({ ok: true, data: [] });
  return json({ ok: true, data: await offeredFigures(db(), locals.team.id, from.data, to.data) });
};

export const POST: RequestHandler = (event) =>
  command(event, figureSchema, (input, { sql, team, personId }) => addFigure(sql, team.id, personId, input));
