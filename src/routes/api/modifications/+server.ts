import { modificationSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { addModification } from '$lib/server/spec-changes';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, modificationSchema, (input, { sql, team, personId, now }) =>
    addModification(sql, team, personId, input, now)
  );
