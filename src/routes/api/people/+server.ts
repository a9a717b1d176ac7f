import { personSchema } from '$lib/core/machine/form';
import { command } from '$lib/server/command';
import { addPerson } from '$lib/server/teams';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, personSchema, (input, { sql, team }) => addPerson(sql, team.id, input));
