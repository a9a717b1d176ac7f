import { proposeSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { proposeFrom } from '$lib/server/proposals';
import type { RequestHandler } from './$types';

/** A shorter interval proposed by hand, with what was seen. */
export const POST: RequestHandler = (event) =>
  command(event, proposeSchema, (input, { sql, team, personId }) =>
    proposeFrom(sql, team.id, personId, input.taskId, null, input.reason)
  );
