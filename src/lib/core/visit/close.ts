import { judgeLevel } from '../fluids/level';
import type { VisitPlan } from '../job/plan';
import { unexplainedFills } from './fill';
import { thingStands } from './goes-in';
import { standInWords } from './items';
import { isLeft, type VisitState } from './state';

/** Under which the fill of a circuit is among what keeps a visit open. */
export const fillKey = (circuit: string): string => `fill:${circuit}`;

export interface CloseProblem {
  key: string;
  message: string;
}

/** Points of the map that nobody has been at in this visit. */
export function unvisited(plan: Pick<VisitPlan, 'points'>, state: VisitState) {
  return plan.points.filter(
    (p) =>
      state.passedOver[p.id] === undefined &&
      !state.items.some((i) => i.item.fastenerId === p.id && i.opened) &&
      // Left out with a reason, or not called for: it has been asked.
      !state.steps.some(
        (s) =>
          s.step.points.includes(p.id) && s.step.input.type === 'open' && (s.leftOut !== null || !s.called)
      )
  );
}

/**
 * What keeps a visit from being closed, in the order of the work; empty when nothing does.
 * Anything open comes first: that is what loses engines.
 */
export function closeProblems(plan: Pick<VisitPlan, 'steps' | 'points'>, state: VisitState): CloseProblem[] {
  const problems: CloseProblem[] = state.open.map((i) => ({
    key: i.item.key,
    message: `${i.item.name} is ${standInWords(i)}.`
  }));
  for (const t of state.things)
    if (!t.in)
      problems.push({
        key: `thing:${t.id}`,
        message: `${t.count > 1 ? `${t.count} × ` : ''}${t.name} is still ${thingStands(t)}.`
      });
  for (const s of state.steps) {
    if (!isLeft(s)) continue;
    // Its open items say it already.
    if (s.step.input.type === 'close') continue;
    problems.push({
      key: s.step.key,
      message: s.handed
        ? `“${s.step.title}” waits for ${s.handed.to ?? 'somebody else'}.`
        : `“${s.step.title}” is not done${s.step.mayLeaveOut ? ', nor left out with a reason' : ''}.`
    });
  }
  for (const s of state.steps) {
    if (s.step.input.type !== 'level' || !s.done) continue;
    const level = s.written.findLast((w) => w.level)?.level;
    const verdict = level && judgeLevel(level);
    if (verdict && !verdict.within)
      problems.push({
        key: s.step.key,
        message: `The ${s.step.input.circuit === 'engine' ? '' : `${s.step.input.circuit} `}oil level is ${verdict.words}. ${verdict.advice}`
      });
  }
  for (const f of unexplainedFills(plan, state)) problems.push({ key: fillKey(f.circuit), message: f.words });
  for (const p of unvisited(plan, state))
    problems.push({
      key: `point:${p.id}`,
      message: `${p.name} is on the map and was not visited${p.place ? ` (${p.place.toLowerCase()})` : ''}: open it, or say why not.`
    });
  return problems;
}

/** Longer than any wait at a bench: an engine cools in three hours. Beyond it, everybody has gone home. */
const LONGEST_WAIT_MS = 4 * 3_600_000;

/**
 * Minutes a visit took, waits and all, without the nights and the days it stood: from entry to entry, where no more than four
 * hours lie between them.
 * @param moments ms since 1970, in any order: its start, its entries, its close
 */
export function minutesTaken(moments: readonly number[]): number {
  const order = [...moments].sort((a, b) => a - b);
  let ms = 0;
  for (let i = 1; i < order.length; i++) {
    const gap = order[i]! - order[i - 1]!;
    if (gap <= LONGEST_WAIT_MS) ms += gap;
  }
  return Math.max(1, Math.round(ms / 60_000));
}
