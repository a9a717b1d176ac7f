import { nearlyWorn } from '../../core/chain/sheet';
import { AIR_DAYS } from '../../core/fluids/air';
import { stationAir } from '../../core/fluids/station';
import { gather } from '../../core/job/gather/gather';
import { workOut, type VisitMinutes } from '../../core/job/minutes';
import { has } from '../../core/machine/has';
import { LoopError } from '../../core/ordering/order';
import type { Kind } from '../../core/machine/machine';
import type { OilWanted } from '../../core/readiness/board';
import type { Note } from '../../core/readiness/readiness';
import type { Toolbox } from '../../core/stores/toolbox';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { chainSheet } from '../chain/sheet';
import { toolsBeside } from '../stores/claims';
import type { Sql } from '../base/db';
import { getMachine } from '../machine/machines';
import { ofMachines } from '../machine/kept';
import { readStandings } from '../trail/lanes';
import { visitBefore } from '../visit/before';

/** A visit that might be: of which tasks and findings of a machine. */
interface Wanted {
  machineId: string;
  tasks: readonly string[];
  findings: readonly string[];
}
/** What there is to say of a machine's work before an outing. */
export interface Ahead {
  /** Null: nothing is to be done, or its steps wait for one another in a circle. */
  visit: VisitMinutes | null;
  notes: Note[];
  oils: OilWanted[];
}
/** So many machines are laid out side by side: the database has other work. */
const AT_ONCE = 4;

/**
 * How long a visit of each machine takes, as its own page says it where the same is ticked, what has to be got for it, and what is
 * about to wear out. Dear to work out, so it is kept for as long as nothing is written that touches the machine.
 */
export async function workAhead(
  sql: Sql,
  team: Team,
  wanted: readonly Wanted[],
  now: Date
): Promise<{ ahead: Map<string, Ahead>; tools: Toolbox }> {
  const [kept, tools] = await Promise.all([ofMachines(sql, team.id), toolsBeside(sql, team.id, null)]);
  const today = dayOf(now, team.timeZone);
  const ahead = new Map<string, Ahead>();
  const left = [...wanted];
  const take = async (): Promise<void> => {
    for (let w = left.pop(); w; w = left.pop()) {
      const { machineId } = w;
      const key = [today, ...[...w.tasks].sort(), '', ...[...w.findings].sort()].join(' ');
      ahead.set(
        machineId,
        await kept
          .get(machineId, key, async () => ({
            ...(await visitOf(sql, team, w, tools, now)),
            notes: await wearOf(sql, team, machineId)
          }))
          .then(({ toGet, notes, ...of }) => ({ ...of, notes: [...toGet, ...notes] }))
      );
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, take));
  return { ahead, tools };
}

const NOTHING = { visit: null, toGet: [], oils: [] };

async function visitOf(
  sql: Sql,
  team: Team,
  w: Wanted,
  tools: Toolbox,
  now: Date
): Promise<Pick<Ahead, 'visit' | 'oils'> & { toGet: Note[] }> {
  if (w.tasks.length + w.findings.length === 0) return NOTHING;
  const [machine, [standing]] = await Promise.all([
    getMachine(sql, team.id, w.machineId),
    readStandings(sql, team, [w.machineId])
  ]);
  if (!machine || !standing) return NOTHING;
  const before = await visitBefore(sql, team, machine, standing, now);
  const jobs = [
    ...before.jobs
      .filter((j) => w.tasks.includes(j.taskId))
      .map(({ taskId, template }) => ({ taskId, template })),
    ...before.findings.filter((f) => w.findings.includes(f.id)).map((f) => f.job)
  ];
  if (jobs.length === 0) return NOTHING;
  try {
    const { ordered, minutes } = workOut({ ...before.input, jobs }, 'cold');
    const air = team.isDemo ? stationAir(before.today, AIR_DAYS) : null;
    // What others take of the same oil is summed over all machines, not said at each.
    const gathered = gather(ordered.plan, { ...tools, claims: [] }, before.input.rules, before.today, air);
    return {
      visit: minutes,
      toGet: gathered.toGet.map((words) => ({ kind: 'to get', words, id: null })),
      oils: gathered.fluids.flatMap((f) =>
        f.oil && f.neededMl !== null ? [{ oilId: f.oil.id, ml: f.neededMl }] : []
      )
    };
  } catch (e) {
    // A team's own jobs may wait for one another in a circle: the visit says so where it is begun.
    if (e instanceof LoopError) return NOTHING;
    throw e;
  }
}

async function wearOf(sql: Sql, team: Team, machineId: string): Promise<Note[]> {
  const machine = await getMachine(sql, team.id, machineId);
  if (!machine || !has(machine.kind as Kind, 'chain')) return [];
  const words = nearlyWorn(await chainSheet(sql, team, machineId));
  return words === null ? [] : [{ kind: 'nearly worn', words, id: null }];
}
