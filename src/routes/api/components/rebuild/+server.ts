import { rebuildSchema } from '$lib/core/component/form';
import { command } from '$lib/server/command';
import { rebuild } from '$lib/server/components';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, rebuildSchema, (input, { sql, team, personId, now }) =>
    rebuild(sql, team, personId, input, now)
  );
