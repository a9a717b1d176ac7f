import type { Stand } from '../../core/round/stand';
import type { RoundSheet } from '../../core/round/sheet';
import type { FilterInput, FilterSet } from '../../core/stores/filters';
import type { VisitState } from '../../core/visit/state';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

const counted = (sql: Db) => sql`
  coalesce((select sum(clean) from air_filter_movement m where m.team_id = f.team_id and m.filter_id = f.id), 0)::int as clean,
  coalesce((select sum(dirty) from air_filter_movement m where m.team_id = f.team_id and m.filter_id = f.id), 0)::int as dirty`;

/** The filters of a team that go round, set by set. */
export async function listFilters(sql: Db, teamId: string): Promise<FilterSet[]> {
  return (await sql`
    select f.id, f.name, ${counted(sql)},
      coalesce((select jsonb_agg(jsonb_build_object('id', m.id, 'plate', m.plate) order by m.plate) from machine m
        where m.team_id = f.team_id and m.air_filter_id = f.id), '[]') as machines
    from air_filter f where f.team_id = ${teamId} and f.retired_at is null order by f.name`) as unknown as FilterSet[];
}

/** How many there are for a machine; null where none go round. */
export async function sparesOf(sql: Db, teamId: string, machineId: string): Promise<RoundSheet['spares']> {
  const [row] = await sql`
    select f.name, ${counted(sql)} from machine x
    join air_filter f on f.team_id = x.team_id and f.id = x.air_filter_id and f.retired_at is null
    where x.team_id = ${teamId} and x.id = ${machineId}`;
  return (row as unknown as RoundSheet['spares']) ?? null;
}

interface Moved {
  clean: number;
  dirty: number;
  why: string;
  roundId?: string;
  visitId?: string;
}
async function move({ tx, team, personId, at }: Write, filterId: string, m: Moved): Promise<void> {
  if (m.clean === 0 && m.dirty === 0) return;
  await tx`
    insert into air_filter_movement (team_id, id, filter_id, clean, dirty, why, round_id, visit_id, at, by)
    values (${team.id}, ${crypto.randomUUID()}, ${filterId}, ${m.clean}, ${m.dirty}, ${m.why}, ${m.roundId ?? null}, ${m.visitId ?? null}, ${at}, ${personId})`;
}

/** A set put down, or counted anew. A machine takes one set at a time. */
export async function keepFilter(w: Write, f: FilterInput): Promise<void> {
  const { tx, team, personId } = w;
  const [other] = await tx`
    select 1 from air_filter where team_id = ${team.id} and lower(name) = lower(${f.name}) and id <> ${f.id} and retired_at is null`;
  if (other) refuse('name', 'There is one of that name. Two alike need two names.');
  const machines =
    await tx`select id from machine where team_id = ${team.id} and id = any(${f.machineIds}::uuid[])`;
  if (machines.length < new Set(f.machineIds).size) refuse('machineIds', 'One of them is not in this team.');
  const [is] = await tx`
    insert into air_filter (team_id, id, name, created_by) values (${team.id}, ${f.id}, ${f.name}, ${personId})
    on conflict (team_id, id) do update set name = excluded.name returning retired_at`;
  if (is!.retired_at) refuse('', 'That set is put away.');
  await tx`
    update machine set air_filter_id = case when id = any(${f.machineIds}::uuid[]) then ${f.id}::uuid end
    where team_id = ${team.id} and (id = any(${f.machineIds}::uuid[]) or air_filter_id = ${f.id})`;
  const now = await countOf(w, f.id);
  await move(w, f.id, { clean: f.clean - now.clean, dirty: f.dirty - now.dirty, why: 'counted' });
}

async function countOf(
  { tx, team }: Write,
  filterId: string,
  until: Date | null = null
): Promise<{ clean: number; dirty: number }> {
  await tx`select 1 from air_filter where team_id = ${team.id} and id = ${filterId} for no key update`;
  const [sum] = await tx`
    select coalesce(sum(clean), 0)::int as clean, coalesce(sum(dirty), 0)::int as dirty from air_filter_movement
    where team_id = ${team.id} and filter_id = ${filterId} and (${until}::timestamptz is null or at <= ${until})`;
  return sum as unknown as { clean: number; dirty: number };
}

/** All that waited by then are clean again; one that came out later still waits. Washed twice is washed once: then none wait. */
export async function washFilters(w: Write, { filterId }: { filterId: string }): Promise<void> {
  const [is] =
    await w.tx`select 1 from air_filter where team_id = ${w.team.id} and id = ${filterId} and retired_at is null`;
  if (!is) refuse('', 'That set is not in this team’s stores.');
  const dirty = Math.min((await countOf(w, filterId, w.at)).dirty, (await countOf(w, filterId)).dirty);
  if (dirty > 0) await move(w, filterId, { clean: dirty, dirty: -dirty, why: 'washed and oiled' });
}

/** One clean one goes in and a dirty one comes out, for each round or visit that says so; said otherwise afterwards, it is taken back. */
async function settle(
  w: Write,
  machineId: string,
  by: { roundId: string } | { visitId: string },
  taken: boolean
): Promise<void> {
  const { tx, team } = w;
  const [was] = await tx`
    select filter_id, sum(dirty)::int as out from air_filter_movement
    where team_id = ${team.id} and ${'roundId' in by ? tx`round_id = ${by.roundId}` : tx`visit_id = ${by.visitId}`}
    group by filter_id having sum(dirty) <> 0`;
  const [of] = await tx`
    select x.air_filter_id as id, x.plate from machine x join air_filter f on f.team_id = x.team_id and f.id = x.air_filter_id and f.retired_at is null
    where x.team_id = ${team.id} and x.id = ${machineId}`;
  const filterId = (was?.filter_id ?? of?.id) as string | undefined;
  if (!filterId) return;
  const out = taken ? 1 : 0;
  const more = out - ((was?.out as number | undefined) ?? 0);
  const why = more > 0 ? `into ${(of?.plate as string | undefined) ?? 'a machine'}` : 'not changed after all';
  await move(w, filterId, { clean: -more, dirty: more, why, ...by });
}

/** What a round says of the filter, where it says anything of it. */
export async function settleRound(
  w: Write,
  machineId: string,
  roundId: string,
  stand: Pick<Stand, 'items'>
): Promise<void> {
  for (const { check, answer } of stand.items) {
    if (check.how !== 'choose' || !check.choices.some((c) => c.spare)) continue;
    const spare = answer !== null && check.choices.some((c) => c.spare === true && c.word === answer.choice);
    await settle(w, machineId, { roundId }, spare);
  }
}
/** A round that is struck out took none. */
export const unsettleRound = (w: Write, machineId: string, roundId: string): Promise<void> =>
  settle(w, machineId, { roundId }, false);

/** The step of the job at which a clean one goes in. */
export const SPARE_STEP = 'air-filter.spare';
/** A visit that put one in. */
export async function settleVisit(
  w: Write,
  visit: { id: string; machineId: string },
  state: VisitState
): Promise<void> {
  const said = state.steps
    .find((s) => s.step.key === SPARE_STEP && s.called && s.done)
    ?.written.at(-1)?.answer;
  if (said === 'yes') await settle(w, visit.machineId, { visitId: visit.id }, true);
}
