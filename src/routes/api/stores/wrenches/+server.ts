import { wrenchSchema } from '$lib/core/stores/form';
import { command } from '$lib/server/command';
import { addWrench } from '$lib/server/stores';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, wrenchSchema, (input, { sql, team, personId }) => addWrench(sql, team.id, personId, input));
