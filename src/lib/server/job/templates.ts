import { BUILT_IN, BUILT_IN_KEYS } from '../../core/job/built-in/jobs';
import { plainTemplate } from '../../core/job/plain';
import { readTemplate, writeTemplate } from '../../core/job/stored';
import type { JobTemplate, VersionedTemplate } from '../../core/job/template';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** Every job template of a team: its own latest versions, and the product's where it has none. */
export async function readTemplates(sql: Db, teamId: string): Promise<VersionedTemplate[]> {
  const rows = await sql`
    select distinct on (key) key, version, content from job_template where team_id = ${teamId} order by key, version desc`;
  const own = new Map(rows.map((r) => [r.key as string, r]));
  const made = rows
    .filter((r) => r.content !== null)
    .map((r) => ({ ...readTemplate(r.content), version: r.version as number, own: true }));
  return [
    ...BUILT_IN.filter((t) => !own.get(t.key)?.content).map((t) => ({
      ...t,
      // Going back to the product's own is a version too: a visit must be able to tell which it was made from.
      version: Math.max(t.version, (own.get(t.key)?.version as number | undefined) ?? 0),
      own: false
    })),
    ...made
  ].sort((a, b) => a.title.localeCompare(b.title));
}

export interface TemplateChange {
  version: number;
  word: string;
  by: string;
  at: Date;
  back: boolean;
}
export async function listTemplateChanges(sql: Db, teamId: string, key: string): Promise<TemplateChange[]> {
  return (await sql`
    select t.version, t.word, p.name as by, t.created_at as at, t.content is null as back from job_template t
    join person p on p.team_id = t.team_id and p.id = t.created_by
    where t.team_id = ${teamId} and t.key = ${key} order by t.version desc limit 50`) as unknown as TemplateChange[];
}

/**
 * Saves a new version of a template; visits that were laid out from an earlier one keep their steps. `content` null goes back
 * to the product's own, or puts the team's away.
 * @param from the version it was changed from: refused where somebody has saved another since
 */
export async function saveTemplate(
  { tx, team, personId }: Write,
  input: { key: string; from: number; content: JobTemplate | null; word: string }
): Promise<number> {
  await tx`select 1 from team where id = ${team.id} for no key update`;
  const there = (await readTemplates(tx, team.id)).find((t) => t.key === input.key);
  if ((there?.version ?? 0) !== input.from)
    refuse(
      '',
      'Somebody has changed this job since you opened it. Open it again; what you wrote is still here.'
    );
  if (input.content === null && !there?.own) refuse('', 'It is the product’s own already.');
  if (input.content === null && !BUILT_IN_KEYS.includes(input.key)) {
    const [task] =
      await tx`select name from task where team_id = ${team.id} and job = ${input.key} and retired_at is null limit 1`;
    if (task) refuse('', `The task “${task.name}” goes by it. Give that task another job first.`);
  }
  const [{ latest }] = (await tx`
    select coalesce(max(version), 0)::int as latest from job_template where team_id = ${team.id} and key = ${input.key}`) as unknown as [
    { latest: number }
  ];
  const version = Math.max(latest, there?.version ?? 0) + 1;
  await tx`
    insert into job_template (team_id, key, version, content, word, created_by)
    values (${team.id}, ${input.key}, ${version}, ${input.content ? tx.json(writeTemplate(input.content) as never) : null}, ${input.word}, ${personId})`;
  return version;
}

/** The template a task is done by: the one picked, its own, or none of its own and a plain one. */
export function templateFor(
  task: { id: string; name: string; job: string | null },
  picked: string | null,
  templates: readonly VersionedTemplate[]
): JobTemplate & { version: number } {
  return templates.find((t) => t.key === (picked ?? task.job)) ?? plainTemplate(task);
}
