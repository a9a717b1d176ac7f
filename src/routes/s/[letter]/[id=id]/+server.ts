import { error, redirect } from '@sveltejs/kit';
import { HOME, isCrew } from '$lib/core/access/places';
import { stickerKind } from '$lib/core/paper/labels';
import { db } from '$lib/server/base/db';
import { behindSticker } from '$lib/server/machine/stickers';
import type { RequestHandler } from './$types';

/** What a sticker’s code opens: at a machine, logging its hours. */
export const GET: RequestHandler = async ({ locals, params }) => {
  const kind = stickerKind(params.letter);
  const place = kind && locals.team ? await behindSticker(db(), locals.team.id, kind, params.id) : null;
  if (!place)
    error(
      404,
      'That sticker is of no machine, component or shelf of this team. Is this device working in the right team?'
    );
  if (!isCrew(locals.person?.role) && locals.person)
    redirect(303, kind === 'machine' ? `/own?log=${params.id}` : HOME[locals.person.role]);
  redirect(303, place);
};
