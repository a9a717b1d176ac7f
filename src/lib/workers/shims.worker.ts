import type { ValveRules, ValveStand } from '$lib/core/valve/check';
import { plansOf, type DrawerShim, type Picked, type PlanOf } from '$lib/core/valve/choice';
import type { Series } from '$lib/core/valve/shim';

/** Works out the shim plans of a head, away from the screen. */
export interface PlanRequest {
  /** Answers come back with it: an older one is not shown over a newer. */
  turn: number;
  stands: readonly ValveStand[];
  rules: ValveRules;
  drawer: readonly DrawerShim[];
  series: Series | null;
  picked: Picked;
}
export type PlanAnswer = { turn: number; plans: PlanOf[] } | { turn: number; failed: string };

addEventListener('message', ({ data }: MessageEvent<PlanRequest>) => {
  try {
    const plans = plansOf(data.stands, data.rules, data.drawer, data.series, data.picked);
    postMessage({ turn: data.turn, plans } satisfies PlanAnswer);
  } catch (e) {
    console.error(e);
    postMessage({ turn: data.turn, failed: 'The plan could not be worked out.' } satisfies PlanAnswer);
  }
});
