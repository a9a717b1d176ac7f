import { callSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { addCall } from '$lib/server/calls';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, callSchema, (input, { sql, team, personId, now }) =>
    addCall(sql, team, personId, input, now)
  );
