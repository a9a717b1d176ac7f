import { odometerSchema } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { logDistance } from '$lib/server/meters';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, odometerSchema, (input, { sql, team, personId, now }) =>
    logDistance(sql, team, personId, input, now)
  );
