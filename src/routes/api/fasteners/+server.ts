import { fastenerSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { addFastener } from '$lib/server/specs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, fastenerSchema, (input, { sql, team, personId }) =>
    addFastener(sql, team.id, personId, input)
  );
