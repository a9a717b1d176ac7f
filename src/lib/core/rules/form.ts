import { z } from 'zod';
import { id, remark } from '../forms';
import { houseRule, PER_MACHINE, refuseRule } from './rules';

/** One house rule set, with a word why: the team's, or for one machine, where null is as the team has it. */
export const ruleSchema = z
  .object({
    id,
    key: z.string().max(60),
    machineId: id.nullable().default(null),
    value: z.union([z.string().max(200), z.number(), z.boolean()]).nullable(),
    word: remark
  })
  .superRefine((r, ctx) => {
    const rule = houseRule(r.key);
    const back = r.machineId !== null && r.value === null;
    const problem = !rule
      ? 'There is no such house rule.'
      : r.machineId !== null && !(PER_MACHINE as readonly string[]).includes(r.key)
        ? 'That rule is the team’s; it is the same on every machine.'
        : back
          ? null
          : refuseRule(rule, r.value);
    if (problem) ctx.addIssue({ code: 'custom', path: ['value'], message: problem });
  });
export type RuleInput = z.infer<typeof ruleSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'rule.set': ruleSchema
};
