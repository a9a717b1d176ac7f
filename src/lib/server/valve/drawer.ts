import type { z } from 'zod';
import {
  changeBy,
  type DrawerInput,
  type DrawerPasteInput,
  type levelSchema,
  type SizeThere
} from '../../core/valve/drawer';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** All that lies in the drawer, and sizes that are to lie there and do not; by how far across, then by size. */
export async function listDrawer(sql: Db, teamId: string): Promise<SizeThere[]> {
  return (await sql`
    with there as (
      select across, stamp, measured, sum(count)::int as count from shim_movement where team_id = ${teamId} group by across, stamp, measured having sum(count) <> 0
    ), wanted as (select across, stamp, least from shim_level where team_id = ${teamId} and least > 0)
    select t.across, t.stamp, t.measured, t.count, coalesce(w.least, 0)::int as least from there t left join wanted w on w.across = t.across and w.stamp = t.stamp
    union all
    select w.across, w.stamp, null, 0, w.least from wanted w where not exists (select 1 from there t where t.across = w.across and t.stamp = w.stamp)
    order by 1, 2, 3`) as unknown as SizeThere[];
}

/** Who took what for which engine, the latest first. */
export interface Movement {
  id: string;
  at: Date;
  by: string;
  across: number;
  stamp: number | null;
  measured: number | null;
  count: number;
  why: string;
  /** Plate of the machine it was for. */
  plate: string | null;
  engine: string | null;
}
export async function listMovements(sql: Db, teamId: string, most = 40): Promise<Movement[]> {
  return (await sql`
    select s.id, s.at, p.name as by, s.across, s.stamp, s.measured, s.count, s.why, m.plate, e.name as engine from shim_movement s
    join person p on p.team_id = s.team_id and p.id = s.by
    left join valve_check c on c.team_id = s.team_id and c.id = s.check_id
    left join valve_head h on h.team_id = c.team_id and h.id = c.head_id
    left join machine m on m.team_id = c.team_id and m.id = c.machine_id
    left join component e on e.team_id = h.team_id and e.id = h.component_id
    where s.team_id = ${teamId} order by s.at desc, s.id desc limit ${most}`) as unknown as Movement[];
}

async function count(
  { tx, team, personId, at }: Write,
  id: string,
  s: Pick<DrawerInput, 'across' | 'stamp' | 'measured' | 'now'>,
  why: string,
  field: string
): Promise<void> {
  const there = await countOf(tx, team.id, s);
  const by = changeBy(s.now, there);
  if (by === null) refuse(field, `By the book there are ${there}. Say how many are left instead.`);
  if (by === 0) return;
  await tx`
    insert into shim_movement (team_id, id, across, stamp, measured, count, why, at, by)
    values (${team.id}, ${id}, ${s.across}, ${s.stamp}, ${s.measured}, ${by}, ${why}, ${at}, ${personId})`;
}

async function countOf(
  tx: Tx,
  teamId: string,
  s: Pick<DrawerInput, 'across' | 'stamp' | 'measured'>
): Promise<number> {
  const [row] = await tx`
    select coalesce(sum(count), 0)::int as count from shim_movement
    where team_id = ${teamId} and across = ${s.across} and stamp is not distinct from ${s.stamp} and measured is not distinct from ${s.measured}`;
  return row!.count as number;
}

/** The drawer is one for the team: two who count at once take turns. */
const hold = ({ tx, team }: Write) => tx`select 1 from team where id = ${team.id} for no key update`;
const WHY = { more: 'put into the drawer', less: 'taken out of the drawer', is: 'counted' };

/** Writes down what came, what went, or what there is of one size. */
export async function countShims(w: Write, s: DrawerInput): Promise<void> {
  await hold(w);
  await count(w, s.id, s, s.why || WHY[s.now.what], 'now');
}

/** The same for a whole list; all of it or nothing. */
export async function pasteDrawer(w: Write, { rows }: DrawerPasteInput): Promise<void> {
  await hold(w);
  for (const [i, r] of rows.entries()) await count(w, crypto.randomUUID(), r, 'from a list', `rows.${i}.now`);
}

/** How many of a size are to lie there at least. */
export async function setLevel({ tx, team }: Write, l: z.output<typeof levelSchema>): Promise<void> {
  await tx`
    insert into shim_level (team_id, across, stamp, least) values (${team.id}, ${l.across}, ${l.stamp}, ${l.least})
    on conflict (team_id, across, stamp) do update set least = excluded.least`;
}
