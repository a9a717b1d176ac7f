import type { Entry, NewEntry } from '../../core/visit/entry';
import { VisitInTurn } from '../../core/visit/in-turn';
import { thingStands } from '../../core/visit/goes-in';
import { visitState } from '../../core/visit/state';
import { readItem, readPlan, readStep } from '../../core/job/stored';
import { readRulesOf } from '../../core/rules/stored';
import { readEntry, writeContent } from '../../core/visit/stored';
import { inWords } from '../../core/visit/problems';
import { namesNobody } from '../../core/visit/names';
import { refuseEntry } from '../../core/visit/refuse';
import { dayOf } from '../../core/time/day';
import { Wider } from '../book/hold';
import type { HouseRules } from '../../core/rules/rules';
import type { Visit as Shown } from '../../core/visit/page';
import type { Db } from '../base/db';
import { refuse, Refusal } from '../base/refusal';
import { readToolbox } from '../stores/stores';
import { freeCheck, refuseClearances } from '../valve/at-bench';
import { idInBook } from '../base/visit-id';
import type { Write } from '../book/under-way';

/** A visit as its page has it, with the house rules it was begun under. */
export interface Visit extends Shown {
  rules: HouseRules;
}

/** The records of a visit, in the order of its jobs. */
const recordIds = (sql: Db) => sql`array(
  select r.id from visit_task t join service_record r on r.team_id = t.team_id and r.visit_id = t.visit_id and r.task_id = t.task_id
  where t.team_id = v.team_id and t.visit_id = v.id order by t.position)`;

/** A visit, under its own id or one that it was begun under apart. */
export async function getVisit(sql: Db, teamId: string, id: string): Promise<Visit | null> {
  const [v] = await sql`
    select v.*, m.plate, m.name as machine, s.total, coalesce(s.ready, true) as ready,
      ${recordIds(sql)} as record_ids
    from visit v join machine m on m.team_id = v.team_id and m.id = v.machine_id
    left join machine_standing s on s.team_id = v.team_id and s.machine_id = v.machine_id
    where v.team_id = ${teamId} and v.id = ${idInBook(sql, teamId, id)}`;
  if (!v) return null;
  const [steps, items, entries] = await Promise.all([
    sql`select content from visit_step where team_id = ${teamId} and visit_id = ${v.id} order by position`,
    sql`select content from opened_item where team_id = ${teamId} and visit_id = ${v.id} order by position`,
    readEntries(sql, teamId, v.id)
  ]);
  const head = readPlan(v.plan);
  return {
    id: v.id,
    machineId: v.machine_id,
    plate: v.plate,
    machine: v.machine,
    total: v.total,
    ready: v.ready,
    startedAt: v.started_at,
    closedAt: v.closed_at,
    givenUpAt: v.given_up_at,
    recordIds: v.record_ids,
    rules: readRulesOf(v.rules),
    plan: {
      ...head,
      title: head.jobs.map((j) => j.title).join(' + '),
      steps: steps.map((s) => readStep(s.content)),
      items: items.map((i) => readItem(i.content))
    },
    entries
  };
}

/** What was written in a visit, in order; with `after`, only what came after that number. */
export async function readEntries(sql: Db, teamId: string, visitId: string, after = 0): Promise<Entry[]> {
  const rows = await sql`
    select e.id, e.seq, e.seen, e.after_entry, e.step_key, e.item_key, e.action, e.content, e.at, p.name as by, s.unit from visit_entry e
    join person p on p.team_id = e.team_id and p.id = e.by
    left join visit_step s on s.team_id = e.team_id and s.visit_id = e.visit_id and s.key = e.step_key
    where e.team_id = ${teamId} and e.visit_id = ${idInBook(sql, teamId, visitId)} and e.seq > ${after} order by e.seq`;
  return rows.map((r) =>
    readEntry({
      id: r.id,
      seq: Number(r.seq),
      seen: r.seen,
      after: r.after_entry,
      stepKey: r.step_key,
      itemKey: r.item_key,
      action: r.action,
      content: r.content,
      at: r.at.toISOString(),
      by: r.by,
      unit: r.unit
    })
  );
}

