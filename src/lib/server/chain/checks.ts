import type {
  ChainCloseInput,
  chainPlaceSchema,
  chainStrikeSchema,
  DriveInput,
  SlackMeasureInput
} from '../../core/chain/form';
import {
  AFTERCARE,
  remarkOf,
  slackProblems,
  slackStand,
  type Reading,
  type SlackStand
} from '../../core/chain/check';
import { USUAL_DRIVE, type Drive } from '../../core/chain/drive';
import { markProblem } from '../../core/chain/reading-typed';
import { nextWithin, setWear, wantedNow, type ChainSheet } from '../../core/chain/sheet';
import { readDrive, writeDrive } from '../../core/chain/stored';
import type { z } from 'zod';
import type { Scope } from '../book/hold';
import { chainSheet } from './sheet';
import { recordOfCheck } from '../schedule/check-record';
import type { Db, Tx } from '../base/db';
import { findOn } from '../finding/findings';
import { partOn } from '../component/fittings';
import { refuse, Refusal } from '../base/refusal';
import { readRules } from '../rules/rules';
import { heldMachine, type Write } from '../book/under-way';

/** The drive of a machine as somebody described it; null: nobody has. */
export async function driveOf(sql: Db, teamId: string, machineId: string): Promise<Drive | null> {
  const [d] =
    await sql`select content from chain_drive where team_id = ${teamId} and machine_id = ${machineId}`;
  return d ? readDrive(d.content) : null;
}

/** Says how slack is measured on a machine, how its axle is moved, and what is fitted. */
export async function setDrive(w: Write, { machineId, ...drive }: DriveInput): Promise<void> {
  heldMachine(w, machineId, 'machineId');
  await saveDrive(w, machineId, drive);
}
/** Says where along the run slack is measured. */
export async function setPlace(
  w: Write,
  { machineId, at }: z.output<typeof chainPlaceSchema>
): Promise<void> {
  heldMachine(w, machineId, 'machineId');
  await saveDrive(w, machineId, { ...((await driveOf(w.tx, w.team.id, machineId)) ?? USUAL_DRIVE), at });
}
export async function saveDrive(
  { tx, team, personId, now }: Write,
  machineId: string,
  drive: Drive
): Promise<void> {
  const content = tx.json(writeDrive(drive) as never);
  await tx`
    insert into chain_drive (team_id, machine_id, content, changed_at, changed_by) values (${team.id}, ${machineId}, ${content}, ${now}, ${personId})
    on conflict (team_id, machine_id) do update set content = excluded.content, changed_at = excluded.changed_at, changed_by = excluded.changed_by`;
}

/** A check as far as writing in it goes. */
interface CheckRow {
  id: string;
  machineId: string;
  closed: boolean;
  recordId: string | null;
}
async function useCheck(tx: Tx, teamId: string, id: string): Promise<CheckRow> {
  const [c] = await tx`
    select id, machine_id as "machineId", closed_at is not null as closed, record_id as "recordId", struck_at is not null as struck
    from chain_check where team_id = ${teamId} and id = ${id} for no key update`;
  if (!c) refuse('', 'That check is not in this team.');
  if (c!.struck) refuse('', 'That check was struck out.');
  return c as unknown as CheckRow;
}
/** What is held while a check is written in. */
export async function machineOfCheck(tx: Tx, teamId: string, checkId: string): Promise<string> {
  const [c] =
    await tx`select machine_id as id from chain_check where team_id = ${teamId} and id = ${checkId}`;
  return (c ?? refuse('', 'That check is not in this team.')).id as string;
}
export async function placeOfSlackClose(tx: Tx, teamId: string, c: ChainCloseInput): Promise<Scope> {
  return { machines: [await machineOfCheck(tx, teamId, c.checkId)], tasks: c.taskId ? [c.taskId] : [] };
}

/**
 * Writes down slack that was read. The first of it begins a check; who measures the same machine from another device measures in
 * the check that stands open.
 * @returns the check it went into
 */
export async function measureSlack(w: Write, m: SlackMeasureInput): Promise<string> {
  const { tx, team } = w;
  heldMachine(w, m.machineId, 'machineId');
  const [open] = await tx`
    select id from chain_check where team_id = ${team.id} and machine_id = ${m.machineId} and closed_at is null and struck_at is null`;
  const drive = (await driveOf(tx, team.id, m.machineId)) ?? USUAL_DRIVE;
  refuseMarks(m.readings, drive);
  const checkId = (open?.id as string | undefined) ?? m.checkId;
  if (!open) await beginCheck(w, m.checkId, m.machineId, drive);
  await addReadings(w, checkId, m.readings);
  return checkId;
}

