import { redirect } from '@sveltejs/kit';
import { houseRule } from '$lib/core/rules/rules';
import { dayOf } from '$lib/core/time/day';
import { readFields } from '$lib/server/base/body';
import { carryOutForm } from '$lib/server/commands/form';
import { db } from '$lib/server/base/db';
import { listRuleChanges, readRules } from '$lib/server/rules/rules';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const sql = db();
  const team = locals.team!;
  const [rules, changes] = await Promise.all([readRules(sql, team.id), listRuleChanges(sql, team.id)]);
  return {
    rules,
    changes: changes.map((c) => ({ ...c, day: dayOf(c.at, team.timeZone) })),
    freshId: crypto.randomUUID()
  };
};

/** A rule's value as a plain form holds it. */
function valueOf(key: string, text: string): string | number | boolean {
  const type = houseRule(key)?.type;
  if (type === 'number') return text.trim() === '' ? text : Number(text);
  return type === 'yes or no' ? text === 'true' : text;
}

export const actions: Actions = {
  /** Without JavaScript; with it, the page sends the same command. */
  set: async (event) => {
    const typed = await readFields(event.request);
    const { id, key = '', value = '', word = '' } = typed;
    const body = { id, key, value: valueOf(key, value), word };
    return (await carryOutForm(event, 'rule.set', body, typed)) ?? redirect(303, '/rules');
  }
};
