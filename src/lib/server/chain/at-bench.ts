import { readingsOf } from '../../core/chain/at-bench';
import { USUAL_DRIVE } from '../../core/chain/drive';
import { remarkOf, slackStand } from '../../core/chain/check';
import { nextWithin, setWear } from '../../core/chain/sheet';
import type { VisitState } from '../../core/visit/state';
import { chainSheet } from './sheet';
import { addReadings, beginCheck, driveOf } from './checks';
import { addDressing } from './entries';
import type { Write } from '../book/under-way';

/** What a visit read of the chain, once it is closed. */
export interface SlackDone {
  checkId: string;
  /** The jobs of the visit it was read for. */
  jobs: string[];
  /** How soon its wear wants the chain again, hundredths of an hour; null: not known. */
  within: number | null;
  /** What was read, in a line. */
  remark: string;
}

/**
 * Keeps what a visit read of the chain as a check, closed with it, and that it was dressed. A check that stood open on the chain
 * sheet is the same one.
 * @returns null where no slack was read
 */
export async function closeChainWithVisit(
  w: Write,
  visit: { id: string; machineId: string },
  state: VisitState
): Promise<SlackDone | null> {
  const { tx, team, personId, at } = w;
  await keepDressing(w, visit, state);
  const readings = readingsOf(state.steps).map((r) => ({ ...r, id: crypto.randomUUID() }));
  if (readings.length === 0) return null;
  const [open] = await tx`
    select id from chain_check where team_id = ${team.id} and machine_id = ${visit.machineId} and closed_at is null and struck_at is null for no key update`;
  const checkId = (open?.id as string | undefined) ?? crypto.randomUUID();
  if (!open) {
    const drive = (await driveOf(tx, team.id, visit.machineId)) ?? USUAL_DRIVE;
    await beginCheck(w, checkId, visit.machineId, drive);
  }
  await addReadings(w, checkId, readings);
  const sheet = await chainSheet(tx, team, visit.machineId);
  const within = nextWithin(setWear(sheet));
  await tx`
    update chain_check set closed_at = ${at}, closed_by = ${personId}, visit_id = ${visit.id} where team_id = ${team.id} and id = ${checkId}`;
  const jobs = state.steps.filter((s) => s.step.input.type === 'slack').flatMap((s) => s.step.jobs);
  return {
    checkId,
    jobs: [...new Set(jobs)],
    within,
    remark: remarkOf(slackStand(sheet.check!.readings, null))
  };
}

async function keepDressing(
  w: Write,
  { machineId }: { machineId: string },
  state: VisitState
): Promise<void> {
  const done = state.steps.find((s) => s.step.input.type === 'dressing' && s.called && s.done);
  if (done?.step.input.type !== 'dressing') return;
  const { dressing } = done.step.input;
  const cleaning = done.step.jobs.map((job) => `${job}.clean`);
  const cleaned = !state.steps.some((s) => cleaning.includes(s.step.key) && s.leftOut !== null);
  await addDressing(w, { id: crypto.randomUUID(), machineId, cleaned, dressing });
}
