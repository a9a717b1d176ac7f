import { fastenerChangeSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { changeFastener } from '$lib/server/specs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, fastenerChangeSchema, (input, { sql, team }) => changeFastener(sql, team.id, input));
