import { answered } from '../../core/job/layout/answered';
import { writeItem, writeStep } from '../../core/job/stored';
import { dayOf } from '../../core/time/day';
import { layoutInput } from './history';
import { lockVisit } from './visits';
import type { Write } from '../book/under-way';

/**
 * What has come onto a machine's sheet goes into the visit that stands open at it, where that wanted it: its steps and what it
 * opens are written anew where they say more now. Nothing that the visit knew is changed.
 */
export async function answerVisit(w: Write, machineId: string): Promise<void> {
  const { tx, team, now } = w;
  const [open] =
    await tx`select id from visit where team_id = ${team.id} and machine_id = ${machineId} and closed_at is null and given_up_at is null`;
  if (!open) return;
  const visit = await lockVisit(tx, team.id, open.id as string);
  const [m] = await tx`select id, kind from machine where team_id = ${team.id} and id = ${machineId}`;
  const input = await layoutInput(tx, team, { id: m!.id, kind: m!.kind }, [], dayOf(now, team.timeZone));
  const plan = answered(visit.plan, { ...input, rules: visit.rules });
  for (const [i, step] of plan.steps.entries())
    if (JSON.stringify(step) !== JSON.stringify(visit.plan.steps[i]))
      await tx`update visit_step set content = ${tx.json(writeStep(step) as never)} where team_id = ${team.id} and visit_id = ${visit.id} and key = ${step.key}`;
  for (const [i, item] of plan.items.entries())
    if (JSON.stringify(item) !== JSON.stringify(visit.plan.items[i]))
      await tx`update opened_item set content = ${tx.json(writeItem(item) as never)} where team_id = ${team.id} and visit_id = ${visit.id} and key = ${item.key}`;
}
