import type { StepState, VisitState } from './state';

/**
 * Why a step stands where it stands, as the visit is now: drained after the warm-up was left out, nothing is warm.
 * @returns the words of the plan, or what holds in their place
 */
export function whyNow(state: Pick<VisitState, 'steps'>, { step }: Pick<StepState, 'step'>): string {
  if (step.engine !== 'warm' || step.heats) return step.why;
  const at = state.steps.findIndex((s) => s.step.key === step.key);
  const warmUps = state.steps.slice(0, at).filter((s) => s.step.heats && s.called);
  const leftOut = warmUps.length > 0 && warmUps.every((s) => s.leftOut !== null);
  return leftOut ? 'The warm-up was left out: cold oil runs slowly, and leaves dirt behind.' : step.why;
}
