import { z } from 'zod';
import { taskChangeSchema, taskSchema } from '$lib/core/schedule/form';
import { unkeepable } from '$lib/core/command/text';
import { readJson } from '$lib/server/base/body';
import { db } from '$lib/server/base/db';
import { answerTo, refused } from '$lib/server/base/answer';
import { refuse } from '$lib/server/base/refusal';
import { senderOf } from '$lib/server/commands/sender-of';
import { previewTask } from '$lib/server/schedule/task-pages';
import type { RequestHandler } from './$types';

const schema = z.object({ add: taskSchema.optional(), change: taskChangeSchema.optional() });

/** Where the stakes would fall, while a task is being typed. Nothing is written. */
export const POST: RequestHandler = async (event) => {
  const asked = await readJson(event.request);
  const odd = unkeepable(asked);
  if (Object.keys(odd).length > 0) return refused(odd);
  return answerTo(schema, asked, async ({ add, change }) => {
    const { team, person } = senderOf(event);
    const now = new Date();
    const who = { team, personId: person.id, role: person.role, now, at: now };
    if (add) return previewTask(db(), who, { add });
    if (change) return previewTask(db(), who, { change });
    refuse('', 'Neither a new task nor a change.');
  });
};
