import { stockSchema } from '$lib/core/stores/form';
import { command } from '$lib/server/command';
import { noteStock } from '$lib/server/stores';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, stockSchema, (input, { sql, team, personId }) => noteStock(sql, team.id, personId, input));
