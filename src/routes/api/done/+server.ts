import { doneSchema } from '$lib/core/machine/form';
import { command } from '$lib/server/command';
import { recordDone } from '$lib/server/machines';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, doneSchema, (input, { sql, team, personId, now }) =>
    recordDone(sql, team, personId, input, now)
  );
