import type { VisitPlan } from '../job/plan';
import type { NewEntry } from './entry';
import type { EntryProblem } from './problems';
import type { Toolbox } from '../stores/toolbox';

/**
 * What an entry names that is nobody’s: an oil that is not in the stores, a point that is not on the map of the visit. Whatever step it
 * is written at, an id that leads nowhere is not kept.
 */
export function namesNobody(
  plan: Pick<VisitPlan, 'points' | 'items'>,
  entry: NewEntry,
  tools: Pick<Toolbox, 'oils'>
): EntryProblem | null {
  const isPoint = (id: string) =>
    plan.points.some((p) => p.id === id) || plan.items.some((i) => i.fastenerId === id);
  if (entry.action === 'passed over' && !isPoint(entry.content.fastenerId)) return { kind: 'no such point' };
  if (entry.action !== 'done') return null;
  const { oilId, pointedAt } = entry.content;
  if (oilId && !tools.oils.some((o) => o.id === oilId)) return { kind: 'oil gone' };
  return pointedAt !== undefined && !isPoint(pointedAt) ? { kind: 'no such point' } : null;
}
