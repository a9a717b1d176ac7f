import { readDueItems, readNotices } from '../core/book/stored';
import { roughMinutes } from '../core/job/rough';
import type { Kind } from '../core/machine/machine';
import { boardRow, notReadyFirst, type BoardRow } from '../core/readiness/board';
import { readiness, roundFact, type Facts } from '../core/readiness/readiness';
import { checksOf } from '../core/round/library';
import { decide } from '../core/schedule/decide';
import { aheadOf, through } from '../core/schedule/state';
import type { PlannedOuting } from '../core/schedule/task';
import type { Team } from '../core/team/team';
import { dayNumber, dayOf, type Day } from '../core/time/day';
import type { Db } from './db';
import { readRules } from './rules';
import { readTemplates } from './templates';
import { readCalendar } from './trail';

export interface BoardPage {
  today: Day;
  /** The outing it is about; null: none is planned, and it says how the fleet stands today. */
  event: { id: string; name: string; firstDay: Day } | null;
  events: { id: string; name: string; firstDay: Day }[];
  rows: BoardRow[];
}

/** Who may ride: every machine that goes on an outing, ready or not, and why. One pass over what is kept; no history is read. */
export async function boardPage(
  sql: Db,
  team: Team,
  eventId: string | null,
  now: Date,
  only: string | null = null
): Promise<BoardPage> {
  const today = dayOf(now, team.timeZone);
  const [calendar, rows, jobs, templates, rules] = await Promise.all([
    readCalendar(sql, team.id, today),
    sql`
      select m.id, m.plate, m.name, m.kind, p.name as rider, s.total, s.speed, s.dues, s.findings, s.reminders, v.id as visit_id,
        d.done_at, d.done_hours, o.answered
      from machine m
      join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
      left join person p on p.team_id = m.team_id and p.id = m.rider_id
      left join lateral (
        select id from visit v where v.team_id = m.team_id and v.machine_id = m.id and v.closed_at is null and v.given_up_at is null limit 1) v on true
      left join lateral (
        select done_at, done_hours from machine_round r
        where r.team_id = m.team_id and r.machine_id = m.id and r.list = 'ready' and r.struck_at is null and r.done_at is not null
        order by r.begun_at desc limit 1) d on true
      left join lateral (
        select (select count(distinct check_key)::int from round_answer a where a.team_id = r.team_id and a.round_id = r.id) as answered
        from machine_round r
        where r.team_id = m.team_id and r.machine_id = m.id and r.list = 'ready' and r.struck_at is null and r.done_at is null limit 1) o on true
      where m.team_id = ${team.id} ${only ? sql`and m.id = ${only}` : sql``}`,
    sql`select id, job from task where team_id = ${team.id} and retired_at is null and job is not null`,
    readTemplates(sql, team.id),
    readRules(sql, team.id)
  ]);
  const minutesOfJob = new Map(templates.map((t) => [t.key, roughMinutes(t)]));
  const jobOf = new Map(jobs.map((t) => [t.id as string, t.job as string]));
  const minutesOf = (taskId: string) => minutesOfJob.get(jobOf.get(taskId) ?? '') ?? null;
  const event = calendar.events.find((e) => e.id === eventId) ?? calendar.events[0] ?? null;
  const board = rows.flatMap((r): BoardRow[] => {
    const planned = calendar.of(r.id as string);
    const upTo = event ? planned.findIndex((p) => p.id === event.id) : 0;
    if (event && upTo < 0 && !only) return [];
    const { findings, reminders } = readNotices(r);
    const checks = checksOf(r.kind as Kind, 'ready');
    const left = r.answered === null ? null : Math.max(1, checks.length - (r.answered as number));
    const facts: Facts = {
      findings: findings.map((f) => ({ ...f, closed: false })),
      reminders,
      tasks: tasksAt(r, planned, Math.max(0, upTo), today).map((t) => ({ ...t, minutes: minutesOf(t.id) })),
      visitId: r.visit_id as string | null,
      round: roundFact(
        {
          done: r.done_at && {
            hours: r.done_hours as number | null,
            daysAgo: dayNumber(today) - dayNumber(dayOf(r.done_at as Date, team.timeZone))
          },
          open: left === null ? null : { left, of: checks.length }
        },
        r.total as number | null,
        rules.roundHolds
      ),
      roundMinutes: (checks.reduce((sum, c) => sum + c.minutes, 0) * (left ?? checks.length)) / checks.length
    };
    const deferred = findings.filter((f) => f.cause === 'deferred').map((f) => f.id);
    const of = { machineId: r.id, plate: r.plate, name: r.name, rider: r.rider } as Parameters<
      typeof boardRow
    >[0];
    return [boardRow(of, facts, readiness(facts), deferred)];
  });
  return { today, event, events: calendar.events, rows: board.sort(notReadyFirst) };
}

/** How the tasks of a machine stand to the end of an outing. */
function tasksAt(
  r: Record<string, unknown>,
  planned: PlannedOuting[],
  upTo: number,
  today: Day
): Omit<Facts['tasks'][number], 'minutes'>[] {
  const ahead = aheadOf({ today, planned, speed: r['speed'] as number | null });
  const to = planned.length > 0 ? through(ahead, upTo) : ahead;
  return readDueItems(r['dues']).flatMap((i) =>
    i.kind === 'task' ? [{ id: i.id, name: i.name, state: decide(i, to).state }] : []
  );
}
