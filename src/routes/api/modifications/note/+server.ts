import { modificationNoteSchema } from '$lib/core/specs/form';
import { command } from '$lib/server/command';
import { noteModification } from '$lib/server/spec-changes';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, modificationNoteSchema, (input, { sql, team, personId }) =>
    noteModification(sql, team.id, personId, input)
  );
