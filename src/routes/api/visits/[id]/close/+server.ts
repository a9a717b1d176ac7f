import { z } from 'zod';
import { command, idOf } from '$lib/server/command';
import { closeVisit } from '$lib/server/visit-close';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, z.object({}), (_, { sql, team, personId, now }) =>
    closeVisit(sql, team, personId, idOf(event), now)
  );
