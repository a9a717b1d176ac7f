import { teamCopySchema } from '$lib/core/exchange/team/form';
import { mayFound } from '$lib/server/founding/form';
import { toDisk } from '$lib/server/base/body';
import { MOST_FILE } from '$lib/server/exchange/team/limits';
import { takeInByWorker } from '$lib/server/exchange/team/take';
import { answerTo, refused } from '$lib/server/base/answer';
import type { RequestHandler } from './$types';

/** One after the other: each is written to the disk and read whole. */
let busy = false;

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
  if (busy)
    return refused(
      { file: 'Another team’s file is being read. Send yours again in a minute.' },
      { retry: true },
      503
    );
  busy = true;
  try {
    return await answerTo(teamCopySchema, Object.fromEntries(url.searchParams), ({ copy, name }) =>
      toDisk(request, MOST_FILE, 'At most 1 GB.', (path) =>
        takeInByWorker(path, copy === undefined ? null : { id: copy, name: name! })
      )
    );
  } finally {
    busy = false;
  }
};
