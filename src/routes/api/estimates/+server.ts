import { z } from 'zod';
import { id } from '$lib/core/forms';
import { command } from '$lib/server/command';
import { estimateOuting } from '$lib/server/estimates';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, z.object({ outingId: id }), (input, { sql, team, personId }) =>
    estimateOuting(sql, team.id, personId, input.outingId)
  );
