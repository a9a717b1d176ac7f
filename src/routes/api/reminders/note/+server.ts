import { reminderNoteSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { noteReminder } from '$lib/server/calls';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, reminderNoteSchema, (input, { sql, team, personId }) =>
    noteReminder(sql, team.id, personId, input)
  );
