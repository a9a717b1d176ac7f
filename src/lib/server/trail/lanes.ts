import type { Learned } from '../../core/hours/learned';
import type { Logged } from '../../core/schedule/logged';
import type { PlannedOuting } from '../../core/schedule/task';
import { dayOf, type Day } from '../../core/time/day';
import type { Team } from '../../core/team/team';
import { mostPressing } from '../../core/schedule/decide';
import { aheadOf } from '../../core/schedule/state';
import { FIRST_LANES, laneOf, mostPressingFirst, type Lane, type Standing } from '../../core/trail/lane';
import { HOME_WINDOW } from '../../core/trail/scale';
import { readDueItems, readStanding } from '../../core/book/stored';
import type { Db } from '../base/db';

/** How many planned outings of a team are looked at: a season's worth for each of a large fleet that goes its own ways. */
const EVENTS_AHEAD = 1000;

/** What is planned from today on. */
export interface Calendar {
  /** The outings a machine goes on, the next one first. */
  of: (machineId: string) => PlannedOuting[];
  /** The next outing of anyone. */
  next: { name: string; firstDay: Day } | null;
  /** All of them, the next one first. */
  events: PlannedEvent[];
}
export interface PlannedEvent {
  id: string;
  name: string;
  firstDay: Day;
  /** When the team leaves; null: on the first day. */
  leavesOn: Day | null;
}

/** Reads the calendar from today on. An event of the whole fleet costs one row, whatever the size of the fleet. */
export async function readCalendar(sql: Db, teamId: string, today: Day): Promise<Calendar> {
  const events = await sql`
    select e.id, e.name, e.kind, e.first_day, e.last_day, e.leaves_on, e.hours_each, e.whole_fleet,
      (select jsonb_object_agg(em.machine_id, em.hours) from event_machine em where em.team_id = e.team_id and em.event_id = e.id) as machines
    from event e
    where e.team_id = ${teamId} and e.last_day >= ${today} and e.called_off_at is null
    order by e.first_day, e.id limit ${EVENTS_AHEAD}`;
  // Whoever is named nowhere goes where the whole fleet goes: one list for all of them.
  const common = new Map<string, PlannedOuting[]>();
  const of = (machineId: string): PlannedOuting[] => {
    const named = events.some((e) => e.machines !== null && machineId in (e.machines as object));
    const key = named ? machineId : '';
    let list = common.get(key);
    if (!list) common.set(key, (list = plannedFor(machineId)));
    return list;
  };
  const plannedFor = (machineId: string): PlannedOuting[] =>
    events.flatMap((e) => {
      const chosen = e.machines as Record<string, number | null> | null;
      const named = chosen !== null && machineId in chosen;
      if (!e.whole_fleet && !named) return [];
      return [
        {
          id: e.id,
          name: e.name,
          kind: e.kind,
          firstDay: e.first_day,
          lastDay: e.last_day,
          hours: (named ? chosen[machineId] : null) ?? e.hours_each
        }
      ];
    });
  const first = events[0];
  return {
    of,
    next: first ? { name: first.name, firstDay: first.first_day } : null,
    events: events.map((e) => ({ id: e.id, name: e.name, firstDay: e.first_day, leavesOn: e.leaves_on }))
  };
}

/** Where machines stand: the whole fleet, or those named. */
export async function readStandings(
  sql: Db,
  team: Team,
  only: readonly string[] | null = null
): Promise<Standing[]> {
  const rows = await sql`
    select m.id, m.plate, m.name, m.maker, m.kind, s.total, s.estimated, s.read_at, s.recent, s.distance, s.speed, s.per_outing, s.tasks, s.findings, s.reminders, s.pegs, v.id as visit_id
    from machine m
    join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
    left join lateral (
      select id from visit v where v.team_id = m.team_id and v.machine_id = m.id and v.closed_at is null and v.given_up_at is null
      order by started_at desc limit 1
    ) v on true
    where m.team_id = ${team.id} ${only ? sql`and m.id = any(${only as string[]})` : sql``}`;
  return rows.map((r) => ({
    id: r.id,
    plate: r.plate,
    name: r.name,
    maker: r.maker,
    kind: r.kind,
    total: r.total,
    estimated: r.estimated,
    readOn: r.read_at ? dayOf(r.read_at, team.timeZone) : null,
    distance: r.distance,
    speed: r.speed,
    perOuting: r.per_outing,
    ...readStanding(r),
    visitId: r.visit_id
  }));
}

