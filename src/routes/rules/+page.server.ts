import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { listRuleChanges, readRules } from '$lib/server/rules';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const sql = db();
  const team = locals.team!;
  const [rules, changes] = await Promise.all([readRules(sql, team.id), listRuleChanges(sql, team.id)]);
  return { rules, changes: changes.map((c) => ({ ...c, day: dayOf(c.at, team.timeZone) })) };
};
