import { error, redirect } from '@sveltejs/kit';
import { fitsMachine } from '$lib/core/job/fits';
import { jobNow } from '$lib/core/job/built-in/jobs';
import { AIR_DAYS } from '$lib/core/fluids/air';
import { stationAir } from '$lib/core/fluids/station';
import { dayOf } from '$lib/core/time/day';
import { duesOf } from '$lib/core/trail/lane';
import { leftInWords } from '$lib/core/schedule/words';
import { forgottenLast, layoutInput } from '$lib/server/bench-history';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { readToolbox } from '$lib/server/stores';
import { gravestFirst } from '$lib/core/finding/finding';
import { findingJobs } from '$lib/server/finding-tasks';
import { readTemplates, templateFor } from '$lib/server/templates';
import { readCalendar, readStandings } from '$lib/server/trail';
import type { PageServerLoad } from './$types';

/** Done in one go with what is due; what is merely coming is offered too. */
const WITH = new Set(['past limit', 'past due', 'due before the next outing']);

/** What the visit will be, before it is begun: nothing is written by looking. */
export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [standing] = await readStandings(sql, team, [machine.id]);
  if (standing!.visitId) redirect(303, `/visits/${standing!.visitId}`);
  const today = dayOf(new Date(), team.timeZone);
  const calendar = await readCalendar(sql, team.id, today);
  const dues = duesOf(standing!, calendar.of(machine.id), today);
  const asked = url.searchParams.get('task');
  if (asked && !dues.some((d) => d.task.id === asked)) error(404, 'That task is not one of this machine.');
  const findingAsked = url.searchParams.get('finding');
  const open = [...standing!.findings].sort(gravestFirst);
  if (findingAsked && !open.some((f) => f.id === findingAsked))
    redirect(303, `/machines/${machine.id}#findings`);
  const found = await findingJobs(sql, team.id, open);
  const templates = await readTemplates(sql, team.id);
  const jobOf = (d: (typeof dues)[number]) => jobNow(d.task.job, d.task.counted?.since === 'done');
  const jobs = dues.map((d) => ({
    taskId: d.task.id,
    name: d.task.name,
    part: d.task.part?.name ?? null,
    state: d.state,
    left: leftInWords(d),
    picked: d.task.id === asked || WITH.has(d.state),
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
    asked,
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
};
