import { z } from 'zod';
import { taskChangeSchema, taskSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { previewTask } from '$lib/server/task-pages';
import type { RequestHandler } from './$types';

const schema = z.union([z.object({ add: taskSchema }), z.object({ change: taskChangeSchema })]);

/** Where the stakes would fall, while a task is being typed. Nothing is written. */
export const POST: RequestHandler = (event) =>
  command(event, schema, (input, { sql, team, personId, now }) =>
    previewTask(sql, team, personId, input, now)
  );
