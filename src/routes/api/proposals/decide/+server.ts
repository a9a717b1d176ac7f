import { decideSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { decide } from '$lib/server/proposals';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, decideSchema, (input, { sql, team, personId }) => decide(sql, team.id, personId, input));
