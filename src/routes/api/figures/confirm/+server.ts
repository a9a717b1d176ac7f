import { confirmSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { confirmFigure } from '$lib/server/spec-changes';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, confirmSchema, (input, { sql, team, personId }) =>
    confirmFigure(sql, team.id, personId, input)
  );
