import { ruleSchema } from '$lib/core/rules/form';
import { command } from '$lib/server/command';
import { setRule } from '$lib/server/rules';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) =>
  command(event, ruleSchema, (input, { sql, team, personId }) => setRule(sql, team.id, personId, input));
