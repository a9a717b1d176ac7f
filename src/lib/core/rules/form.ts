import { z } from 'zod';
import { id, remark } from '../forms';
import { houseRule, refuseRule } from './rules';

/** One house rule set, with a word why. */
export const ruleSchema = z
  .object({
    id,
    key: z.string().max(60),
    value: z.union([z.string().max(200), z.number(), z.boolean()]),
    word: remark
  })
  .superRefine((r, ctx) => {
    const rule = houseRule(r.key);
    const problem = rule ? refuseRule(rule, r.value) : 'There is no such house rule.';
    if (problem) ctx.addIssue({ code: 'custom', path: ['value'], message: problem });
  });
export type RuleInput = z.infer<typeof ruleSchema>;
