import { figureSchema } from '$lib/core/machine/form';
import { command } from '$lib/server/command';
import { addFigure } from '$lib/server/specs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, figureSchema, (input, { sql, team, personId }) => addFigure(sql, team.id, personId, input));
