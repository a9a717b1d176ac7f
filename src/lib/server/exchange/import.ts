import { v5 } from 'uuid';
import { z } from 'zod';
import { guarded } from '../../core/exchange/csv';
import { MOST_ROWS } from '../../core/exchange/import/decode';
import { DATE_ORDERS, DECIMALS } from '../../core/exchange/import/dialect';
import { foresee } from '../../core/exchange/import/foresee';
import { IMPORT_KEYS, IMPORT_LISTS, type ImportKey } from '../../core/exchange/import/lists';
import type { ImportList, Refs, There, Verdict } from '../../core/exchange/import/model';
import { planImport, thereOf } from '../../core/exchange/import/plan';
import { countedOn, unmetered } from '../../core/exchange/import/unmetered';
import { day, id } from '../../core/forms';
import type { Around, NearReading } from '../../core/hours/entry';
import { OUTING_KINDS } from '../../core/outing/outing';
import type { Team } from '../../core/team/team';
import { addDays, dayOf } from '../../core/time/day';
import { momentOn } from '../../core/time/moment';
import type { Db } from '../base/db';
import { dueFilter } from '../schedule/dues';
import { loadAround } from '../hours/reading-rows';
import type { ListFilter } from './columns';
import { LISTS } from './lists';

/** As a page sends what a file holds. */
export const MOST_BYTES = 15_000_000;

/** A file as the page sends it to be looked through: cells as they stand in it. */
export const importSchema = z.object({
  /** Of this file: what is changed by it can be changed again by another. */
  importId: id,
  list: z.enum(IMPORT_KEYS, { error: 'There is no such list.' }),
  heads: z.array(z.string().max(200)).min(1).max(200),
  columns: z.array(z.string().max(40).nullable()).max(200),
  decimal: z.enum(DECIMALS),
  dates: z.enum(DATE_ORDERS),
  /** Its hours are what a meter shows: somebody said so. */
  shown: z.boolean().default(false),
  usual: z
    .object({ day, kind: z.enum(OUTING_KINDS) })
    .nullable()
    .default(null),
  rows: z
    .array(z.object({ line: z.number().int().min(1), cells: z.array(z.string().max(20_000)).max(200) }))
    .min(1, 'There is no row in it.')
    .max(MOST_ROWS, `At most ${MOST_ROWS.toLocaleString('en')} rows at once.`)
});
export type ImportQuestion = z.infer<typeof importSchema>;

async function rowsOf(sql: Db, team: Team, key: ImportKey, now: Date, closed: boolean) {
  const filter: ListFilter = {
    machine: null,
    severity: null,
    kind: null,
    closed,
    due: dueFilter(new URLSearchParams()),
    now
  };
  const reader = { team, units: 'metric' } as const;
  const { columns, rows } = LISTS[key];
  const heads = columns.map((c) => (typeof c.heading === 'string' ? c.heading : c.heading(reader)));
  const list: { cells: string[]; raw: Record<string, unknown> }[] = [];
  for await (const some of rows(sql, reader, filter))
    for (const raw of some) list.push({ cells: columns.map((c) => guarded(c.of(raw, reader))), raw });
  return { heads, list };
}

/** What is in the book of a list, by what each row of it is. */
async function readThere(
  sql: Db,
  team: Team,
  key: ImportKey,
  refs: Refs,
  now: Date
): Promise<Map<string, There[]>> {
  const { heads, list } = await rowsOf(sql, team, key, now, false);
  if (key === 'findings') list.push(...(await rowsOf(sql, team, key, now, true)).list);
  return thereOf(IMPORT_LISTS[key], heads, list, refs);
}

