import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { id } from '$lib/core/forms';
import { commandWith } from '$lib/server/command';
import { addPhoto, MOST_BYTES } from '$lib/server/photos';
import { refuse } from '$lib/server/refusal';
import type { RequestHandler } from './$types';

const schema = z.object({ id, visitId: id, stepKey: z.string().min(1).max(160) });

/** A photo: its bytes as they are, and where it belongs in the address. */
export const POST: RequestHandler = async (event) => {
  // Not a type that another site's form could send without asking first.
  if (!event.request.headers.get('content-type')?.startsWith('image/'))
    return json(
      { ok: false, errors: { photo: 'Not a photo: JPEG, PNG or WebP.' }, more: {} },
      { status: 415 }
    );
  const asked = schema.safeParse(Object.fromEntries(event.url.searchParams));
  if (!asked.success)
    return json({ ok: false, errors: { photo: 'It belongs to no step.' }, more: {} }, { status: 422 });
  return commandWith(event, async ({ sql, team, personId }) => {
    if (Number(event.request.headers.get('content-length') ?? 0) > MOST_BYTES)
      refuse('photo', 'At most 15 MB: take it with less resolution.');
    await addPhoto(sql, team.id, personId, asked.data, new Uint8Array(await event.request.arrayBuffer()));
  });
};
