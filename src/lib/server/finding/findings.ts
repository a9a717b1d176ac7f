import type {
  CloseFindingInput,
  FindingInput,
  FindingWaitInput,
  RegradeInput
} from '../../core/finding/form';
import type { Cause, Closing, Severity } from '../../core/finding/finding';
import type { Reminder } from '../../core/finding/reminder';
import { brakeFluidStop } from '../../core/fluids/brake-fluid';
import type { Leaves, LeftFinding } from '../../core/record/leaves';
import { dayOf, type Day } from '../../core/time/day';
import { figureOf } from '../../core/specs/sheet';
import { momentOn } from '../../core/time/moment';
import type { Db, Tx } from '../base/db';
import { refuseDay } from '../base/moment';
import { refuse } from '../base/refusal';
import { listFigures } from '../specs/sheet';
import type { Write } from '../book/under-way';

/** A finding as a list of a machine or component shows it, open or closed. */
export interface FindingRow {
  id: string;
  cause: Cause;
  what: string;
  note: string;
  place: string;
  severity: Severity;
  part: string | null;
  day: Day;
  hours: number | null;
  by: string;
  visitId: string | null;
  waits: Reminder | null;
  closed: { day: Day; by: string; word: string } | null;
  closedHow: Closing;
}

/** The latest findings of a machine, or of a component wherever it was, the latest first. */
export async function listFindings(
  sql: Db,
  teamId: string,
  of: { machineId: string } | { componentId: string },
  most = 20
): Promise<FindingRow[]> {
  const rows = await sql`
    select f.id, f.cause, f.what, f.note, f.place, f.severity, c.name as part, f.found_on as day, f.hours, p.name as by, f.visit_id as "visitId",
      case when w.id is not null then jsonb_build_object('id', w.id, 'words', w.words, 'waitsFor', w.waits_for, 'part', w.part, 'expectedOn', w.expected_on, 'come', w.come_at is not null) end as waits,
      f.closed_on, q.name as closed_by, f.closed_word, f.closed_how as "closedHow"
    from finding f
    join person p on p.team_id = f.team_id and p.id = f.created_by
    left join person q on q.team_id = f.team_id and q.id = f.closed_by
    left join reminder w on w.team_id = f.team_id and w.finding_id = f.id and w.done_at is null
    left join component c on c.team_id = f.team_id and c.id = f.component_id
    where f.team_id = ${teamId} and ${'machineId' in of ? sql`f.machine_id = ${of.machineId}` : sql`f.component_id = ${of.componentId}`}
    order by f.found_at desc, f.id desc limit ${most}`;
  return rows.map(({ closed_on, closed_by, closed_word, ...f }) => ({
    ...(f as unknown as FindingRow),
    closed: closed_on ? { day: closed_on, by: closed_by, word: closed_word } : null
  }));
}

/** What of the book a finding hangs on. @throws Refusal where the team has none such */
export async function placeOfFinding(
  tx: Tx,
  teamId: string,
  id: string
): Promise<{ machines: string[]; components: string[] }> {
  const [row] =
    await tx`select machine_id, component_id from finding where team_id = ${teamId} and id = ${id}`;
  if (!row) refuse('', 'That finding is not in this team.');
  return {
    machines: row.machine_id ? [row.machine_id] : [],
    components: row.component_id ? [row.component_id] : []
  };
}

/** A finding written down by hand. @throws Refusal where the component is not on that machine */
export async function addFinding({ tx, team, personId, now }: Write, f: FindingInput): Promise<void> {
  const foundOn = f.foundOn ?? dayOf(now, team.timeZone);
  refuseDay(foundOn, team.timeZone, now, 'foundOn');
  if (f.componentId) {
    const [on] =
      await tx`select machine_id from placement where team_id = ${team.id} and component_id = ${f.componentId}`;
    if (on?.machine_id !== f.machineId) refuse('componentId', 'That is not on this machine.');
  }
  await tx`
    insert into finding (team_id, id, machine_id, component_id, cause, what, place, note, severity, found_on, found_at, created_by)
    values (${team.id}, ${f.id}, ${f.machineId}, ${f.componentId}, 'seen', ${f.what}, ${f.place}, ${f.note}, ${f.severity},
      ${foundOn}, ${momentOn(foundOn, team.timeZone, now)}, ${personId})`;
}

