import { json } from '@sveltejs/kit';
import { db } from '$lib/server/base/db';
import { listPhotos } from '$lib/server/photo/photos';
import { refused } from '$lib/server/base/answer';
import { readEntries, recordsOf } from '$lib/server/visit/visits';
import type { RequestHandler } from './$types';

/** What was written in a visit after a number: asked for while the visit is on screen. */
export const GET: RequestHandler = async ({ locals, params, url }) => {
  const sql = db();
  const records = locals.team ? await recordsOf(sql, locals.team.id, params.id) : null;
  if (!records) return refused({ '': 'No such visit in this team.' }, {}, 404);
  const after = Math.min(
    Number.MAX_SAFE_INTEGER,
    Math.max(0, Number.parseInt(url.searchParams.get('after') ?? '') || 0)
  );
  return json({
    ok: true,
    data: {
      entries: await readEntries(sql, locals.team!.id, params.id, after),
      recordId: records[0] ?? null,
      photos: await listPhotos(sql, locals.team!.id, params.id)
    }
  });
};
