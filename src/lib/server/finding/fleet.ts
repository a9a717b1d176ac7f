import { SEVERITIES, type Severity } from '../../core/finding/finding';
import { foundBefore, type Alike } from '../../core/finding/repeats';
import type { Day } from '../../core/time/day';
import type { Team } from '../../core/team/team';
import type { Db } from '../base/db';
import type { FindingRow } from './findings';
import { photosOfFindings } from '../photo/photos';

/** A finding with the machine it is on now, and when the same was found before. */
export interface FleetFinding extends FindingRow {
  /** Null: on the shelf. */
  machine: { id: string; plate: string; name: string } | null;
  /** The latest first. */
  before: Day[];
  photos: string[];
}
export interface FindingFilter {
  machine: string;
  severity: string;
  closed: boolean;
}
/** So much is listed; and so far back the same is looked for. */
const LISTED = 200;
const LOOKED_BACK = 3000;

/** What is wrong over the whole fleet, the gravest first; or what was closed, the latest first. */
export async function fleetFindings(
  sql: Db,
  team: Pick<Team, 'id'>,
  filter: FindingFilter
): Promise<{ rows: FleetFinding[]; counts: Partial<Record<Severity, number>>; more: boolean }> {
  const on = sql`coalesce(pl.machine_id, f.machine_id)`;
  const where = sql`
    f.team_id = ${team.id} and f.closed_at is ${filter.closed ? sql`not null` : sql`null`}
    ${filter.machine ? sql`and ${on} = ${filter.machine}` : sql``}`;
  const severity = SEVERITIES.find((s) => s === filter.severity);
  const [rows, counts] = await Promise.all([
    sql`
      select f.id, f.cause, f.what, f.note, f.place, f.severity, c.name as part, f.found_on as day, f.hours, p.name as by, f.visit_id as "visitId",
        f.closed_how as "closedHow",
        case when w.id is not null then jsonb_build_object('id', w.id, 'words', w.words, 'waitsFor', w.waits_for, 'part', w.part, 'expectedOn', w.expected_on, 'come', w.come_at is not null) end as waits,
        case when f.closed_at is not null then jsonb_build_object('day', f.closed_on, 'by', q.name, 'word', f.closed_word) end as closed,
        case when m.id is not null then jsonb_build_object('id', m.id, 'plate', m.plate, 'name', m.name) end as machine
      from finding f
      join person p on p.team_id = f.team_id and p.id = f.created_by
      left join person q on q.team_id = f.team_id and q.id = f.closed_by
      left join reminder w on w.team_id = f.team_id and w.finding_id = f.id and w.done_at is null
      left join component c on c.team_id = f.team_id and c.id = f.component_id
      left join placement pl on pl.team_id = f.team_id and pl.component_id = f.component_id
      left join machine m on m.team_id = f.team_id and m.id = case when f.component_id is null then f.machine_id else pl.machine_id end
      where ${where} ${severity ? sql`and f.severity = ${severity}` : sql``}
      order by ${filter.closed ? sql`f.closed_at desc, f.id` : sql`array_position(${SEVERITIES as unknown as string[]}, f.severity), f.found_at, f.id`} limit ${LISTED + 1}`,
    sql`
      select f.severity, count(*)::int as n from finding f
      left join placement pl on pl.team_id = f.team_id and pl.component_id = f.component_id
      where ${where} group by f.severity`
  ]);
  const shown = rows.slice(0, LISTED);
  const ids = shown.map((r) => r.id as string);
  const [before, photos] = await Promise.all([
    beforeOf(sql, team.id, ids),
    photosOfFindings(sql, team.id, ids)
  ]);
  const list = shown.map(
    (r) =>
      ({
        ...(r as unknown as FleetFinding),
        before: before.get(r.id as string) ?? [],
        photos: photos.get(r.id as string) ?? []
      }) satisfies FleetFinding
  );
  return {
    rows: list,
    counts: Object.fromEntries(counts.map((r) => [r.severity, r.n])),
    more: rows.length > LISTED
  };
}

/** When the same was found before, of findings by id: on the same machine or the same component. */
export async function beforeOf(sql: Db, teamId: string, ids: readonly string[]): Promise<Map<string, Day[]>> {
  if (ids.length === 0) return new Map();
  const past = await sql`
    select f.id, f.what, f.check_key as check, f.fastener_id as "fastenerId", f.found_on as day, f.found_at, coalesce(f.component_id, f.machine_id) as owner
    from finding f
    where f.team_id = ${teamId} and coalesce(f.component_id, f.machine_id) in (
      select coalesce(component_id, machine_id) from finding where team_id = ${teamId} and id = any(${ids as string[]}))
    order by f.found_at desc limit ${LOOKED_BACK}`;
  const byOwner = new Map<string, Alike[]>();
  for (const r of past)
    byOwner.set(r.owner as string, [
      ...(byOwner.get(r.owner as string) ?? []),
      { ...(r as unknown as Alike), at: (r.found_at as Date).getTime() }
    ]);
  const wanted = new Set(ids);
  const before = new Map<string, Day[]>();
  for (const list of byOwner.values())
    for (const [id, days] of foundBefore(list)) if (wanted.has(id)) before.set(id, days);
  return before;
}
