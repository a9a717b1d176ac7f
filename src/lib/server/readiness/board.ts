import { readDueItems, readNotices } from '../../core/book/stored';
import type { Kind } from '../../core/machine/machine';
import { boardRow, notReadyFirst, shortOils, type BoardRow } from '../../core/readiness/board';
import {
  readiness,
  roundFact,
  workBefore,
  type Facts,
  type Note,
  type Readiness,
  type RoundFact
} from '../../core/readiness/readiness';
import { asked, costOf } from '../../core/round/lists';
import { decide } from '../../core/schedule/decide';
import { ifTaken } from '../../core/schedule/propose';
import { aheadOf, pastLimitAfter, through } from '../../core/schedule/state';
import { showAmount, showLeft } from '../../core/schedule/words';
import type { PlannedOuting } from '../../core/schedule/task';
import type { Team } from '../../core/team/team';
import { dayNumber, dayOf, type Day } from '../../core/time/day';
import type { Db, Sql } from '../base/db';
import { openProposals, type OpenProposal } from '../schedule/proposals';
import { readTeamChecks } from '../round/checks';
import { readRules } from '../rules/rules';
import { readCalendar, type PlannedEvent } from '../trail/lanes';
import { unlessWritten } from '../base/unwritten';
import { workAhead } from './work-ahead';

export interface BoardPage {
  today: Day;
  /** The outing it is about; null: none is planned, and it says how the fleet stands today. */
  event: PlannedEvent | null;
  events: PlannedEvent[];
  rows: BoardRow[];
  /** Oils of which its visits take more than there is. */
  short: string[];
}

/** What there is to say of the machines that go on an outing, or of one of them wherever it goes. */
interface Looked extends Omit<BoardPage, 'rows' | 'short'> {
  machines: { of: Parameters<typeof boardRow>[0]; facts: Facts; deferred: string[] }[];
}

/**
 * Who may ride: every machine that goes on an outing, ready or not, and why. One pass over what is kept; no history is read, and
 * nothing is worked out again until something is written or the day is over.
 */
export function boardPage(sql: Sql, team: Team, eventId: string | null, now: Date): Promise<BoardPage> {
  const key = ['board', team.id, eventId, dayOf(now, team.timeZone)].join(' ');
  return unlessWritten(sql, key, async () => {
    const { machines, ...page } = await lookAt(sql, team, eventId, now, null);
    const short = await lookAhead(sql, team, machines, now);
    const rows = machines.map(({ of, facts, deferred }) => boardRow(of, facts, readiness(facts), deferred));
    return { ...page, rows: rows.sort(notReadyFirst), short };
  });
}

/**
 * Says of each machine how long its visit before the outing takes, and what it lacks.
 * @returns oils of which all of them take more than there is
 */
async function lookAhead(sql: Sql, team: Team, machines: Looked['machines'], now: Date): Promise<string[]> {
  const { ahead, tools } = await workAhead(
    sql,
    team,
    machines.map(({ of, facts }) => ({ machineId: of.machineId, ...workBefore(facts) })),
    now
  );
  for (const { of, facts } of machines) {
    const { visit, notes } = ahead.get(of.machineId)!;
    facts.visit = visit;
    facts.notes = [...facts.notes, ...notes];
  }
  return shortOils(
    machines.map(({ of }) => ({ plate: of.plate, oils: ahead.get(of.machineId)!.oils })),
    tools
  );
}

/** Whether one machine may ride as it stands, with every reason, and what its ready round says; null where there is none such. */
export async function readinessOf(
  sql: Db,
  team: Team,
  machineId: string,
  now: Date
): Promise<{ readiness: Readiness; round: RoundFact } | null> {
  const { machines } = await lookAt(sql, team, null, now, machineId);
  const facts = machines[0]?.facts;
  return facts ? { readiness: readiness(facts), round: facts.round } : null;
}

