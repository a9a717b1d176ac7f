import { z } from 'zod';
import { id } from '$lib/core/forms';
import { readBytes } from '$lib/server/base/body';
import { db } from '$lib/server/base/db';
import { uploadPhoto } from '$lib/server/photo/photos';
import { MOST_BYTES } from '$lib/server/photo/picture';
import { answerTo, refused } from '$lib/server/base/answer';
import { senderOf } from '$lib/server/commands/sender-of';
import type { RequestHandler } from './$types';

const TOO_MUCH = 'At most 15 MB: take it with less resolution.';

/** A photo's bytes as they are. A command then says where it belongs. */
export const POST: RequestHandler = async (event) => {
  // Not a type that another site's form could send without asking first.
  if (!event.request.headers.get('content-type')?.startsWith('image/'))
    return refused({ photo: 'Not a photo: JPEG, PNG or WebP.' }, {}, 415);
  const asked = Object.fromEntries(event.url.searchParams);
  return answerTo(z.object({ id }), asked, async (photo) => {
    const { team, person } = senderOf(event);
    await uploadPhoto(db(), team.id, person.id, photo.id, () =>
      readBytes(event.request, MOST_BYTES, TOO_MUCH)
    );
  });
};
