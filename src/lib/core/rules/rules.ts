import { HOUSE_RULES, type HouseRule, type RuleValue } from './list';

export { HOUSE_RULES, type HouseRule, type RuleValue } from './list';

export type RuleKey = (typeof HOUSE_RULES)[number]['key'];
type Of<K extends RuleKey> = Extract<(typeof HOUSE_RULES)[number], { key: K }>;
/** Every rule with a value it allows. */
export type HouseRules = {
  [K in RuleKey]: Of<K> extends { choices: readonly (infer C)[] }
    ? C
    : Of<K> extends { type: 'number' }
      ? number
      : boolean;
};

export const DEFAULT_RULES = Object.fromEntries(HOUSE_RULES.map((r) => [r.key, r.default])) as HouseRules;
export const RULE_REASONS = Object.fromEntries(HOUSE_RULES.map((r) => [r.key, r.reason])) as Record<
  RuleKey,
  string
>;

/** Rules that may differ on one machine: where its filter sits, what it takes, where no wrench fits. */
export const PER_MACHINE: readonly RuleKey[] = [
  'fillFilterFirst',
  'sideForFilter',
  'cranking',
  'holdBackPercent',
  'torque'
];

export function houseRule(key: string): HouseRule | undefined {
  return HOUSE_RULES.find((r) => r.key === key);
}

/**
 * Why a value cannot be a rule's, in words; null when it can.
 */
export function refuseRule(rule: HouseRule, value: unknown): string | null {
  if (rule.type === 'yes or no') return typeof value === 'boolean' ? null : 'Yes or no.';
  if (rule.type === 'one of')
    return typeof value === 'string' && rule.choices.includes(value)
      ? null
      : `One of: ${rule.choices.join(', ')}.`;
  return typeof value === 'number' && Number.isInteger(value) && value >= rule.from && value <= rule.to
    ? null
    : `A whole number from ${rule.from} to ${rule.to}.`;
}

/**
 * The rules in force: what was set, over the defaults. A value that is no longer allowed counts as never set.
 * @param own of one machine, over the team's: only those that may differ
 */
export function rulesInForce(
  set: readonly { key: string; value: unknown }[],
  own: readonly { key: string; value: unknown }[] = []
): HouseRules {
  const rules: Record<string, unknown> = { ...DEFAULT_RULES };
  for (const { key, value } of [
    ...set,
    ...own.filter((o) => (PER_MACHINE as readonly string[]).includes(o.key))
  ]) {
    const rule = houseRule(key);
    if (rule && refuseRule(rule, value) === null) rules[key] = value;
  }
  return rules as HouseRules;
}

/** A rule's value in words. */
export function showRule(rule: HouseRule, value: RuleValue): string {
  if (rule.type === 'yes or no') return value ? 'yes' : 'no';
  if (rule.type === 'number') return `${value} ${rule.unit}`;
  return String(value);
}
