import type { z } from 'zod';
import { checkProblems, readingNow, standsOf, type ValveStand } from '../../core/valve/check';
import type { CheckCloseInput, checkStrikeSchema } from '../../core/valve/form';
import { showUm } from '../../core/valve/limits';
import { checkInput, type ValveSheet } from '../../core/valve/sheet';
import { thickness } from '../../core/valve/shim';
import { measuredWords } from '../../core/valve/typed';
import { nextWithin } from '../../core/valve/wear';
import { asPast, wearOfHead } from '../../core/valve/wear-of-head';
import type { Scope } from '../book/hold';
import type { Tx } from '../base/db';
import { recordOfCheck } from '../schedule/check-record';
import { useHead } from './heads';
import { refuse, Refusal } from '../base/refusal';
import { valveSheet } from './sheet';
import { find, machineOfHead, placeOfCheck, useCheck } from './checks';
import type { Write } from '../book/under-way';

/** Closing restarts the count of a task and may leave a finding. */
export async function placeOfClose(tx: Tx, teamId: string, c: CheckCloseInput): Promise<Scope> {
  const { machines, components } = await placeOfCheck(tx, teamId, c.checkId);
  return { machines, components, tasks: c.taskId ? [c.taskId] : [] };
}

/**
 * Closes a check. Nothing passes without a number; what is out of its limits is put right, or left with a reason and becomes a
 * finding. Restarts the count of its task, with a stake of its own where a valve reaches its limit sooner than the book says.
 * @returns the record it wrote; null where it was for no task
 */
export async function closeCheck(w: Write, c: CheckCloseInput): Promise<string | null> {
  const { tx, team, personId, at } = w;
  const check = await useCheck(tx, team.id, c.checkId);
  if (check.closed) return check.recordId;
  if (check.visitId !== null) refuse('', 'It belongs to a visit at the bench, and is closed with it.');
  const head = await useHead(tx, team.id, check.headId);
  const sheet = await valveSheet(tx, team, head, await machineOfHead(tx, team.id, head));
  refuseOpen(sheet, c.leave !== null);
  const stands = standsOf(checkInput(sheet));
  const recordId = c.taskId === null ? null : await recordFor(w, c.taskId, check.machineId, sheet, stands);
  await tx`
    update valve_check set closed_at = ${at}, closed_by = ${personId}, record_id = ${recordId} where team_id = ${team.id} and id = ${check.id}`;
  if (c.leave) await leave(w, sheet, stands, c.leave);
  return recordId;
}

/** What keeps a check from being closed. */
export function refuseOpen(sheet: ValveSheet, leaves: boolean): void {
  const problems = checkProblems(standsOf(checkInput(sheet)), sheet.rules, 'mm').filter(
    (p) => !leaves || !p.mayLeave
  );
  if (problems.length > 0) throw new Refusal({ '': problems.map((p) => p.message).join(' ') }, { problems });
}

/** What is out of its limits and stays so, as findings on the engine. */
export async function leave(
  w: Write,
  sheet: ValveSheet,
  stands: readonly ValveStand[],
  { reason, severity }: NonNullable<CheckCloseInput['leave']>,
  visitId: string | null = null
): Promise<void> {
  const left = checkProblems(stands, sheet.rules, 'mm').filter((p) => p.mayLeave);
  for (const p of left) {
    const s = stands.find((x) => x.valve.id === p.valve)!;
    const limits = s.limits ? `, limits ${showUm(s.limits.lo)} to ${showUm(s.limits.hi)}` : '';
    await find(w, sheet.head, {
      what: `${s.name}: clearance ${s.verdict === 'tight' || s.verdict === 'loose' ? `too ${s.verdict}` : s.verdict}, ${measuredWords(readingNow(s)!.measured, 'mm')}${limits}`,
      note: reason,
      severity,
      visitId
    });
  }
}

/** What was done at the valves, in a line. */
export function remarkOf(stands: readonly ValveStand[]): string {
  const changed = stands.filter((s) => s.changed && s.shim && s.before);
  const set = stands.filter((s) => s.left && !s.changed);
  const shim = (s: ValveStand) =>
    `${s.name} ${showUm(thickness(s.before!)!)} → ${showUm(thickness(s.shim!)!)}`;
  const figure = (s: ValveStand) => `${s.name} ${measuredWords(readingNow(s)!.measured, 'mm')}`;
  return [
    `${stands.length} valves measured: ${stands.map(figure).join(', ')}`,
    ...(changed.length > 0 ? [`shims: ${changed.map(shim).join(', ')}`] : []),
    ...(set.length > 0 ? [`set: ${set.map((s) => s.name).join(', ')}`] : [])
  ].join('; ');
}

/** How soon its wear wants it again, hundredths of an hour. */
export function within(sheet: ValveSheet, stands: readonly ValveStand[]): number | null {
  const past = sheet.check
    ? [asPast(stands, sheet.check.id, '', sheet.check.hours), ...sheet.past]
    : sheet.past;
  return nextWithin(
    wearOfHead(stands, past, sheet.rules, sheet.head.series).flatMap((v) => {
      const { limits } = stands.find((s) => s.valve.id === v.valve)!;
      return v.now && limits ? [{ checks: v.checks, now: v.now, limits }] : [];
    })
  );
}

async function recordFor(
  w: Write,
  taskId: string,
  machineId: string | null,
  sheet: ValveSheet,
  stands: readonly ValveStand[]
): Promise<string> {
  const [c] =
    await w.tx`select rules from valve_check where team_id = ${w.team.id} and id = ${sheet.check!.id}`;
  return recordOfCheck(w, taskId, {
    machineId,
    components: sheet.head.componentId ? [sheet.head.componentId] : [],
    notMine: 'That task is not of this engine or its machine.',
    remark: remarkOf(stands),
    rules: c!.rules,
    within: within(sheet, stands)
  });
}

/** A check that does not count: it stays in the book, struck out with who and why. */
export async function strikeCheck(w: Write, s: z.output<typeof checkStrikeSchema>): Promise<void> {
  const { tx, team, personId, now } = w;
  const [c] = await tx`
    update valve_check set struck_at = ${now}, struck_by = ${personId}, struck_reason = ${s.reason}
    where team_id = ${team.id} and id = ${s.checkId} and struck_at is null returning id, record_id`;
  // What it said of the next one it says no more.
  if (c?.record_id)
    await tx`update service_record set next_within = null where team_id = ${team.id} and id = ${c.record_id}`;
  if (!c) {
    const [there] = await tx`select 1 from valve_check where team_id = ${team.id} and id = ${s.checkId}`;
    if (!there) refuse('', 'That check is not in this team.');
  }
}
