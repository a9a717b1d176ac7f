import { teamCopySchema } from '$lib/core/exchange/team/form';
import { TeamFileError } from '$lib/core/exchange/team/file';
import { mayFound } from '$lib/server/access/found';
import { toDisk } from '$lib/server/body';
import { db } from '$lib/server/db';
import { MOST_FILE, takeTeamIn } from '$lib/server/exchange/team/in';
import { answerTo, refused } from '$lib/server/reads';
import { refuse } from '$lib/server/refusal';
import type { RequestHandler } from './$types';

/** A team's file, as it is: it becomes a team of its own. */
export const POST: RequestHandler = async (event) => {
  const { request, url } = event;
  if (!(await mayFound(event)))
    return refused(
      {
        file: 'A team is brought in on the machine that the server runs on, or by a chief mechanic of a team here.'
      },
      {},
      403
    );
  // Not a type that another site's form could send without asking first.
  if (request.headers.get('content-type') !== 'application/zip')
    return refused({ file: 'Send a team’s file, a zip.' }, {}, 415);
  return answerTo(teamCopySchema, Object.fromEntries(url.searchParams), ({ copy, name }) =>
    toDisk(request, MOST_FILE, 'At most 1 GB.', (path) =>
      takeTeamIn(db(), path, copy === undefined ? null : { id: copy, name: name! }).catch((e: unknown) => {
        if (e instanceof TeamFileError) refuse('file', e.words);
        throw e;
      })
    )
  );
};
