import { error } from '@sveltejs/kit';
import { db } from '$lib/server/base/db';
import { readPhoto } from '$lib/server/photo/photos';
import type { RequestHandler } from './$types';

/** A photo's pixels. It never changes, and it is never anything but a JPEG of our own making. */
export const GET: RequestHandler = async ({ locals, params, url }) => {
  const bytes = locals.team
    ? await readPhoto(db(), locals.team.id, params.id, url.searchParams.has('small'))
    : null;
  if (!bytes) error(404, 'No such photo in this team.');
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'image/jpeg',
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; sandbox"
    }
  });
};
