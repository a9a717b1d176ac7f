import { z } from 'zod';
import { remark } from '$lib/core/forms';
import { templateSchema } from '$lib/core/visit/template/template';
import { command } from '$lib/server/command';
import { refuse } from '$lib/server/refusal';
import { saveTemplate } from '$lib/server/templates';
import type { RequestHandler } from './$types';

const schema = z.object({
  key: z.string().max(40),
  /** The version it was changed from; 0: a new job. */
  from: z.number().int().min(0),
  content: templateSchema.nullable(),
  word: remark
});

export const POST: RequestHandler = (event) =>
  command(event, schema, (input, { sql, team, personId }) => {
    if (input.content && input.content.key !== input.key) refuse('content.key', 'A job keeps its key.');
    return saveTemplate(sql, team.id, personId, input);
  });
