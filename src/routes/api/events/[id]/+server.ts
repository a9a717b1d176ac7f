import { z } from 'zod';
import { command, idOf } from '$lib/server/command';
import { callOff } from '$lib/server/events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, z.object({ off: z.boolean() }), ({ off }, { sql, team }) =>
    callOff(sql, team.id, idOf(event), off)
  );
