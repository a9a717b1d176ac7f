import { reminderSchema } from '$lib/core/schedule/form';
import { command } from '$lib/server/command';
import { addReminder } from '$lib/server/calls';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, reminderSchema, (input, { sql, team, personId }) =>
    addReminder(sql, team.id, personId, input)
  );
