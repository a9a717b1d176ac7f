import type { RuleInput } from '../core/rules/form';
import { rulesInForce, type HouseRules, type RuleValue } from '../core/rules/rules';
import type { Db } from './db';
import type { Write } from './write';

/** The team's house rules in force. */
export async function readRules(sql: Db, teamId: string): Promise<HouseRules> {
  const rows = await sql`
    select distinct on (key) key, value from house_rule where team_id = ${teamId} order by key, seq desc`;
  return rulesInForce(rows as unknown as { key: string; value: unknown }[]);
}

export interface RuleChange {
  key: string;
  value: RuleValue;
  word: string;
  by: string;
  at: Date;
}

/** Every change of the house rules, the latest first. */
export async function listRuleChanges(sql: Db, teamId: string): Promise<RuleChange[]> {
  return (await sql`
    select h.key, h.value, h.word, p.name as by, h.set_at as at from house_rule h
    join person p on p.team_id = h.team_id and p.id = h.set_by
    where h.team_id = ${teamId} order by h.seq desc limit 500`) as unknown as RuleChange[];
}

/** Rules that say when work falls due: with one of them every machine's standing is made anew. */
export const SCHEDULES: readonly string[] = ['ageing', 'anchoring'];

/** Sets one house rule; records keep what was in force for them. Two devices setting one take turns: the later one stands. */
export async function setRule({ tx, team, personId }: Write, input: RuleInput): Promise<void> {
  await tx`select 1 from team where id = ${team.id} for no key update`;
  await tx`
    insert into house_rule (team_id, id, key, value, word, set_by)
    values (${team.id}, ${input.id}, ${input.key}, ${tx.json(input.value as never)}, ${input.word}, ${personId})`;
}
