import type { Bench, Placed, Schedule } from './model';
import { search } from './search';
import { structures } from './structures';

export { LoopError, type Bench, type Cover, type Op, type Placed, type Schedule } from './model';

/**
 * Orders the work of a visit so that it takes the least time, waits and all; among those as short the one with the least
 * work (a cover opened once), and among those the one that stays with a job. Cold work comes before the engine is warmed,
 * spilling before the oil by the arcs it is given, and waits overlap with other work.
 *
 * `bound` proves it: no order takes less. It equals `elapsed` unless the search ran out of nodes.
 * @throws LoopError where the steps wait for one another in a circle
 */
export function orderWork(bench: Bench): Schedule {
  let best: { placed: Placed[]; elapsed: number; attended: number } | null = null;
  let bound = Infinity;
  let nodes = 0;
  // The one with the least work first: of two as short, it stays.
  for (const s of structures(bench).sort((a, b) => a.attended - b.attended)) {
    const found = search(s.graph, best?.elapsed);
    if (!found) continue;
    nodes += found.nodes;
    bound = Math.min(bound, found.bound);
    if (best && found.elapsed >= best.elapsed) continue;
    best = {
      placed: found.order.map((i) => ({
        id: s.graph.ids[i]!,
        job: s.graph.jobs[i]!,
        start: found.starts[i]!,
        end: found.starts[i]! + s.graph.work[i]!,
        over: found.starts[i]! + s.graph.work[i]! + s.graph.wait[i]!
      })),
      elapsed: found.elapsed,
      attended: s.attended
    };
  }
  return {
    ...(best ?? { placed: [], elapsed: 0, attended: 0 }),
    bound: best ? Math.min(bound, best.elapsed) : 0,
    nodes
  };
}