export interface TrailPage {
  today: Day;
  /** The lanes to draw at once. */
  lanes: Lane[];
  /** Every machine, in the order of the lanes. */
  order: string[];
  /** How many machines stand in each state. */
  counts: Record<string, number>;
  nextOuting: { name: string; firstDay: Day } | null;
}

/** A lane without what the home screen's window does not reach: pages are sent over paddock networks. */
function homeLane(lane: Lane): Lane {
  return { ...lane, pegs: lane.pegs.filter((p) => -p.behind >= HOME_WINDOW.from) };
}

/** The home screen: every machine ranked by what presses most, the first lanes drawn up. */
export async function trailPage(sql: Db, team: Team, now: Date): Promise<TrailPage> {
  const today = dayOf(now, team.timeZone);
  // Only what ranks a machine is read of the whole fleet; what draws it, of the first lanes.
  const [rows, calendar] = await Promise.all([
    sql`
      select m.id, m.plate, s.speed, s.dues from machine m
      join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id where m.team_id = ${team.id}`,
    readCalendar(sql, team.id, today)
  ]);
  const counts: Record<string, number> = {};
  const ranks = rows.map((r) => {
    const planned = calendar.of(r.id);
    const rank = mostPressing(readDueItems(r.dues), aheadOf({ today, planned, speed: r.speed }));
    counts[rank.state] = (counts[rank.state] ?? 0) + 1;
    return { id: r.id as string, plate: r.plate as string, ...rank };
  });
  ranks.sort(mostPressingFirst);
  const order = ranks.map((r) => r.id);
  const first = order.slice(0, FIRST_LANES);
  const standings = new Map(
    (first.length > 0 ? await readStandings(sql, team, first) : []).map((s) => [s.id, s])
  );
  const lanes = first.flatMap((id) => {
    const standing = standings.get(id);
    return standing ? [homeLane(laneOf(standing, calendar.of(id), today))] : [];
  });
  return { today, lanes, order, counts, nextOuting: calendar.next };
}

/** The lanes of some machines. */
export async function lanesOf(sql: Db, team: Team, ids: readonly string[], now: Date): Promise<Lane[]> {
  const today = dayOf(now, team.timeZone);
  const [standings, calendar] = await Promise.all([
    readStandings(sql, team, ids),
    readCalendar(sql, team.id, today)
  ]);
  return standings.map((s) => homeLane(laneOf(s, calendar.of(s.id), today)));
}

/** What has got worse between two states of one machine: "now past due". */
export function becameDue(before: Lane | null, after: Lane): Logged['due'] {
  const pressing = ['past limit', 'past due', 'due before the next outing'];
  const was = new Map(before?.stakes.map((s) => [s.id, s.state]));
  return after.stakes
    .filter((s) => pressing.includes(s.state) && was.get(s.id) !== s.state)
    .map(({ kind, id, name, state, left }) => ({ kind, id, name, state, left }));
}

/** A machine's own pace, as learned from its outings. */
export async function learnedOf(sql: Db, teamId: string, machineId: string): Promise<Learned> {
  const [s] =
    await sql`select speed, per_race, per_outing from machine_standing where team_id = ${teamId} and machine_id = ${machineId}`;
  return { speed: s?.speed ?? null, perRace: s?.per_race ?? null, perOuting: s?.per_outing ?? null };
}
