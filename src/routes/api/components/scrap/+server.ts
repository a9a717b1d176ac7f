import { scrapSchema } from '$lib/core/component/form';
import { command } from '$lib/server/command';
import { scrap } from '$lib/server/components';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, scrapSchema, (input, { sql, team, personId, now }) =>
    scrap(sql, team.id, personId, input.componentId, input.reason, now)
  );
