import { backToBookSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { backToBook } from '$lib/server/proposals';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, backToBookSchema, (input, { sql, team, personId }) =>
    backToBook(sql, team.id, personId, input)
  );
