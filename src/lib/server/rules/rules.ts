import type { RuleInput } from '../../core/rules/form';
import { rulesInForce, type HouseRules, type RuleValue } from '../../core/rules/rules';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** The house rules in force: the team's, or with those of one machine over them. */
export async function readRules(
  sql: Db,
  teamId: string,
  machineId: string | null = null
): Promise<HouseRules> {
  const rows = await sql`
    select distinct on (machine_id, key) machine_id as machine, key, value from house_rule
    where team_id = ${teamId} and (machine_id is null or machine_id = ${machineId}) order by machine_id, key, seq desc`;
  const of = (own: boolean) =>
    rows.filter((r) => (r.machine !== null) === own) as unknown as { key: string; value: unknown }[];
  return rulesInForce(of(false), of(true));
}

export interface RuleChange {
  key: string;
  /** Null: as the team has it. */
  value: RuleValue | null;
  word: string;
  by: string;
  at: Date;
}

/** Every change of the team's house rules, or of one machine's, the latest first. */
export async function listRuleChanges(
  sql: Db,
  teamId: string,
  machineId: string | null = null
): Promise<RuleChange[]> {
  return (await sql`
    select h.key, h.value, h.word, p.name as by, h.set_at as at from house_rule h
    join person p on p.team_id = h.team_id and p.id = h.set_by
    where h.team_id = ${teamId} and h.machine_id is not distinct from ${machineId} order by h.seq desc limit 500`) as unknown as RuleChange[];
}

/** Rules that say when work falls due: with one of them every machine's standing is made anew. */
export const SCHEDULES: readonly string[] = ['ageing', 'anchoring'];

/** Sets one house rule; records keep what was in force for them. Two devices setting one take turns: the later one stands. */
export async function setRule({ tx, team, personId }: Write, input: RuleInput): Promise<void> {
  await tx`select 1 from team where id = ${team.id} for no key update`;
  if (input.machineId !== null) {
    const [m] = await tx`select 1 from machine where team_id = ${team.id} and id = ${input.machineId}`;
    if (!m) refuse('machineId', 'That machine is not in this team.');
  }
  await tx`
    insert into house_rule (team_id, id, machine_id, key, value, word, set_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${input.key}, ${input.value === null ? tx`'null'::jsonb` : tx.json(input.value as never)}, ${input.word}, ${personId})`;
}
