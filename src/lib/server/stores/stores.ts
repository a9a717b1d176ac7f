import type { AdapterInput, OilInput, RetireInput, StockInput, WrenchInput } from '../../core/stores/form';
import type { BladesInput } from '../../core/valve/form';
import { movementsOf } from '../../core/stores/stock';
import type { BladeSet, Toolbox } from '../../core/stores/toolbox';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** Wrenches, adapters and oils of a team, with how often each wrench has clicked and how much oil there is. */
export async function readToolbox(sql: Db, teamId: string): Promise<Toolbox> {
  const [wrenches, adapters, oils] = await Promise.all([
    sql`
    select id, name, unit, low_nm as "lowNm", high_nm as "highNm", length_mm as "lengthMm", calibrated_until as "calibratedUntil",
      (select count(*)::int from visit_entry e where e.team_id = w.team_id and e.action = 'torqued' and e.wrench_id = w.id::text) as pulls
    from torque_wrench w where team_id = ${teamId} and retired_at is null order by high_nm, name`,
    sql`select id, name, length_mm as "lengthMm" from adapter where team_id = ${teamId} and retired_at is null order by length_mm, name`,
    sql`
    select id, name, kind, grade, ratings, additives, bottle_ml as "bottleMl",
      coalesce((select sum(ml) from oil_movement m where m.team_id = o.team_id and m.oil_id = o.id), 0)::float8 as "stockMl"
    from oil o where team_id = ${teamId} and retired_at is null order by kind, name, grade`
  ]);
  return { wrenches, adapters, oils } as unknown as Toolbox;
}

/** Feeler blades of a team, set by set. */
export async function listBlades(sql: Db, teamId: string): Promise<BladeSet[]> {
  return (await sql`
    select id, name, unit, blades as um from blade_set where team_id = ${teamId} and retired_at is null order by name`) as unknown as BladeSet[];
}

async function refuseName(
  tx: Db,
  teamId: string,
  table: 'torque_wrench' | 'adapter' | 'blade_set',
  name: string,
  id: string
): Promise<void> {
  const [other] =
    await tx`select 1 from ${tx(table)} where team_id = ${teamId} and lower(name) = lower(${name}) and id <> ${id} and retired_at is null`;
  if (other) refuse('name', 'There is one of that name. Two alike need two names.');
}

export async function addWrench({ tx, team, personId }: Write, w: WrenchInput): Promise<void> {
  await refuseName(tx, team.id, 'torque_wrench', w.name, w.id);
  await tx`
    insert into torque_wrench (team_id, id, name, unit, low_nm, high_nm, length_mm, calibrated_until, created_by)
    values (${team.id}, ${w.id}, ${w.name}, ${w.unit}, ${w.lowNm}, ${w.highNm}, ${w.lengthMm}, ${w.calibratedUntil}, ${personId})`;
}

export async function addAdapter({ tx, team, personId }: Write, a: AdapterInput): Promise<void> {
  await refuseName(tx, team.id, 'adapter', a.name, a.id);
  await tx`
    insert into adapter (team_id, id, name, length_mm, created_by)
    values (${team.id}, ${a.id}, ${a.name}, ${a.length}, ${personId})`;
}

export async function addOil({ tx, team, personId }: Write, o: OilInput): Promise<void> {
  const [other] =
    await tx`select 1 from oil where team_id = ${team.id} and lower(name) = lower(${o.name}) and lower(grade) = lower(${o.grade}) and id <> ${o.id} and retired_at is null`;
  if (other) refuse('name', 'That oil is in the stores already; note its stock there.');
  await tx`
    insert into oil (team_id, id, name, kind, grade, ratings, additives, bottle_ml, created_by)
    values (${team.id}, ${o.id}, ${o.name}, ${o.kind}, ${o.grade}, ${o.ratings}, ${o.additives}, ${o.bottle}, ${personId})`;
  if (o.stock > 0)
    await tx`insert into oil_movement (team_id, id, oil_id, ml, why, by) values (${team.id}, ${crypto.randomUUID()}, ${o.id}, ${o.stock}, 'put into the stores', ${personId})`;
}

export async function addBlades({ tx, team, personId }: Write, b: BladesInput): Promise<void> {
  await refuseName(tx, team.id, 'blade_set', b.name, b.id);
  await tx`insert into blade_set (team_id, id, name, unit, blades, created_by) values (${team.id}, ${b.id}, ${b.name}, ${b.blades.unit}, ${b.blades.um}, ${personId})`;
}

/** Writes down what came, what went, or what there is of an oil now. */
export async function noteStock({ tx, team, personId }: Write, s: StockInput): Promise<void> {
  const [o] =
    await tx`select bottle_ml from oil where team_id = ${team.id} and id = ${s.oilId} for no key update`;
  if (!o) refuse('', 'That oil is not in this team’s stores.');
  const [there] = await tx`select 1 from oil_movement where team_id = ${team.id} and id = ${s.id}`;
  if (there) return;
  const [{ ml }] = (await tx`
    select coalesce(sum(ml), 0)::float8 as ml from oil_movement where team_id = ${team.id} and oil_id = ${s.oilId}`) as unknown as [
    { ml: number }
  ];
  const moved = movementsOf(s.now, ml, Number(o!.bottle_ml), s.why);
  if (!moved) refuse('now', 'By the book there is not that much. Say what is left instead, such as 0.3 L.');
  for (const [i, m] of moved.entries())
    await tx`
      insert into oil_movement (team_id, id, oil_id, ml, why, by)
      values (${team.id}, ${i === 0 ? s.id : crypto.randomUUID()}, ${s.oilId}, ${m.ml}, ${m.why}, ${personId})`;
}

/** Takes a thing out of use; what was written with it stays. */
export async function retire(
  { tx, team }: Write,
  input: { id: string; what: RetireInput['what'] }
): Promise<void> {
  const table = {
    wrench: 'torque_wrench',
    adapter: 'adapter',
    oil: 'oil',
    blades: 'blade_set',
    filters: 'air_filter'
  }[input.what];
  const [row] =
    await tx`update ${tx(table)} set retired_at = coalesce(retired_at, now()) where team_id = ${team.id} and id = ${input.id} returning id`;
  if (!row) refuse('', 'That is not in this team’s stores.');
}

/** Names of all wrenches there ever were, for records that name one. */
export async function wrenchNames(sql: Db, teamId: string): Promise<Record<string, string>> {
  const rows = await sql`select id, name from torque_wrench where team_id = ${teamId}`;
  return Object.fromEntries(rows.map((r) => [r.id, r.name]));
}
