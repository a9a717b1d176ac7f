import { meterChangeSchema } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { changeMeter } from '$lib/server/meters';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, meterChangeSchema, (input, { sql, team, personId, now }) =>
    changeMeter(sql, team, personId, input, now)
  );
