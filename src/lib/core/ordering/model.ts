/**
 * One mechanic, one machine: what is to be done, as the ordering sees it. Times are whole seconds.
 *
 * The work is one after the other (one pair of hands); what waits, waits by itself (oil draining, oil settling, solvent
 * working). The engine is cold or warm. A cover is opened before, and closed after, what lies behind it.
 */
export interface Op {
  id: string;
  /** Which jobs it belongs to: among equals, a mechanic stays with one. */
  jobs: readonly string[];
  /** Hands on it, seconds. */
  work: number;
  /** Goes on by itself afterwards, seconds. */
  wait: number;
  /** Done and its wait over before this begins. */
  needs: string[];
  /** Done before this begins; its wait may still run. */
  during: string[];
  engine: 'any' | 'cold' | 'warm';
  /** Seconds it has to have cooled, where that is less than stone cold. */
  cools?: number | undefined;
  /** Warms the engine: the warm-up, a run. */
  heats: boolean;
  /** Covers that must be off. */
  behind: string[];
  /** Covers that must be on: a ride. */
  covered: string[];
}

export interface Cover {
  id: string;
  /** To take off, and to put back, seconds. */
  open: number;
  close: number;
  /** Must be done before the cover comes off, goes back on: wait over. */
  openNeeds: string[];
  closeNeeds: string[];
}

/** From one op to the end of others: from an opening to what shuts it. A single op is a span of itself. */
export interface Span {
  first: string;
  last: string[];
}

export interface Bench {
  ops: Op[];
  covers: Cover[];
  /** Spans that never overlap: one is over before the other begins, whichever comes first. */
  apart: [Span, Span][];
  /** The engine as it comes to the bench. */
  engine: 'cold' | 'warm';
  /** From warm to cold, seconds. */
  cool: number;
}

/** An op in its place. */
export interface Placed {
  id: string;
  start: number;
  end: number;
  /** When its wait is over. */
  over: number;
}

export interface Schedule {
  placed: Placed[];
  /** From the first to the last, waits and all, seconds. */
  elapsed: number;
  /** Hands on it, seconds: more where a cover comes off twice. */
  attended: number;
  /** No order takes less than this. Equal to `elapsed`: proven best. */
  bound: number;
  /** Nodes of the search that were looked at. */
  nodes: number;
}

/** Ops with arcs between them and nothing else to obey: what the search works on. */
export interface Graph {
  ids: string[];
  jobs: (readonly string[])[];
  work: number[];
  wait: number[];
  /** Earliest start. */
  release: number[];
  /** For each op: those that follow, with the least time from its end to their start. */
  next: { to: number; lag: number }[][];
  prev: { from: number; lag: number }[][];
}

/** A cycle among the ops, by id, in order; null where there is none. */
export function findLoop(ids: readonly string[], next: readonly { to: number }[][]): string[] | null {
  const state = new Uint8Array(ids.length);
  const path: number[] = [];
  const visit = (i: number): string[] | null => {
    state[i] = 1;
    path.push(i);
    for (const { to } of next[i]!) {
      if (state[to] === 1) return path.slice(path.indexOf(to)).map((k) => ids[k]!);
      if (state[to] === 0) {
        const loop = visit(to);
        if (loop) return loop;
      }
    }
    path.pop();
    state[i] = 2;
    return null;
  };
  for (let i = 0; i < ids.length; i++) {
    if (state[i] !== 0) continue;
    const loop = visit(i);
    if (loop) return loop;
  }
  return null;
}

/** Ops that cannot be done in any order. */
export class LoopError extends Error {
  constructor(readonly loop: string[]) {
    super(`goes round in a circle: ${[...loop, loop[0]].join(' → ')}`);
  }
}

/** Ops from the first to the last, so that each comes after what it waits for. @throws LoopError */
export function sorted(graph: Graph): number[] {
  const loop = findLoop(graph.ids, graph.next);
  if (loop) throw new LoopError(loop);
  const left = graph.prev.map((p) => p.length);
  const order: number[] = [];
  const free = left.flatMap((n, i) => (n === 0 ? [i] : []));
  while (free.length > 0) {
    const i = free.shift()!;
    order.push(i);
    for (const { to } of graph.next[i]!) if (--left[to]! === 0) free.push(to);
  }
  return order;
}
