import { retireSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { retireTask } from '$lib/server/tasks';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, retireSchema, (input, { sql, team, personId }) =>
    retireTask(sql, team, personId, input.taskId, input.word)
  );
