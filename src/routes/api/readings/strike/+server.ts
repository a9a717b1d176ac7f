import { strikeSchema } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { strikeReading } from '$lib/server/meters';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, strikeSchema, (input, { sql, team, personId }) =>
    strikeReading(sql, team.id, personId, input)
  );
