import { AIR_DAYS } from '../core/fluids/air';
import { stationAir } from '../core/fluids/station';
import { gravestFirst } from '../core/finding/finding';
import { fitsMachine } from '../core/job/fits';
import { jobNow } from '../core/job/built-in/jobs';
import { leftInWords } from '../core/schedule/words';
import type { Team } from '../core/team/team';
import { dayOf } from '../core/time/day';
import { duesOf } from '../core/trail/lane';
import { forgottenLast, layoutInput } from './bench-history';
import type { Db } from './db';
import { findingJobs } from './finding-tasks';
import type { MachineRow } from './machines';
import { readToolbox } from './stores';
import { readTemplates, templateFor } from './templates';
import { readCalendar, type readStandings } from './trail';

/** Done in one go with what is due; what is merely coming is offered too. */
const WITH = new Set(['past limit', 'past due', 'due before the next outing']);
type Standing = Awaited<ReturnType<typeof readStandings>>[number];

/**
 * What a visit at a machine could be, before it is begun: its tasks with their jobs, open findings, and everything they are laid
 * out from. Nothing is written by looking.
 *
 * @param asked tasks that are picked whatever their state
 * @param only nothing is picked besides what is asked for
 * @param findingAsked a finding that is put right; null: none is asked for
 */
export async function visitBefore(
  sql: Db,
  team: Team,
  machine: MachineRow,
  standing: Standing,
  asked: readonly string[],
  findingAsked: string | null,
  now: Date,
  only = false
) {
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
    picked: asked.includes(d.task.id) || (!only && WITH.has(d.state)),
    own: jobOf(d),
    /** Sent along where it is not the task's own any more. */
    instead: jobOf(d) === d.task.job ? null : jobOf(d),
    template: templateFor({ id: d.task.id, name: d.task.name, job: jobOf(d) }, null, templates)
  }));
  // Nothing presses: what has steps of its own is what one comes to the bench for, and its oil most often.
  const first =
    findingAsked || jobs.some((j) => j.picked)
      ? undefined
      : (jobs.find((j) => j.own && j.template.circuits.length > 0) ?? jobs.find((j) => j.own) ?? jobs[0]);
  if (first) first.picked = true;
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
      picked: f.id === findingAsked,
      job: found[i]!
    })),
    templates: templates.map((t) => ({ ...t, fits: fitsMachine(t, machine.kind, input.sheet) })),
    today,
    // A stand-in for the weather advises the demo alone.
    air: team.isDemo ? stationAir(today, AIR_DAYS) : null,
    forgotten: await forgottenLast(sql, team, machine.id, null),
    tools: await readToolbox(sql, team.id),
    input
  };
}
