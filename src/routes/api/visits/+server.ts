import { startSchema } from '$lib/core/visit/form';
import { command } from '$lib/server/command';
import { startVisit } from '$lib/server/visit-start';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, startSchema, (input, { sql, team, personId, now }) =>
    startVisit(sql, team, personId, input, now)
  );
