import { json } from '@sveltejs/kit';
import { errorsByField } from '$lib/core/forms';
import { readJson } from '$lib/server/base/body';
import { db } from '$lib/server/base/db';
import { importSchema, MOST_BYTES, planFile } from '$lib/server/exchange/import';
import type { RequestHandler } from './$types';

/** What taking a file of a list would do, row by row. Nothing is written: what is taken of it is sent as commands. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const parsed = importSchema.safeParse(await readJson(request, MOST_BYTES));
  if (!parsed.success)
    return json({ ok: false, errors: errorsByField(parsed.error), more: {} }, { status: 422 });
  if (!locals.team)
    return json({ ok: false, errors: { '': 'There is no team yet.' }, more: {} }, { status: 422 });
  return json({ ok: true, data: await planFile(db(), locals.team, parsed.data, new Date()) });
};