/** A finding closed with what was done; what it waited for is over with it. Closed twice is closed once. */
export async function closeFinding(
  w: Write,
  {
    findingId,
    word,
    how = 'done',
    closedOn
  }: { findingId: string; word: string; how?: Closing; closedOn?: Day }
): Promise<void> {
  await closeAll(w, w.tx`f.id = ${findingId}`, word, how, closedOn);
}
/** The same by hand. @throws Refusal with what it was closed with, where somebody was quicker and says otherwise */
export async function closeByHand(w: Write, c: CloseFindingInput): Promise<void> {
  const { tx, team } = w;
  const [is] = await tx`
    select f.found_on, f.closed_at, f.closed_word, f.closed_how, f.what, coalesce(f.machine_id, c.machine_id) as machine, p.name as by from finding f
    left join placement c on c.team_id = f.team_id and c.component_id = f.component_id left join person p on p.team_id = f.team_id and p.id = f.closed_by
    where f.team_id = ${team.id} and f.id = ${c.findingId} for no key update of f`;
  if (c.closedOn) {
    refuseDay(c.closedOn, team.timeZone, w.now, 'closedOn');
    if (is && c.closedOn < is.found_on) refuse('closedOn', 'It was found only after that day.');
  }
  if (!is?.closed_at) {
    if (is && c.how === 'done' && /\bbrakes?\b/i.test(`${is.what} ${c.word}`))
      await refuseBrakeFluid(w, is.machine, c.word);
    return closeFinding(w, c);
  }
  if (is.closed_word !== c.word || is.closed_how !== c.how)
    refuse('word', `${is.by} closed it: “${is.closed_word}”. What you write here is not kept.`);
}

/** A brake is not closed as put right with a fluid its machine does not take. */
async function refuseBrakeFluid({ tx, team }: Write, machineId: string | null, word: string): Promise<void> {
  const figures = machineId ? await listFigures(tx, team.id, machineId) : [];
  const sheet = figureOf({ figures: figures.filter((f) => !f.superseded), fasteners: [] }, 'brake fluid');
  const stop = brakeFluidStop(word, sheet?.text ?? null);
  if (stop) refuse('word', stop);
}

/** Says what closing a finding waits for; said again, it waits for that instead. */
export async function waitForFinding(w: Write, f: FindingWaitInput): Promise<void> {
  const { tx, team, personId } = w;
  const [is] = await tx`
    select what, machine_id, closed_at from finding where team_id = ${team.id} and id = ${f.findingId} for no key update`;
  if (is?.closed_at) refuse('', 'It is closed already.');
  const [on] = is!.machine_id
    ? [{ machine_id: is!.machine_id as string }]
    : await tx`
        select p.machine_id from placement p join finding f on f.team_id = p.team_id and f.component_id = p.component_id
        where f.team_id = ${team.id} and f.id = ${f.findingId}`;
  if (!on?.machine_id) refuse('', 'It is on the shelf: what waits is written down on a machine.');
  await tx`
    insert into reminder (team_id, id, machine_id, finding_id, words, waits_for, part, expected_on, created_by)
    values (${team.id}, ${f.id}, ${on!.machine_id}, ${f.findingId}, ${is!.what}, ${f.waitsFor}, ${f.part}, ${f.expectedOn}, ${personId})
    on conflict (team_id, finding_id) where finding_id is not null do update
      set waits_for = excluded.waits_for, part = excluded.part, expected_on = excluded.expected_on, come_at = null, come_by = null, done_at = null, done_by = null, done_word = ''`;
}

async function closeAll(
  { tx, team, personId, now }: Write,
  which: ReturnType<Tx>,
  word: string,
  how: Closing = 'done',
  on: Day = dayOf(now, team.timeZone)
): Promise<void> {
  const closed = await tx`
    update finding f set closed_on = ${on}, closed_at = greatest(f.found_at, ${momentOn(on, team.timeZone, now)}), closed_by = ${personId}, closed_word = ${word}, closed_how = ${how}
    where f.team_id = ${team.id} and f.closed_at is null and ${which} returning f.id`;
  if (closed.length > 0)
    await tx`
      update reminder set done_at = ${now}, done_by = ${personId}, done_word = ${word}
      where team_id = ${team.id} and finding_id = any(${closed.map((f) => f.id as string)}::uuid[]) and done_at is null`;
}

