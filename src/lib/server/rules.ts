import type { RuleInput } from '../core/rules/form';
import { rulesInForce, type HouseRules, type RuleValue } from '../core/rules/rules';
import type { Db, Sql } from './db';
import { refreshMachines } from './standing';

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

/** Sets one house rule. What it schedules anew is worked out at once; records keep what was in force for them. */
export async function setRule(sql: Sql, teamId: string, personId: string, input: RuleInput): Promise<void> {
  await sql.begin(async (tx) => {
    // Two devices setting one rule take turns, so that the later one stands.
    await tx`select 1 from team where id = ${teamId} for update`;
    const made = await tx`
      insert into house_rule (team_id, id, key, value, word, set_by)
      values (${teamId}, ${input.id}, ${input.key}, ${tx.json(input.value as never)}, ${input.word}, ${personId})
      on conflict do nothing returning id`;
    if (made.length === 0 || !['ageing', 'anchoring'].includes(input.key)) return;
    // Only tasks that leave it to the house rule are touched, and by the ageing only those with a sensitivity.
    const machines = await machinesFollowing(tx, teamId, input.key);
    await refreshMachines(tx, teamId, machines);
  });
}

/** Machines with a task, of their own or of a component on them, that follows the house rule on ageing or anchoring. */
async function machinesFollowing(sql: Db, teamId: string, key: string): Promise<string[]> {
  const rows = await sql`
    select distinct coalesce(t.machine_id, f.machine_id, h.machine_id) as id from task t
    left join fitting f on f.team_id = t.team_id and f.component_id = t.component_id and f.removed_at is null
    left join fitting h on h.team_id = f.team_id and h.component_id = f.host_id and h.removed_at is null
    where t.team_id = ${teamId} and t.retired_at is null
      and ${key === 'ageing' ? sql`t.ageing is null and t.sensitivity <> '{}'` : sql`t.anchoring is null`}`;
  return rows.flatMap((r) => (r.id ? [r.id as string] : []));
}
