import { eventSchema } from '$lib/core/machine/form';
import { command } from '$lib/server/command';
import { addEvent } from '$lib/server/events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, eventSchema, (input, { sql, team, personId }) => addEvent(sql, team.id, personId, input));
