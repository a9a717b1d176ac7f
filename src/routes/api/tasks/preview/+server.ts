import { z } from 'zod';
import { taskChangeSchema, taskSchema } from '$lib/core/schedule/form';
import { unkeepable } from '$lib/core/command/text';
import { readJson } from '$lib/server/base/body';
import { db, type Tx } from '$lib/server/base/db';
import { answerTo, refused } from '$lib/server/base/answer';
import { refuse } from '$lib/server/base/refusal';
import { rehearse } from '$lib/server/commands/carry-out';
import { senderOf } from '$lib/server/commands/sender-of';
import { previewOf } from '$lib/server/schedule/task-pages';
import type { RequestHandler } from './$types';

const schema = z.object({ add: taskSchema.optional(), change: taskChangeSchema.optional() });

/** Where the stakes would fall, while a task is being typed. Nothing is written. */
export const POST: RequestHandler = async (event) => {
  const asked = await readJson(event.request);
  const odd = unkeepable(asked);
  if (Object.keys(odd).length > 0) return refused(odd);
  return answerTo(schema, asked, async ({ add, change }) => {
    const from = senderOf(event);
    const now = new Date();
    const show = (id: string) => (tx: Tx) => previewOf(tx, from.team, id, now);
    if (add) return rehearse(db(), from, 'task.add', add, now, show(add.id));
    if (change) return rehearse(db(), from, 'task.change', change, now, show(change.taskId));
    refuse('', 'Neither a new task nor a change.');
  });
};
