import { z } from 'zod';
import { id } from '$lib/core/forms';
import { command } from '$lib/server/command';
import { startVisit } from '$lib/server/visits';
import type { RequestHandler } from './$types';

const schema = z.object({ id, taskId: id });

export const POST: RequestHandler = (event) =>
  command(event, schema, (input, { sql, team, personId, now }) =>
    startVisit(sql, team, personId, input, now)
  );
