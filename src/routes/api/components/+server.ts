import { componentSchema } from '$lib/core/component/form';
import { command } from '$lib/server/command';
import { addComponent } from '$lib/server/components';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, componentSchema, (input, { sql, team, personId, now }) =>
    addComponent(sql, team, personId, input, now)
  );
