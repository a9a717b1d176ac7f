import { AS_IT_CAME, readChecks, writeChecks, type RoundCheck } from '../../core/round/lists';
import type { RoundChecksInput } from '../../core/round/form';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

export interface TeamChecks {
  /** 0: as it came, and never changed. */
  version: number;
  own: boolean;
  checks: readonly RoundCheck[];
}

/** What a team checks in its rounds: its own latest version, or as it came. */
export async function readTeamChecks(sql: Db, teamId: string): Promise<TeamChecks> {
  const [row] = await sql`
    select version, content from round_checks where team_id = ${teamId} order by version desc limit 1`;
  const own = row?.content != null;
  return {
    version: (row?.version as number | undefined) ?? 0,
    own,
    checks: own ? readChecks(row!.content) : AS_IT_CAME
  };
}

/** The latest versions, with who made each and why. */
export async function listCheckChanges(
  sql: Db,
  teamId: string
): Promise<{ version: number; word: string; by: string; at: Date; back: boolean }[]> {
  return (await sql`
    select c.version, c.word, p.name as by, c.created_at as at, c.content is null as back from round_checks c
    join person p on p.team_id = c.team_id and p.id = c.created_by
    where c.team_id = ${teamId} order by c.version desc limit 50`) as unknown as Awaited<
    ReturnType<typeof listCheckChanges>
  >;
}

/**
 * Saves what is checked as a new version. Rounds that are over keep what was answered; the one that stands open goes by it.
 * @throws Refusal where somebody has saved another since
 */
export async function saveTeamChecks(
  { tx, team, personId }: Write,
  input: RoundChecksInput
): Promise<number> {
  await tx`select 1 from team where id = ${team.id} for no key update`;
  const there = await readTeamChecks(tx, team.id);
  if (there.version !== input.from)
    refuse(
      '',
      'Somebody has changed what is checked since you opened it. Open it again; what you wrote is still here.'
    );
  if (input.content === null && !there.own) refuse('', 'It is as it came already.');
  const version = there.version + 1;
  await tx`
    insert into round_checks (team_id, version, content, word, created_by)
    values (${team.id}, ${version}, ${input.content ? tx.json(writeChecks(input.content) as never) : null}, ${input.word}, ${personId})`;
  return version;
}