/** The records a visit left, in the order of its jobs; null where the team has no such visit. */
export async function recordsOf(sql: Db, teamId: string, id: string): Promise<string[] | null> {
  const [v] = await sql`
    select ${recordIds(sql)} as record_ids from visit v where v.team_id = ${teamId} and v.id = ${idInBook(sql, teamId, id)}`;
  return (v?.record_ids as string[] | undefined) ?? null;
}

/** The machine of a visit. @throws Refusal where the team has no such visit */
export async function machineOfVisit(tx: Db, teamId: string, id: string): Promise<string> {
  const [v] =
    await tx`select machine_id from visit where team_id = ${teamId} and id = ${idInBook(tx, teamId, id)}`;
  return v ? (v.machine_id as string) : refuse('', 'That visit is not in this team.');
}

export async function lockVisit(tx: Db, teamId: string, id: string): Promise<Visit> {
  await tx`select 1 from visit where team_id = ${teamId} and id = ${idInBook(tx, teamId, id)} for no key update`;
  const visit = await getVisit(tx, teamId, id);
  if (!visit) refuse('', 'That visit is not in this team.');
  return visit!;
}

type Stamp = Pick<Entry, 'seq' | 'at' | 'by'>;

/**
 * Adds entries to one visit, in the order given: each is judged as the visit stands after those before it.
 * @returns for each its number and its stamp (what other devices wrote meanwhile is asked for by number), or why it is refused
 */
export async function addEntries(
  list: readonly { w: Write; input: { visitId: string; entry: NewEntry } }[]
): Promise<((() => Promise<Stamp>) | Refusal)[]> {
  const { tx, team } = list[0]!.w;
  let visit: Visit;
  try {
    visit = await lockVisit(tx, team.id, list[0]!.input.visitId);
  } catch (e) {
    if (e instanceof Refusal) return list.map(() => e);
    throw e;
  }
  const no = (message: string) => new Refusal({ '': message });
  if (visit.closedAt || visit.givenUpAt) {
    for (const { w, input } of list) await keepLeftOpen(w, visit, input.entry);
    return list.map(() => no('This visit is closed; nothing more can be written in it.'));
  }
  const tools = await readToolbox(tx, team.id);
  const known = new Set(visit.entries.map((e) => e.id));
  const standing = new VisitInTurn(visit.plan, visit.entries);
  const results: (Refusal | null)[] = [];
  for (const { w, input } of list) {
    const { entry } = input;
    if (known.has(entry.id)) {
      results.push(
        no('That was written before, with other content. Open the page again to see what is there.')
      );
      continue;
    }
    // Its number is the database's; it is judged by what it says, and when, as the visit stood then.
    const done = { ...entry, seq: Number.MAX_SAFE_INTEGER, at: w.at.toISOString(), by: '' } as Entry;
    const problem =
      refuseEntry(standing.before(done), entry, tools, w.at.getTime()) ??
      namesNobody(visit.plan, entry, tools);
    const refusal = problem
      ? new Refusal({ '': inWords(problem) }, { problem })
      : await refuseClearances(w, visit.machineId, visit.plan.steps, entry);
    results.push(refusal);
    if (refusal) continue;
    known.add(entry.id);
    standing.add(done);
  }
  const taken = list.filter((_, i) => results[i] === null);
  const stamps = await insertEntries(
    tx,
    team.id,
    visit.id,
    taken.map(({ w, input: { entry } }) => ({ entry, by: w.personId, at: w.at }))
  );
  return list.map(({ input: { entry } }, i) => results[i] ?? (async () => stamps.get(entry.id)!));
}

/**
 * Something that a device without a signal took off before the visit was closed, and that nobody is known to have put on since: it is
 * not in the visit any more, and must not be lost. It parks the machine until somebody has looked.
 */
