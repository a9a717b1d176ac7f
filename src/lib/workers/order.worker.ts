import type { LayoutInput } from '$lib/core/job/layout/layout';
import { workOut, type VisitMinutes } from '$lib/core/job/minutes';
import { LoopError } from '$lib/core/ordering/order';
import type { Ordered } from '$lib/core/job/order/order';

/** Lays out a visit and puts it in order, away from the screen. */
export interface OrderRequest {
  /** Answers come back with it: an older one is not shown over a newer. */
  turn: number;
  input: LayoutInput;
  engine: 'cold' | 'warm';
}
export type OrderAnswer =
  { turn: number; ordered: Ordered; minutes: VisitMinutes; ms: number } | { turn: number; failed: string };

addEventListener('message', ({ data }: MessageEvent<OrderRequest>) => {
  const began = performance.now();
  try {
    const worked = workOut(data.input, data.engine);
    postMessage({ turn: data.turn, ...worked, ms: performance.now() - began } satisfies OrderAnswer);
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
