import { oilSchema } from '$lib/core/stores/form';
import { command } from '$lib/server/command';
import { addOil } from '$lib/server/stores';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, oilSchema, (input, { sql, team, personId }) => addOil(sql, team.id, personId, input));
