import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { id } from '$lib/core/forms';
import { readBody } from '$lib/server/command';
import { db } from '$lib/server/db';
import { lanesOf } from '$lib/server/trail';
import type { RequestHandler } from './$types';

const schema = z.object({ ids: z.array(id).max(200) });

export const POST: RequestHandler = async (event) => {
  const body = await readBody(event, schema);
  if (body instanceof Response) return body;
  return json({
    ok: true,
    data: event.locals.team ? await lanesOf(db(), event.locals.team, body.data.ids, new Date()) : []
  });
};