/** A finding judged otherwise, with why; what it was stays readable. */
export async function regrade({ tx, team, personId, now }: Write, r: RegradeInput): Promise<void> {
  const [is] = await tx`
    select severity, closed_at from finding where team_id = ${team.id} and id = ${r.findingId} for no key update`;
  if (is?.closed_at) refuse('', 'It is closed already.');
  if (!is || is.severity === r.severity) return;
  await tx`
    insert into finding_change (team_id, id, finding_id, was, became, word, changed_at, changed_by)
    values (${team.id}, ${r.id}, ${r.findingId}, ${is.severity}, ${r.severity}, ${r.word}, ${now}, ${personId})`;
  await tx`update finding set severity = ${r.severity} where team_id = ${team.id} and id = ${r.findingId}`;
}

/** Keeps what a closed visit leaves behind, and closes what it has put right. */
export async function keepLeaves(
  w: Write,
  visit: { id: string; machineId: string; jobs: readonly { key: string; taskId: string | null }[] },
  leaves: Leaves
): Promise<void> {
  const { tx, team } = w;
  // Before its own are written: what this visit defers, it does not close.
  for (const { fastenerId, word } of leaves.tight)
    await closeAll(
      w,
      // On what is on this machine now: an engine that has gone took what is open on it along.
      tx`f.cause = 'deferred' and f.fastener_id = ${fastenerId} and (f.component_id is null or exists (
        select 1 from placement p where p.team_id = f.team_id and p.component_id = f.component_id and p.machine_id = ${visit.machineId}))`,
      word
    );
  if (leaves.findings.length === 0) return;
  const tasks = visit.jobs.flatMap((j) => j.taskId ?? []);
  const owners = await tx`
    select id, component_id from task where team_id = ${team.id} and id = any(${tasks}::uuid[])`;
  const partOf = (job: string | null): string | null => {
    const task = visit.jobs.find((j) => j.key === job)?.taskId;
    return (owners.find((t) => t.id === task)?.component_id as string | undefined) ?? null;
  };
  for (const f of leaves.findings) await keepLeft(w, visit, f, partOf(f.job));
}

async function keepLeft(
  { tx, team, personId, now }: Write,
  visit: { id: string; machineId: string },
  f: LeftFinding,
  componentId: string | null
): Promise<void> {
  const id = crypto.randomUUID();
  const today = dayOf(now, team.timeZone);
  const [made] = await tx`
    insert into finding (team_id, id, machine_id, component_id, fastener_id, cause, what, place, note, severity, found_on, found_at, visit_id, item_key,
      created_by, closed_on, closed_at, closed_by, closed_word)
    values (${team.id}, ${id}, ${visit.machineId}, ${componentId}, ${f.fastenerId}, ${f.cause}, ${f.what}, ${f.place}, ${f.note}, ${f.severity}, ${today}, ${now},
      ${visit.id}, ${f.key}, ${personId}, ${f.closed ? today : null}, ${f.closed ? now : null}, ${f.closed ? personId : null}, ${f.closed ?? ''})
    on conflict (team_id, visit_id, item_key) where visit_id is not null do nothing returning id`;
  if (made && f.waits)
    await tx`
      insert into reminder (team_id, id, machine_id, finding_id, words, waits_for, part, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${visit.machineId}, ${id}, ${f.what}, ${f.waits.waitsFor}, ${f.waits.part.slice(0, 120)}, ${personId})`;
}

/** What was measured or seen to be wrong, as a finding; one that stands open already is not written twice. */
export async function findOn(
  { tx, team, personId, now }: Write,
  { machineId, componentId }: { machineId: string | null; componentId: string | null },
  f: { what: string; note: string; severity: string; visitId?: string | null }
): Promise<void> {
  const what = f.what.slice(0, 200);
  await tx`
    insert into finding (team_id, id, machine_id, component_id, cause, what, note, severity, found_on, found_at, visit_id, created_by)
    select ${team.id}, ${crypto.randomUUID()}, ${machineId}, ${componentId}, 'measure', ${what}, ${f.note}, ${f.severity}, ${dayOf(now, team.timeZone)}, ${now}, ${f.visitId ?? null}, ${personId}
    where not exists (select 1 from finding where team_id = ${team.id} and closed_at is null and what = ${what}
      and component_id is not distinct from ${componentId} and machine_id is not distinct from ${machineId})`;
}
