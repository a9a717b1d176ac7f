import type { Step } from '../job/plan';
import { parseQuantity } from '../quantity/parse';
import { MOST_RAN } from './entry';
import { isShut } from './items';
import type { Timer, VisitState } from './state';

/** Timers that have nothing to ring for any more: the oil that drains is timed until its plug is in again. */
export function overtaken(state: Pick<VisitState, 'timers' | 'steps' | 'items'>): Timer[] {
  return state.timers.filter((t) => {
    const input = state.steps.find((s) => s.step.key === t.stepKey)?.step.input;
    if (input?.type !== 'open') return false;
    const items = state.items.filter((i) => input.items.includes(i.item.key));
    return items.length > 0 && items.every((i) => i.opened && isShut(i) && i.stand !== 'deferred');
  });
}

/** How long the engine runs before its levels are read, seconds: as the sheet says; null where it does not. */
export function runSeconds({ steps }: { steps: readonly { step: Pick<Step, 'input'> }[] }): number | null {
  const said = steps.flatMap(({ step: { input } }) =>
    input.type === 'level' && input.protocol.runSeconds ? [input.protocol.runSeconds] : []
  );
  return said.length > 0 ? Math.max(...said) : null;
}

/** How long it ran, as one says it: "3 min", "1.5 min". */
export const ranInWords = (seconds: number): string => `${Math.round(seconds / 6) / 10} min`;

/** How long it ran as it was typed, in minutes unless it says otherwise: seconds; null where nothing was typed. */
export function ranTyped(
  text: string
): { ok: true; seconds: number | null } | { ok: false; message: string } {
  if (text.trim() === '') return { ok: true, seconds: null };
  const parsed = parseQuantity(text, { dimension: 'time', unit: 'min' });
  const seconds = parsed.ok ? Math.round(parsed.quantity.base) : 0;
  return seconds >= 1 && seconds <= MOST_RAN
    ? { ok: true, seconds }
    : { ok: false, message: 'Minutes, such as 3; at most two hours.' };
}
