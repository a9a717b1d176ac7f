import { z } from 'zod';
import { command, idOf } from '$lib/server/command';
import { giveUpVisit } from '$lib/server/visits';
import type { RequestHandler } from './$types';

const schema = z.object({
  reason: z.string().trim().min(1, 'Say why, in a few words.').max(10_000, 'At most 10,000 characters.')
});

export const POST: RequestHandler = (event) =>
  command(event, schema, ({ reason }, { sql, team }) => giveUpVisit(sql, team.id, idOf(event), reason));
