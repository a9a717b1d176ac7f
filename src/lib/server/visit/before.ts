import { gravestFirst } from '../../core/finding/finding';
import { fitsMachine } from '../../core/job/fits';
import { jobNow } from '../../core/job/built-in/jobs';
import { leftInWords } from '../../core/schedule/words';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { duesOf } from '../../core/trail/lane';
import { layoutInput } from './history';
import type { Db } from '../base/db';
import { findingJobs } from './of-findings';
import type { MachineRow } from '../machine/machines';
import { readTemplates, templateFor } from '../job/templates';
import { readCalendar, type readStandings } from '../trail/lanes';

type Standing = Awaited<ReturnType<typeof readStandings>>[number];

/**
 * What a visit at a machine could be, before it is begun: its tasks with their jobs, open findings, and everything they are laid
 * out from. Nothing is written by looking.
 */
export async function visitBefore(sql: Db, team: Team, machine: MachineRow, standing: Standing, now: Date) {
  const today = dayOf(now, team.timeZone);
  const calendar = await readCalendar(sql, team.id, today);
  const dues = duesOf(standing, calendar.of(machine.id), today);
  const open = [...standing.findings].sort(gravestFirst);
  const found = await findingJobs(sql, team.id, open);
  const templates = await readTemplates(sql, team.id);
  const jobOf = (d: (typeof dues)[number]) => jobNow(d.task.job, d.task.counted?.since === 'done');
  const jobs = dues.map((d) => ({
    taskId: d.task.id,
    name: d.task.name,
    part: d.task.part?.name ?? null,
    state: d.state,
    left: leftInWords(d),
    own: jobOf(d),
    /** Sent along where it is not the task's own any more. */
    instead: jobOf(d) === d.task.job ? null : jobOf(d),
    template: templateFor({ id: d.task.id, name: d.task.name, job: jobOf(d) }, null, templates)
  }));
  const input = await layoutInput(
    sql,
    team,
    machine,
    [...jobs.map((j) => ({ taskId: j.taskId, template: j.template })), ...found],
    today
  );
  return {
    machine,
    jobs,
    findings: open.map((f, i) => ({
      id: f.id,
      what: f.what,
      severity: f.severity,
      waits: f.waits,
      job: found[i]!
    })),
    templates: templates.map((t) => ({ ...t, fits: fitsMachine(t, machine.kind, input.sheet) })),
    today,
    total: standing.total,
    input
  };
}
