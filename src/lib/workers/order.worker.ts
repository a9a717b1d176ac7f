import { layOut, type LayoutInput } from '$lib/core/job/layout/layout';
import { LoopError } from '$lib/core/ordering/order';
import { orderPlan, type Ordered } from '$lib/core/job/order/order';

/** Lays out a visit and puts it in order, away from the screen. */
export interface OrderRequest {
  /** Answers come back with it: an older one is not shown over a newer. */
  turn: number;
  input: LayoutInput;
  engine: 'cold' | 'warm';
}
export type OrderAnswer = { turn: number; ordered: Ordered; ms: number } | { turn: number; failed: string };

addEventListener('message', ({ data }: MessageEvent<OrderRequest>) => {
  const began = performance.now();
  try {
    const ordered = orderPlan(layOut(data.input), data.engine);
    postMessage({ turn: data.turn, ordered, ms: performance.now() - began } satisfies OrderAnswer);
  } catch (e) {
    postMessage({
      turn: data.turn,
      failed:
        e instanceof LoopError
          ? `These jobs cannot be put in order: ${e.message}.`
          : 'The order could not be worked out.'
    } satisfies OrderAnswer);
  }
});
