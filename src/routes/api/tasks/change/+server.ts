import { taskChangeSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { changeTask } from '$lib/server/tasks';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, taskChangeSchema, (input, { sql, team, personId }) =>
    changeTask(sql, team, personId, input)
  );
