import { doneSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { recordDone } from '$lib/server/tasks';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, doneSchema, (input, { sql, team, personId, now }) =>
    recordDone(sql, team, personId, input, now)
  );
