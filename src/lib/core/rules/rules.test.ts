import { describe, expect, it } from 'vitest';
import { ruleSchema } from './form';
import { DEFAULT_RULES, HOUSE_RULES, houseRule, refuseRule, rulesInForce, showRule } from './rules';

describe('house rules', () => {
  it('each have a default they allow, a reason, and a key of their own', () => {
    for (const r of HOUSE_RULES) {
      expect([r.key, refuseRule(r, r.default)]).toEqual([r.key, null]);
      expect(r.reason.length).toBeGreaterThan(20);
    }
    expect(new Set(HOUSE_RULES.map((r) => r.key)).size).toBe(HOUSE_RULES.length);
  });
  it.each([
    ['washers', 'chewing gum'],
    ['washers', true],
    ['fillFilterFirst', 'yes'],
    ['holdBackPercent', 51],
    ['holdBackPercent', -1],
    ['holdBackPercent', 7.5],
    ['holdBackPercent', Number.NaN]
  ])('%s cannot be %j', (key, value) => expect(refuseRule(houseRule(key)!, value)).toMatch(/./));
  it('in force are the latest that are allowed, over the defaults', () => {
    expect(rulesInForce([])).toEqual(DEFAULT_RULES);
    expect(
      rulesInForce([
        { key: 'aim', value: 'loose side' },
        { key: 'aim ', value: 'x' },
        { key: 'torque', value: 'hammer' }
      ])
    ).toEqual({ ...DEFAULT_RULES, aim: 'loose side' });
  });
  it('of one machine go over the team’s, those that may differ; the others are the team’s', () => {
    const team = [
      { key: 'holdBackPercent', value: 8 },
      { key: 'aim', value: 'middle' }
    ];
    const own = [
      { key: 'holdBackPercent', value: 15 },
      { key: 'fillFilterFirst', value: true },
      { key: 'aim', value: 'loose side' },
      // As the team again.
      { key: 'torque', value: null }
    ];
    expect(rulesInForce(team, own)).toEqual({
      ...DEFAULT_RULES,
      holdBackPercent: 15,
      fillFilterFirst: true
    });
    const set = (machineId: string | null, key: string, value: unknown) =>
      ruleSchema.safeParse({ id: crypto.randomUUID(), machineId, key, value, word: '' }).success;
    const machine = crypto.randomUUID();
    expect([set(machine, 'holdBackPercent', 15), set(machine, 'holdBackPercent', null)]).toEqual([
      true,
      true
    ]);
    expect([set(machine, 'aim', 'loose side'), set(null, 'holdBackPercent', null)]).toEqual([false, false]);
    expect([set(machine, 'holdBackPercent', 51), set(machine, 'nothing', null)]).toEqual([false, false]);
  });
  it('are said in words', () => {
    expect(showRule(houseRule('holdBackPercent')!, 8)).toBe('8 %');
    expect(showRule(houseRule('fillFilterFirst')!, false)).toBe('no');
    expect(showRule(houseRule('aim')!, 'middle')).toBe('middle');
  });
});
