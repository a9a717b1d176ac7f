import { swapSchema } from '$lib/core/component/form';
import { command } from '$lib/server/command';
import { swapComponents } from '$lib/server/components';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, swapSchema, (input, { sql, team, personId, now }) =>
    swapComponents(sql, team, personId, input, now)
  );
