import { z } from 'zod';
import { HOUSE_RULES, houseRule, refuseRule, rulesInForce, type HouseRules, type RuleValue } from './rules';

/**
 * House rules as a visit or a record keeps them: by key, those that were in force and still mean something. A rule is its own
 * version: one that is no longer known, or a value no longer allowed, is not in it.
 */
export const keptRules: z.ZodType<Partial<HouseRules>> = z
  .record(z.string(), z.unknown())
  .transform((kept): Partial<HouseRules> => {
    const rules: Record<string, RuleValue> = {};
    for (const { key } of HOUSE_RULES) {
      const rule = houseRule(key);
      if (key in kept && rule && refuseRule(rule, kept[key]) === null) rules[key] = kept[key] as RuleValue;
    }
    return rules as Partial<HouseRules>;
  });

/** All house rules of a visit: those it kept, over the defaults. */
export const readRulesOf = (kept: unknown): HouseRules =>
  rulesInForce(Object.entries(keptRules.parse(kept)).map(([key, value]) => ({ key, value })));
