import { adapterSchema } from '$lib/core/stores/form';
import { command } from '$lib/server/command';
import { addAdapter } from '$lib/server/stores';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, adapterSchema, (input, { sql, team, personId }) =>
    addAdapter(sql, team.id, personId, input)
  );
