import { dropCallSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { dropCall } from '$lib/server/calls';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, dropCallSchema, (input, { sql, team, personId }) =>
    dropCall(sql, team.id, personId, input.callId, input.word)
  );
