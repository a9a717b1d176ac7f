import { retireSchema } from '$lib/core/stores/form';
import { command } from '$lib/server/command';
import { retire } from '$lib/server/stores';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, retireSchema, (input, { sql, team }) => retire(sql, team.id, input));
