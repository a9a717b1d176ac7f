import { json } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { entrySchema } from '$lib/core/visit/entry';
import { command, idOf } from '$lib/server/command';
import { db } from '$lib/server/db';
import { listPhotos } from '$lib/server/photos';
import { addEntry, getVisit } from '$lib/server/visits';
import type { RequestHandler } from './$types';

/** What other devices wrote: asked for while a visit is on screen. */
export const GET: RequestHandler = async ({ locals, params }) => {
  const visit =
    locals.team && id.safeParse(params.id).success ? await getVisit(db(), locals.team.id, params.id) : null;
  return visit
    ? json({
        ok: true,
        data: {
          entries: visit.entries,
          recordId: visit.recordIds[0] ?? null,
          photos: await listPhotos(db(), locals.team!.id, visit.id)
        }
      })
    : json({ ok: false, errors: { '': 'No such visit.' } }, { status: 404 });
};

export const POST: RequestHandler = (event) =>
  command(event, entrySchema, (entry, { sql, team, personId }) =>
    addEntry(sql, team.id, personId, idOf(event), entry)
  );
