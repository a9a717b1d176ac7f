import { readingSchema } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { logReading } from '$lib/server/readings';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, readingSchema, (input, { sql, team, personId, now }) =>
    logReading(sql, team, personId, input, now)
  );