async function lookAt(
  sql: Db,
  team: Team,
  eventId: string | null,
  now: Date,
  only: string | null
): Promise<Looked> {
  const today = dayOf(now, team.timeZone);
  const [calendar, rows, rules, checked, proposals] = await Promise.all([
    readCalendar(sql, team.id, today),
    sql`
      select m.id, m.plate, m.name, m.kind, p.name as rider, s.total, s.speed, s.dues, s.findings, s.reminders, v.id as visit_id,
        d.done_at, d.done_hours, o.checks, o.checks_left, o.minutes_left
      from machine m
      join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
      left join person p on p.team_id = m.team_id and p.id = m.rider_id
      left join lateral (
        select id from visit v where v.team_id = m.team_id and v.machine_id = m.id and v.closed_at is null and v.given_up_at is null limit 1) v on true
      left join lateral (
        select done_at, done_hours from machine_round r
        where r.team_id = m.team_id and r.machine_id = m.id and r.list = 'ready' and r.struck_at is null and r.done_at is not null
        order by r.done_at desc limit 1) d on true
      left join machine_round o on o.team_id = m.team_id and o.machine_id = m.id and o.list = 'ready' and o.struck_at is null and o.done_at is null
      where m.team_id = ${team.id} ${only ? sql`and m.id = ${only}` : sql``}`,
    readRules(sql, team.id),
    readTeamChecks(sql, team.id),
    openProposals(sql, team.id)
  ]);
  const roundMinutes = new Map<Kind, number>();
  /** About how long a whole ready round takes. */
  const minutesOfRound = (kind: Kind): number => {
    let minutes = roundMinutes.get(kind);
    if (minutes === undefined)
      roundMinutes.set(kind, (minutes = costOf(asked(checked.checks, kind, 'ready')).minutes));
    return minutes;
  };
  const event = calendar.events.find((e) => e.id === eventId) ?? calendar.events[0] ?? null;
  const machines = rows.flatMap((r): Looked['machines'] => {
    const planned = calendar.of(r.id as string);
    const upTo = event ? planned.findIndex((p) => p.id === event.id) : 0;
    if (event && upTo < 0 && !only) return [];
    const { findings, reminders } = readNotices(r);
    /** The outing it is looked at for: of one machine alone, its own next. */
    const outing = planned[Math.max(0, upTo)];
    const to = outing
      ? {
          days: dayNumber(outing.firstDay) - dayNumber(today),
          riddenAt: planned.slice(0, Math.max(0, upTo)).findLast((p) => p.hours > 0)?.name ?? null
        }
      : null;
    const { tasks, notes } = tasksAt(r, planned, Math.max(0, upTo), today, proposals);
    const facts: Facts = {
      findings: findings.map((f) => ({ ...f, closed: false })),
      reminders,
      tasks,
      visitId: r.visit_id as string | null,
      round: roundFact(
        {
          done: r.done_at && {
            hours: r.done_hours as number | null,
            daysAgo: dayNumber(today) - dayNumber(dayOf(r.done_at as Date, team.timeZone))
          },
          open: r.checks === null ? null : { left: r.checks_left as number, of: r.checks as number }
        },
        r.total as number | null,
        rules.roundHolds,
        to
      ),
      roundMinutes: (r.minutes_left as number | null) ?? minutesOfRound(r.kind as Kind),
      visit: null,
      notes
    };
    const deferred = findings.filter((f) => f.cause === 'deferred').map((f) => f.id);
    const of = {
      machineId: r.id as string,
      plate: r.plate as string,
      name: r.name as string,
      rider: r.rider as string | null
    };
    return [{ of, facts, deferred }];
  });
  return { today, event, events: calendar.events, machines };
}

/** How the tasks of a machine stand to the end of an outing. */
function tasksAt(
  r: Record<string, unknown>,
  planned: PlannedOuting[],
  upTo: number,
  today: Day,
  proposals: ReadonlyMap<string, OpenProposal>
): { tasks: Facts['tasks'][number][]; notes: Note[] } {
  const ahead = aheadOf({ today, planned, speed: r['speed'] as number | null });
  const to = planned.length > 0 ? through(ahead, upTo) : ahead;
  const items = readDueItems(r['dues']).filter((i) => i.kind === 'task');
  const tasks = items.map((i) => {
    const past = pastLimitAfter(i.points, to);
    const pastLimit = past && showLeft(past.by, past.measure);
    return { id: i.id, name: i.name, state: decide(i, to).state, pastLimit };
  });
  const notes = items.flatMap((i): Note[] => {
    const p = proposals.get(i.id);
    const then = p ? ifTaken(i, { measure: p.measure, sooner: p.from - p.to }, to) : null;
    // That it comes sooner is no matter before an outing.
    return p && then && then !== 'coming'
      ? [
          {
            kind: 'proposed',
            words: `${i.name}: every ${showAmount(p.to, p.measure)} is proposed; taken, it is ${then}`,
            id: i.id
          }
        ]
      : [];
  });
  return { tasks, notes };
}
