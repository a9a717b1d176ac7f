import type { Op } from './model';

/** One op after another, so many seconds after its end. */
export interface Arc {
  from: string;
  to: string;
  lag: number;
}

/** Everything reachable from each op by the arcs. */
export function descendants(ids: readonly string[], arcs: readonly Arc[]): Map<string, Set<string>> {
  const next = new Map<string, string[]>(ids.map((id) => [id, []]));
  for (const a of arcs) next.get(a.from)?.push(a.to);
  const found = new Map<string, Set<string>>();
  for (const id of ids) {
    const reached = new Set<string>();
    const stack = [...next.get(id)!];
    while (stack.length > 0) {
      const x = stack.pop()!;
      if (reached.has(x)) continue;
      reached.add(x);
      stack.push(...(next.get(x) ?? []));
    }
    found.set(id, reached);
  }
  return found;
}

/** All arcs that the ops themselves ask for. What names an op that is not here is not waited for. */
export function ownArcs(ops: readonly Op[]): Arc[] {
  const byId = new Map(ops.map((o) => [o.id, o]));
  return ops.flatMap((o) => [
    ...o.needs.filter((n) => byId.has(n)).map((from) => ({ from, to: o.id, lag: byId.get(from)!.wait })),
    ...o.during.filter((n) => byId.has(n)).map((from) => ({ from, to: o.id, lag: 0 }))
  ]);
}
