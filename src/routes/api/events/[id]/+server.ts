import { z } from 'zod';
import { id } from '$lib/core/forms';
import { command } from '$lib/server/command';
import { callOff } from '$lib/server/events';
import { refuse } from '$lib/server/refusal';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, z.object({ off: z.boolean() }), ({ off }, { sql, team }) => {
    const parsed = id.safeParse(event.params.id);
    if (!parsed.success) refuse('', 'No such outing.');
    return callOff(sql, team.id, parsed.data!, off);
  });
