import { clearancesAt } from '$lib/core/valve/at-bench';
import { standsOf } from '$lib/core/valve/check';
import { checkInput } from '$lib/core/valve/sheet';
import { VALVE_STAGES } from '$lib/core/valve/stages';
import type { AtHand } from '$lib/core/visit/quick';
import type { Around } from '$lib/core/visit/page';

/** What the valve sheet says of each step about the valves, for a press or a form; undefined where no job is about them. */
export function clearancesOf(valves: Around['valves']): AtHand['clearances'] {
  if (!valves) return undefined;
  const { sheet } = valves;
  if (!sheet) return {};
  const stands = standsOf(checkInput(sheet));
  return Object.fromEntries(
    VALVE_STAGES.map((stage) => {
      const at = clearancesAt(stage, stands, sheet.rules, sheet.check);
      return [stage, at.ok ? at.clearances : null] as const;
    })
  );
}
