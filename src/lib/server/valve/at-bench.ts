import type { Step } from '../../core/job/plan';
import { clearancesAt } from '../../core/valve/at-bench';
import { checkProblems, standsOf } from '../../core/valve/check';
import { checkInput } from '../../core/valve/sheet';
import type { NewEntry } from '../../core/visit/entry';
import type { VisitState } from '../../core/visit/state';
import type { Tx } from '../base/db';
import { headIn } from './heads';
import { Refusal } from '../base/refusal';
import { leave, refuseOpen, remarkOf, within } from './close';
import { valveSheet } from './sheet';
import type { Write } from '../book/under-way';

/**
 * What a step says of the valves has to be what stands on the valve sheet: another device may have measured since.
 * @returns why it is not taken; null where it is
 */
export async function refuseClearances(
  { tx, team }: Pick<Write, 'tx' | 'team'>,
  machineId: string,
  steps: readonly Step[],
  entry: NewEntry
): Promise<Refusal | null> {
  if (entry.action !== 'done' || !entry.content.clearances) return null;
  const step = steps.find((s) => s.key === entry.stepKey);
  if (step?.input.type !== 'clearances') return null;
  const head = await headIn(tx, team.id, machineId);
  if (!head) return new Refusal({ '': 'The head of this engine is not laid out yet.' });
  const sheet = await valveSheet(tx, team, head, machineId);
  const now = clearancesAt(step.input.stage, standsOf(checkInput(sheet)), sheet.rules, sheet.check);
  if (!now.ok) return new Refusal({ '': now.problems.join(' ') });
  const { checkId, valves, bad } = entry.content.clearances;
  const same =
    now.clearances.checkId === checkId && now.clearances.valves === valves && now.clearances.bad === bad;
  return same ? null : new Refusal({ '': 'It was measured anew since. Look at the valve sheet once more.' });
}

/**
 * Closes the check of a visit with it: nothing passes without its number; what was left out of its limits becomes a finding.
 * @returns how soon its wear wants the next one, and for which of the visit's jobs; null where no check stands open
 */
export async function closeWithVisit(
  w: Write,
  visit: { id: string; machineId: string },
  state: VisitState
): Promise<{ checkId: string; jobs: string[]; within: number | null; remark: string } | null> {
  const steps = state.steps.filter((s) => s.step.input.type === 'clearances' && s.called);
  if (steps.length === 0) return null;
  const { tx, team, personId, at } = w;
  const head = await headIn(tx, team.id, visit.machineId);
  const sheet = head && (await valveSheet(tx, team, head, visit.machineId));
  if (!sheet?.check) return null;
  const stands = standsOf(checkInput(sheet));
  const reasons = steps.flatMap((s) => s.leftOut ?? []);
  refuseOpen(sheet, reasons.length > 0);
  if (checkProblems(stands, sheet.rules, 'mm').length > 0)
    await leave(w, sheet, stands, { reason: reasons[0]!, severity: 'fix now' }, visit.id);
  await tx`
    update valve_check set closed_at = ${at}, closed_by = ${personId}, visit_id = ${visit.id} where team_id = ${team.id} and id = ${sheet.check.id}`;
  return {
    checkId: sheet.check.id,
    jobs: [...new Set(steps.flatMap((s) => s.step.jobs))],
    within: within(sheet, stands),
    remark: remarkOf(stands)
  };
}

/** A check that is begun in a visit that is given up goes on by itself. */
export async function freeCheck(tx: Tx, teamId: string, visitId: string): Promise<void> {
  await tx`update valve_check set visit_id = null where team_id = ${teamId} and visit_id = ${visitId} and closed_at is null`;
}
