import { randomBytes } from 'node:crypto';
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { dueEntry, endOf, eventEntry, type Entry, type Feed } from '../../core/calendar/entries';
import type { FeedInput } from '../../core/calendar/form';
import { tasksDue } from '../../core/schedule/due';
import type { Team } from '../../core/team/team';
import { dayOf, type Day } from '../../core/time/day';
import { machineNow } from '../../core/trail/lane';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import { readCalendar, readStandings } from '../trail/lanes';
import type { Write } from '../book/under-way';

/** The calendars of a team that are read. */
export async function listFeeds(sql: Db, teamId: string): Promise<Feed[]> {
  return (await sql`
    select f.id, coalesce(m.plate || ' ' || m.name, q.name, 'the team') as of, f.machine_id as "machineId", f.person_id as "personId", f.secret, p.name as by
    from calendar_feed f join person p on p.team_id = f.team_id and p.id = f.created_by
    left join machine m on m.team_id = f.team_id and m.id = f.machine_id
    left join person q on q.team_id = f.team_id and q.id = f.person_id
    where f.team_id = ${teamId} and f.withdrawn_at is null
    order by f.machine_id is not null, f.person_id is not null, of`) as unknown as Feed[];
}

/** 32 bytes: nobody guesses it, and it fits an address. */
const secret = () => randomBytes(32).toString('base64url');

/** Makes a calendar, or gives the one there is another address. */
export async function keepFeed({ tx, team, personId, now }: Write, f: FeedInput): Promise<void> {
  const [of] = f.machineId
    ? await tx`select 1 from machine where team_id = ${team.id} and id = ${f.machineId}`
    : f.personId
      ? await tx`select 1 from person where team_id = ${team.id} and id = ${f.personId}`
      : [true];
  if (!of) refuse(f.machineId ? 'machineId' : 'personId', 'That is not in this team.');
  // Two who ask at once get one after the other.
  await tx`select 1 from team where id = ${team.id} for no key update`;
  await tx`
    update calendar_feed set withdrawn_at = ${now}
    where team_id = ${team.id} and withdrawn_at is null and machine_id is not distinct from ${f.machineId} and person_id is not distinct from ${f.personId}`;
  await tx`
    insert into calendar_feed (team_id, id, secret, machine_id, person_id, created_by)
    values (${team.id}, ${f.id}, ${secret()}, ${f.machineId}, ${f.personId}, ${personId})`;
}

export async function withdrawFeed({ tx, team, now }: Write, { feedId }: { feedId: string }): Promise<void> {
  const [is] = await tx`
    update calendar_feed set withdrawn_at = coalesce(withdrawn_at, ${now}) where team_id = ${team.id} and id = ${feedId} returning id`;
  if (!is) refuse('', 'That calendar is not of this team.');
}

interface Subject {
  team: Team;
  of: string;
  machineId: string | null;
  personId: string | null;
}
/** Whose calendar an address is; null: nobody's, or not any more. */
export async function feedBy(sql: Db, given: string): Promise<Subject | null> {
  const [row] = await sql`
    select t.id, t.name, t.time_zone, t.is_demo, f.machine_id, f.person_id, coalesce(m.plate || ' ' || m.name, q.name, t.name) as of
    from calendar_feed f join team t on t.id = f.team_id
    left join machine m on m.team_id = f.team_id and m.id = f.machine_id
    left join person q on q.team_id = f.team_id and q.id = f.person_id
    where f.secret = ${given} and f.withdrawn_at is null`;
  if (!row) return null;
  return {
    team: { id: row.id, name: row.name, timeZone: row.time_zone, isDemo: row.is_demo },
    of: row.of,
    machineId: row.machine_id,
    personId: row.person_id
  };
}

/** Events that are over stay so long, so that a calendar tells where one was. */
const BEHIND_DAYS = 120;

/** What stands in a calendar: the outings that are planned, lately were, and what is likely due. */
export async function entriesOf(
  sql: Db,
  { team, machineId, personId }: Subject,
  now: Date
): Promise<Entry[]> {
  const today = dayOf(now, team.timeZone);
  const machines = await sql`
    select id, plate, name from machine
    where team_id = ${team.id} ${machineId ? sql`and id = ${machineId}` : sql``} ${personId ? sql`and rider_id = ${personId}` : sql``}
    order by length(plate), plate`;
  const ids = machines.map((m) => m.id as string);
  const all = machineId === null && personId === null;
  const [events, standings, calendar] = await Promise.all([
    sql`
      select e.id, e.name, e.kind, e.first_day as "firstDay", e.last_day as "lastDay",
        case when e.whole_fleet then null else array(
          select m.plate from event_machine em join machine m on m.team_id = em.team_id and m.id = em.machine_id
          where em.team_id = e.team_id and em.event_id = e.id order by length(m.plate), m.plate) end as plates
      from event e
      where e.team_id = ${team.id} and e.called_off_at is null and e.last_day >= ${today}::date - ${BEHIND_DAYS}::int
        ${
          all
            ? sql``
            : sql`and (e.whole_fleet and ${ids.length > 0} or exists (
          select 1 from event_machine em where em.team_id = e.team_id and em.event_id = e.id and em.machine_id = any(${ids}::uuid[])))`
        }
      order by e.first_day, e.id limit 1000`,
    ids.length > 0 ? readStandings(sql, team, ids) : [],
    readCalendar(sql, team.id, today)
  ]);
  const byId = new Map(standings.map((s) => [s.id, s]));
  const due = machines.flatMap((m) => {
    const s = byId.get(m.id as string);
    if (!s) return [];
    const at = machineNow(s, calendar.of(s.id), today);
    return tasksDue(s.tasks, at).flatMap(
      (d) => dueEntry({ id: s.id, plate: s.plate, name: s.name }, d, today) ?? []
    );
  });
  return [...(events as unknown as Parameters<typeof eventEntry>[0][]).map(eventEntry), ...due];
}

const HOUR_S = 3600;
/** A day as a calendar's whole day. */
const wholeDay = (day: Day): Date => new Date(`${day}T00:00:00Z`);

/** A calendar as iCalendar has it (RFC 5545): whole days; what is only likely is tentative, and leaves its days free. */
export function icsOf(of: string, entries: readonly Entry[], now: Date): string {
  const calendar = ical({
    name: `Hour Trail: ${of}`,
    prodId: { company: 'hour-trail', product: 'book', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: HOUR_S
  });
  for (const e of entries)
    calendar.createEvent({
      id: `${e.uid}@hour-trail`,
      start: wholeDay(e.from),
      end: wholeDay(endOf(e)),
      allDay: true,
      stamp: now,
      summary: e.title,
      description: e.likely ? `Likely on one of these days, eight times out of ten. ${e.words}` : e.words,
      status: e.likely ? ICalEventStatus.TENTATIVE : ICalEventStatus.CONFIRMED,
      transparency: ICalEventTransparency.TRANSPARENT
    });
  return calendar.toString();
}
