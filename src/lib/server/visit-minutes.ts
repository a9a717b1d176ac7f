import { workOut, type VisitMinutes } from '../core/job/minutes';
import type { Team } from '../core/team/team';
import { dayOf } from '../core/time/day';
import type { Sql } from './db';
import { getMachine } from './machines';
import { ofMachines } from './of-machine';
import { readStandings } from './trail';
import { visitBefore } from './visit-before';

/** A visit that might be: of which tasks and findings of a machine. */
interface Wanted {
  machineId: string;
  tasks: readonly string[];
  findings: readonly string[];
}
/** So many machines are laid out side by side: the database has other work. */
const AT_ONCE = 4;

/**
 * How long a visit of each machine takes, as its own page says it where the same is ticked. Dear to work out, so it is kept for as
 * long as nothing is written that touches the machine.
 * @returns by machine; none for those where nothing is wanted
 */
export async function minutesBefore(
  sql: Sql,
  team: Team,
  wanted: readonly Wanted[],
  now: Date
): Promise<Map<string, VisitMinutes>> {
  const kept = await ofMachines(sql, team.id);
  const today = dayOf(now, team.timeZone);
  const found = new Map<string, VisitMinutes>();
  const left = wanted.filter((w) => w.tasks.length + w.findings.length > 0);
  const take = async (): Promise<void> => {
    for (let w = left.pop(); w; w = left.pop()) {
      const { machineId } = w;
      const key = [today, ...[...w.tasks].sort(), '', ...[...w.findings].sort()].join(' ');
      const minutes = await kept.get(machineId, key, () => minutesOf(sql, team, w, now));
      if (minutes) found.set(machineId, minutes);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, take));
  return found;
}

async function minutesOf(sql: Sql, team: Team, w: Wanted, now: Date): Promise<VisitMinutes | null> {
  const [machine, [standing]] = await Promise.all([
    getMachine(sql, team.id, w.machineId),
    readStandings(sql, team, [w.machineId])
  ]);
  if (!machine || !standing) return null;
  const before = await visitBefore(sql, team, machine, standing, now);
  const jobs = [
    ...before.jobs
      .filter((j) => w.tasks.includes(j.taskId))
      .map(({ taskId, template }) => ({ taskId, template })),
    ...before.findings.filter((f) => w.findings.includes(f.id)).map((f) => f.job)
  ];
  if (jobs.length === 0) return null;
  try {
    return workOut({ ...before.input, jobs }, 'cold').minutes;
  } catch {
    // A team's own jobs may wait for one another in a circle: the visit says so where it is begun.
    return null;
  }
}
