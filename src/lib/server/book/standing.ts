import type { Book, MachineStanding } from '../../core/book/book';
import { STANDING_VERSION } from '../../core/book/stored';
import type { PartRow } from '../../core/book/rows';
import { keepsOff } from '../../core/finding/finding';
import { dueItems } from '../../core/schedule/fleet';
import { reach } from './hold';
import { loadFollowers, loadRows, withSteps } from './load';
import { EVER } from '../../core/book/steps';
import { advance } from './steps';
import { allOver, type Db, type Sql, type Tx } from '../base/db';

/** After all books: a moment that both PostgreSQL and JavaScript know. */
const NEVER = Date.UTC(9999, 0);

/** Keeps what a book says, in one statement for each table; none waits for another. */
async function keep(tx: Tx, teamId: string, book: Book): Promise<void> {
  const standings = book.machines.map((m) => asRow(m));
  await allOver([
    standings.length > 0 &&
      tx`
      insert into machine_standing (team_id, machine_id, total, estimated, read_at, recent, dues, tasks, findings, reminders, ready, pegs, distance, speed, per_race, per_outing, version)
      select ${teamId}, s.*, ${STANDING_VERSION}::int from jsonb_to_recordset(${tx.json(standings as never)}) as s (machine_id uuid, total int, estimated boolean, read_at timestamptz, recent jsonb,
        dues jsonb, tasks jsonb, findings jsonb, reminders jsonb, ready boolean, pegs jsonb, distance int, speed int, per_race int, per_outing int)
      on conflict (team_id, machine_id) do update set total = excluded.total, estimated = excluded.estimated, read_at = excluded.read_at,
        recent = excluded.recent, dues = excluded.dues, tasks = excluded.tasks, findings = excluded.findings,
        reminders = excluded.reminders, ready = excluded.ready, pegs = excluded.pegs,
        distance = excluded.distance, version = excluded.version, speed = excluded.speed, per_race = excluded.per_race, per_outing = excluded.per_outing`,
    book.totals.length > 0 &&
      tx`
      update component c set total = n.total from jsonb_to_recordset(${tx.json(book.totals as never)}) as n (id uuid, total int)
      where c.team_id = ${teamId} and c.id = n.id`,
    book.findingHours.length > 0 &&
      tx`
      update finding f set hours = n.hours from jsonb_to_recordset(${tx.json(book.findingHours as never)}) as n (id uuid, hours int)
      where f.team_id = ${teamId} and f.id = n.id`,
    book.hours.length > 0 &&
      tx`
      update service_record r set hours = n.hours, machine_hours = n."machineHours" from jsonb_to_recordset(${tx.json(book.hours as never)}) as n (id uuid, hours int, "machineHours" int)
      where r.team_id = ${teamId} and r.id = n.id`
  ]);
}

const whole = (n: number | null) => (n === null ? null : Math.round(n));
function asRow(m: MachineStanding): Record<string, unknown> {
  return {
    machine_id: m.machineId,
    total: m.total,
    estimated: m.estimated,
    read_at: m.readAt === null ? null : new Date(m.readAt).toISOString(),
    recent: m.recent,
    dues: dueItems(m),
    tasks: m.tasks,
    findings: m.findings,
    reminders: m.reminders,
    ready: keepsOff(m.findings).length === 0,
    pegs: m.pegs,
    distance: whole(m.distance),
    speed: whole(m.learned.speed),
    per_race: m.learned.perRace,
    per_outing: m.learned.perOuting
  };
}

/**
 * Works out anew where machines stand, with the components that hang on them, and keeps it: in the transaction of every write
 * that touches them, so that the fleet's screens never have to read history.
 */
export async function standAnew(
  tx: Tx,
  teamId: string,
  of: { machines: readonly string[]; components: readonly string[]; moved?: boolean }
): Promise<void> {
  const asked = { machineIds: of.machines, componentIds: of.components };
  // What is read of the book beside its steps does not hang on them: asked at once, waited for together.
  const [since, rows] = await allOver([advance(tx, teamId, of.machines), loadRows(tx, teamId, asked)]);
  const earliest = Math.min(Infinity, ...since.values());
  // Records that follow the book are put right from where it has changed; new ones wait for their first hours.
  const from = (at: number | undefined) => Math.min(at ?? NEVER, NEVER);
  const follow = new Map<string, number>([
    ...of.machines.map((id) => [id, from(since.get(id))] as const),
    ...of.components.map((id) => [id, from(earliest)] as const),
    // One that was moved counts otherwise from then on, though no machine does.
    ...(of.moved ? rows.parts.filter((p) => p.fittings.length > 0) : []).map(
      (p) => [p.id, Math.min(from(earliest), movedAt(p))] as const
    )
  ]);
  const followers = await loadFollowers(tx, teamId, follow);
  await keep(tx, teamId, await withSteps(tx, teamId, asked, { ...rows, followers }));
}

/** When a component was fitted or taken off last. */
const movedAt = (p: PartRow): number => Math.max(...p.fittings.flatMap((f) => [f.from, f.to ?? f.from]));

/** Works out anew one machine and everything that hangs on it. */
export async function refreshStanding(sql: Db, teamId: string, machineId: string): Promise<void> {
  await inTransaction(sql, async (tx) => {
    await standAnew(tx, teamId, await reach(tx, teamId, { machines: [machineId] }));
  });
}

/** The same from the first line of its book, whatever was worked out before. */
export async function rebuildStanding(sql: Db, teamId: string, machineId: string): Promise<void> {
  await inTransaction(sql, async (tx) => {
    await tx`
      insert into book_stale (team_id, machine_id, since) values (${teamId}, ${machineId}, ${new Date(EVER)})
      on conflict (team_id, machine_id) do update set since = excluded.since`;
    await standAnew(tx, teamId, await reach(tx, teamId, { machines: [machineId] }));
  });
}

const inTransaction = (sql: Db, run: (tx: Tx) => Promise<void>): Promise<void> =>
  'begin' in sql ? ((sql as Sql).begin(run) as Promise<void>) : run(sql);

/** Makes the standings that are missing or of another version: after a change of what they hold. */
export async function refreshMissing(sql: Sql): Promise<number> {
  const missing = await sql`
    select m.team_id, m.id from machine m
    where not exists (select 1 from machine_standing s where s.team_id = m.team_id and s.machine_id = m.id and s.version = ${STANDING_VERSION}) order by m.team_id, m.id`;
  for (const m of missing) await refreshStanding(sql, m.team_id, m.id);
  return missing.length;
}