/** Names that rows may use, and ids that are the same whenever the same file is looked through. */
async function readRefs(sql: Db, team: Team, q: ImportQuestion, now: Date): Promise<Refs> {
  const [machines, people, tasks, components, fasteners] = await Promise.all([
    sql`select id, plate, name, kind from machine where team_id = ${team.id}`,
    sql`select id, name from person where team_id = ${team.id}`,
    sql`select id, name, machine_id as "machineId", component_id as "componentId" from task where team_id = ${team.id} and retired_at is null`,
    sql`
      select c.id, c.kind, c.name, p.machine_id as "machineId" from component c left join placement p on p.team_id = c.team_id and p.component_id = c.id
      where c.team_id = ${team.id} and c.scrapped_at is null`,
    sql`select id, machine_id as "machineId", name, circuit from fastener where team_id = ${team.id} and removed_at is null`
  ]);
  const today = dayOf(now, team.timeZone);
  return {
    today,
    usual: q.usual ?? { day: today, kind: 'ride' },
    machines: machines as unknown as Refs['machines'],
    people: people as unknown as Refs['people'],
    tasks: tasks as unknown as Refs['tasks'],
    components: components as unknown as Refs['components'],
    fasteners: fasteners as unknown as Refs['fasteners'],
    idOf: (once, ...parts) => v5(JSON.stringify([q.list, ...parts]), once ? q.importId : team.id),
    momentOf: (on) => momentOn(on, team.timeZone, now).toISOString()
  };
}

/** All readings of machines, and what else a reading of each is held against. */
async function readHours(sql: Db, team: Team, machineIds: readonly string[], now: Date) {
  const today = dayOf(now, team.timeZone);
  const [around, rows] = await Promise.all([
    loadAround(
      sql,
      team,
      machineIds.map((machineId) => ({ machineId, day: today, settlement: null })),
      now
    ),
    sql`
      select r.machine_id, r.id, r.meter_id, r.read_at, r.value, s.reading_id is not null as struck from reading r
      join meter m on m.team_id = r.team_id and m.id = r.meter_id and m.counts = 'hours'
      left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
      where r.team_id = ${team.id} and r.machine_id = any(${machineIds as string[]}) order by r.read_at, r.id`
  ]);
  const readings = new Map<string, NearReading[]>();
  for (const r of rows) {
    const list = readings.get(r.machine_id) ?? [];
    list.push({ id: r.id, meterId: r.meter_id, at: r.read_at.getTime(), value: r.value, struck: r.struck });
    readings.set(r.machine_id, list);
  }
  return { around: around as ReadonlyMap<string, Around>, readings };
}

/** What taking a file would do, row by row. Nothing is written. */
export async function planFile(sql: Db, team: Team, q: ImportQuestion, now: Date): Promise<Verdict[]> {
  const list: ImportList = IMPORT_LISTS[q.list];
  const refs = await readRefs(sql, team, q, now);
  const there = await readThere(sql, team, q.list, refs, now);
  const file = {
    columns: q.columns,
    heads: q.heads,
    rows: q.rows,
    dialect: { decimal: q.decimal, dates: q.dates }
  };
  const verdicts = planImport(list, file, there, refs).map((v) => outOfReach(v, refs.today));
  const machines = new Set(
    verdicts.flatMap((v) =>
      v.drafts[0]?.kind === 'reading.log' ? [v.drafts[0].body['machineId'] as string] : []
    )
  );
  if (machines.size === 0) return verdicts;
  const { around, readings } = await readHours(sql, team, [...machines], now);
  const at = q.columns.indexOf('hours');
  const cells = new Map(q.rows.map((r) => [r.line, r.cells]));
  const counted = unmetered(
    verdicts,
    q.heads[at] ?? '',
    q.shown,
    (id, on) => countedOn(around.get(id)!, on, now),
    (line) => cells.get(line)?.[at] ?? '',
    (id) => refs.machines.find((m) => m.id === id)!.plate
  );
  return foresee(counted, around, readings, now);
}

/** Days of which nothing can be written down any more, or yet. */
function outOfReach(v: Verdict, today: string): Verdict {
  const on = v.drafts.map((d) => d.body['day'] ?? d.body['foundOn']).find((d) => typeof d === 'string') as
    string | undefined;
  if (on === undefined) return v;
  const why =
    on > today
      ? `${on} has not come yet.`
      : on < addDays(today, -3650)
        ? `${on} is more than ten years ago.`
        : '';
  return why ? { ...v, what: 'refused', why, drafts: [] } : v;
}