async function keepLeftOpen(
  { tx, team, personId, at, held }: Write,
  visit: Visit,
  entry: NewEntry
): Promise<void> {
  if (!visit.closedAt || at >= visit.closedAt) return;
  const was = visitState(visit.plan, visit.entries);
  const done = { ...entry, seq: Number.MAX_SAFE_INTEGER, at: at.toISOString(), by: '' } as Entry;
  const open = visitState(visit.plan, [...visit.entries, done]).open.filter(
    (i) => !was.open.some((o) => o.item.key === i.item.key)
  );
  if (open.length > 0 && !held.machines.has(visit.machineId)) throw new Wider([visit.machineId]);
  for (const { item } of open)
    await tx`
      insert into finding (team_id, id, machine_id, fastener_id, cause, what, place, severity, found_on, found_at, visit_id, item_key, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${visit.machineId}, ${item.fastenerId}, 'seen',
        ${`${item.name}: taken off before the visit was closed, as a device without a signal has it. Is it on, and tight?`.slice(0, 200)},
        ${item.place}, 'park the machine', ${dayOf(at, team.timeZone)}, ${at}, ${visit.id}, ${item.key}, ${personId})
      on conflict (team_id, visit_id, item_key) where visit_id is not null do nothing`;
}

/** Writes entries in their order. */
async function insertEntries(
  tx: Db,
  teamId: string,
  visitId: string,
  list: readonly { entry: NewEntry; by: string; at: Date }[]
): Promise<Map<string, Stamp>> {
  if (list.length === 0) return new Map();
  const rows = list.map(({ entry: e, by, at }, n) => ({
    n,
    id: e.id,
    step_key: e.stepKey,
    item_key: e.itemKey,
    action: e.action,
    seen: e.seen ?? null,
    after_entry: e.after ?? null,
    content: writeContent(e),
    by,
    at: at.toISOString()
  }));
  const made = await tx`
    with made as (
      insert into visit_entry (team_id, id, visit_id, step_key, item_key, action, seen, after_entry, content, by, at)
      select ${teamId}, e.id, ${visitId}, e.step_key, e.item_key, e.action, e.seen, e.after_entry, e.content, e.by, e.at
      from jsonb_to_recordset(${tx.json(rows as never)}) as e (n int, id uuid, step_key text, item_key text, action text, seen uuid, after_entry uuid, content jsonb, by uuid, at timestamptz) order by e.n
      returning id, seq, at, by
    )
    select made.id, made.seq, made.at, p.name from made join person p on p.team_id = ${teamId} and p.id = made.by`;
  return new Map(
    made.map((m) => [
      m.id as string,
      { seq: Number(m.seq), at: (m.at as Date).toISOString(), by: m.name as string }
    ])
  );
}

/** Writes one entry of a visit that is made up, at its own moment. */
export async function insertEntry(
  tx: Db,
  teamId: string,
  personId: string,
  visitId: string,
  e: NewEntry,
  at: Date
): Promise<void> {
  await tx`
    insert into visit_entry (team_id, id, visit_id, step_key, item_key, action, content, by, at)
    values (${teamId}, ${e.id}, ${visitId}, ${e.stepKey}, ${e.itemKey}, ${e.action}, ${tx.json(writeContent(e) as never)}, ${personId}, ${at})`;
}

/** Gives a visit up without the work done: only while nothing stands open. */
export async function giveUpVisit(
  { tx, team }: Write,
  { visitId, reason }: { visitId: string; reason: string }
): Promise<void> {
  const visit = await lockVisit(tx, team.id, visitId);
  if (visit.closedAt) refuse('', 'This visit is closed already.');
  const state = visitState(visit.plan, visit.entries);
  const out = [
    ...state.open.map((i) => ({ key: i.item.key, message: `${i.item.name} is not shut.` })),
    ...state.items
      .filter((i) => i.deferred)
      .map((i) => ({
        key: i.item.key,
        message: `${i.item.name} is deferred: finish it, or close the visit.`
      })),
    ...state.things
      .filter((t) => !t.in)
      .map((t) => ({ key: `thing:${t.id}`, message: `${t.name} is still ${thingStands(t)}.` }))
  ];
  if (out.length > 0)
    throw new Refusal({ '': 'It cannot be given up while something stands open.' }, { problems: out });
  await freeCheck(tx, team.id, visit.id);
  await tx`update visit set given_up_at = now(), given_up_reason = ${reason} where team_id = ${team.id} and id = ${visit.id} and given_up_at is null`;
}
