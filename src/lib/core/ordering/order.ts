import { LoopError, type Bench, type Placed, type Schedule } from './model';
import { leastOf, search } from './search';
import { structures } from './structures';

export { LoopError, type Bench, type Cover, type Op, type Placed, type Schedule, type Span } from './model';

/** A cover comes off once more only where that saves ten minutes: seconds. */
export const OPENING_COSTS = 600;

/**
 * Orders the work of a visit so that it takes the least time, waits and all, each opening of a cover counted as ten minutes
 * (so that it comes off once, nearly always); among orders as good the one with the least work, and then the one that stays
 * with a job. Cold work comes before the engine is warmed, spilling before the oil by the arcs it is given, and waits overlap
 * with other work.
 *
 * `bound` proves it: no order with as few coolings of the engine does better. It equals `elapsed` unless the search ran out of
 * nodes, or of arrangements to compare.
 * @throws LoopError where the steps wait for one another in a circle
 */
export function orderWork(bench: Bench): Schedule {
  let best: { placed: Placed[]; elapsed: number; attended: number; cost: number } | null = null;
  let bound = Infinity;
  let nodes = 0;
  let loop: LoopError | null = null;
  const compared = structures(bench);
  // Of two as good, the one with the least work stays.
  for (const s of compared.list.sort((a, b) => a.attended - b.attended)) {
    const covers = s.openings * OPENING_COSTS;
    let found: ReturnType<typeof search>;
    try {
      found = search(s.graph, best ? best.cost - covers : Infinity);
    } catch (e) {
      // A way of sharing out openings that cannot be; it is only said where no other way can.
      if (!(e instanceof LoopError)) throw e;
      loop = e;
      continue;
    }
    if (!found) continue;
    nodes += found.nodes;
    bound = Math.min(bound, found.bound + covers);
    if (best && found.elapsed + covers >= best.cost) continue;
    best = {
      placed: found.order.map((i) => ({
        id: s.graph.ids[i]!,
        start: found.starts[i]!,
        end: found.starts[i]! + s.graph.work[i]!,
        over: found.starts[i]! + s.graph.work[i]! + s.graph.wait[i]!
      })),
      elapsed: found.elapsed,
      attended: s.attended,
      cost: found.elapsed + covers
    };
  }
  if (!best) {
    if (loop) throw loop;
    return { placed: [], elapsed: 0, attended: 0, bound: 0, nodes };
  }
  // Where not every arrangement was compared, no more is proven than what holds for all of them.
  for (const s of compared.easier) bound = Math.min(bound, leastOf(s.graph) + s.openings * OPENING_COSTS);
  const { placed, elapsed, attended, cost } = best;
  return { placed, elapsed, attended, bound: elapsed - (cost - Math.min(bound, cost)), nodes };
}