/** Marks that are not on this machine. */
function refuseMarks(readings: SlackMeasureInput['readings'], { adjuster }: Drive): void {
  for (const [i, r] of readings.entries())
    for (const side of ['left', 'right'] as const) {
      const problem = r[side] === null ? null : markProblem(r[side], adjuster.lastMark);
      if (problem) refuse(`readings.${i}.${side}`, problem);
    }
}

export async function beginCheck(
  { tx, team, personId, at }: Write,
  id: string,
  machineId: string,
  drive: Drive
): Promise<void> {
  const [used] = await tx`select 1 from chain_check where team_id = ${team.id} and id = ${id}`;
  if (used) refuse('', 'That check is over. What is measured now belongs to a new one.');
  const [rules, chain] = [
    await readRules(tx, team.id, machineId),
    await partOn(tx, team.id, machineId, 'chain')
  ];
  await tx`
    insert into chain_check (team_id, id, machine_id, component_id, rules, drive, begun_at, begun_by)
    values (${team.id}, ${id}, ${machineId}, ${chain?.id ?? null}, ${tx.json(rules as never)}, ${tx.json(writeDrive(drive) as never)}, ${at}, ${personId})`;
}
export async function addReadings(
  { tx, team, personId, at }: Write,
  checkId: string,
  readings: readonly Omit<Reading, 'by'>[]
): Promise<void> {
  for (const r of readings)
    await tx`
      insert into chain_reading (team_id, id, check_id, stage, slack_mm, slackest_mm, left_mark, right_mark, typed, at, by)
      values (${team.id}, ${r.id}, ${checkId}, ${r.stage}, ${r.slack}, ${r.slackest}, ${r.left}, ${r.right}, ${r.typed}, ${at}, ${personId})`;
}

/**
 * Closes a check. Nothing passes without a number; once the axle was moved it is read with the axle tight, and what was not seen to
 * since is a finding. Restarts the count of its task, with a stake of its own where the chain likely ends sooner.
 * @returns the record it wrote; null where it was for no task
 */
export async function closeSlack(w: Write, c: ChainCloseInput): Promise<string | null> {
  const { tx, team, personId, at } = w;
  const check = await useCheck(tx, team.id, c.checkId);
  if (check.closed) return check.recordId;
  const sheet = await chainSheet(tx, team, check.machineId);
  const stand = slackStand(sheet.check!.readings, wantedNow(sheet));
  const problems = slackProblems(stand, wantedNow(sheet)).filter((p) => c.leave === null || !p.mayLeave);
  if (problems.length > 0) throw new Refusal({ '': problems.map((p) => p.message).join(' ') }, { problems });
  const [kept] = await tx`select rules from chain_check where team_id = ${team.id} and id = ${check.id}`;
  const recordId =
    c.taskId === null
      ? null
      : await recordOfCheck(w, c.taskId, {
          machineId: check.machineId,
          components: partsOf(sheet),
          notMine: 'That task is not of this machine, nor of its chain or sprockets.',
          remark: remarkOf(stand),
          rules: kept!.rules,
          within: nextWithin(setWear(sheet))
        });
  await tx`
    update chain_check set closed_at = ${at}, closed_by = ${personId}, record_id = ${recordId} where team_id = ${team.id} and id = ${check.id}`;
  await leaveSlack(w, sheet, stand, c);
  return recordId;
}
export const partsOf = (s: Pick<ChainSheet, 'chain' | 'front' | 'rear'>): string[] =>
  [s.chain, s.front, s.rear].flatMap((p) => (p ? [p.id] : []));

/** What stays wrong, or was not seen to, as findings on the machine. */
async function leaveSlack(
  w: Write,
  sheet: ChainSheet,
  stand: SlackStand,
  { seen, leave }: Pick<ChainCloseInput, 'seen' | 'leave'>
): Promise<void> {
  const on = { machineId: sheet.machineId, componentId: null };
  if (leave)
    for (const p of slackProblems(stand, wantedNow(sheet)).filter((x) => x.mayLeave))
      await findOn(w, on, {
        what: `Chain slack: ${p.message}`,
        note: leave.reason,
        severity: leave.severity
      });
  if (!stand.moved) return;
  for (const a of AFTERCARE)
    if (!seen.includes(a))
      await findOn(w, on, {
        what: `After the chain was adjusted: ${a}?`,
        note: 'Not seen to when the check was closed.',
        severity: 'fix now'
      });
}

/** A check that does not count: it stays in the book, struck out with who and why. */
export async function strikeSlack(w: Write, s: z.output<typeof chainStrikeSchema>): Promise<void> {
  const { tx, team, personId, now } = w;
  const [c] = await tx`
    update chain_check set struck_at = ${now}, struck_by = ${personId}, struck_reason = ${s.reason}
    where team_id = ${team.id} and id = ${s.checkId} and struck_at is null returning record_id`;
  if (c?.record_id)
    await tx`update service_record set next_within = null where team_id = ${team.id} and id = ${c.record_id}`;
}
