import { json } from '@sveltejs/kit';
import { db } from '$lib/server/base/db';
import { listTimers } from '$lib/server/visit/lists';
import type { RequestHandler } from './$types';

/** Timers of every machine at the bench. */
export const GET: RequestHandler = async ({ locals }) =>
  json({ ok: true, data: locals.team ? await listTimers(db(), locals.team.id) : [] });
