import { z } from 'zod';
import { taskChangeSchema, taskSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { refuse } from '$lib/server/refusal';
import { previewTask } from '$lib/server/task-pages';
import type { RequestHandler } from './$types';

const schema = z.object({ add: taskSchema.optional(), change: taskChangeSchema.optional() });

/** Where the stakes would fall, while a task is being typed. Nothing is written. */
export const POST: RequestHandler = (event) =>
  command(event, schema, ({ add, change }, { sql, team, personId, now }) => {
    if (add) return previewTask(sql, team, personId, { add }, now);
    if (change) return previewTask(sql, team, personId, { change }, now);
    refuse('', 'Neither a new task nor a change.');
  });
