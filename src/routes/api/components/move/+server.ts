import { moveSchema } from '$lib/core/component/form';
import { command } from '$lib/server/command';
import { moveComponent } from '$lib/server/components';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, moveSchema, (input, { sql, team, personId, now }) =>
    moveComponent(sql, team, personId, input, now)
  );
