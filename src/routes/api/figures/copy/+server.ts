import { copySheetSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { copySheet } from '$lib/server/spec-changes';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, copySheetSchema, (input, { sql, team, personId }) =>
    copySheet(sql, team.id, personId, input)
  );
