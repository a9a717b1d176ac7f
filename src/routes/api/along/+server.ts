import { json } from '@sveltejs/kit';
import { along } from '$lib/server/offline/along';
import { db } from '$lib/server/base/db';
import type { RequestHandler } from './$types';

/** The pages that whoever asks takes along on their device. */
export const GET: RequestHandler = async ({ locals: { team, person } }) =>
  // In the demo nobody has to say who they are to look around.
  json({ ok: true, data: team ? await along(db(), team, person?.role ?? 'mechanic', new Date()) : [] });
