import { taskSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { addTask } from '$lib/server/tasks';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, taskSchema, (input, { sql, team, personId, now }) =>
    addTask(sql, team, personId, input, now)
  );
