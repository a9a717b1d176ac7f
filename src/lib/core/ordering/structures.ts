import type { Bench, Cover, Graph, Op } from './model';

/** A way of arranging the covers and the engine's warmth: what is left is one pair of hands and its waits. */
export interface Structure {
  graph: Graph;
  attended: number;
  /** Times a cover comes off. */
  openings: number;
}

interface Arc {
  from: string;
  to: string;
  lag: number;
}

/** Everything reachable from each op by the arcs. */
function descendants(ids: readonly string[], arcs: readonly Arc[]): Map<string, Set<string>> {
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
function ownArcs(ops: readonly Op[]): Arc[] {
  const byId = new Map(ops.map((o) => [o.id, o]));
  return ops.flatMap((o) => [
    ...o.needs.filter((n) => byId.has(n)).map((from) => ({ from, to: o.id, lag: byId.get(from)!.wait })),
    ...o.during.filter((n) => byId.has(n)).map((from) => ({ from, to: o.id, lag: 0 }))
  ]);
}

/**
 * What the engine's warmth asks for. A cold engine: cold work before anything that heats it, warm work after; a cold step
 * that has to follow a hot one waits until the engine has cooled. A warm engine: either it cools first, or the warm work is
 * done at once and the cold work after it has cooled.
 */
function thermal(
  bench: Bench,
  arcs: readonly Arc[]
): { arcs: Arc[]; release: Map<string, number>; drop: Set<string> }[] {
  const { ops, cool } = bench;
  const below = descendants(
    ops.map((o) => o.id),
    arcs
  );
  const cold = ops.filter((o) => o.engine === 'cold');
  const warm = ops.filter((o) => o.engine === 'warm');
  const heaters = ops.filter((o) => o.heats);
  const firstHeat = heaters.filter((h) => warm.some((w) => below.get(h.id)!.has(w.id)));
  const late = (c: Op) =>
    [...heaters, ...warm]
      .filter((h) => below.get(h.id)!.has(c.id))
      .map((h) => ({ from: h.id, to: c.id, lag: cool }));
  const coldFirst = {
    arcs: cold.flatMap((c) => {
      const forced = late(c);
      if (forced.length > 0) return forced;
      return [...heaters, ...warm].map((h) => ({ from: c.id, to: h.id, lag: 0 }));
    }),
    release: new Map(bench.engine === 'warm' ? cold.map((c) => [c.id, cool]) : []),
    drop: new Set<string>()
  };
  if (bench.engine === 'cold') return [coldFirst];
  // It came in warm: the warm-up is not needed as long as nothing cold comes before the warm work.
  const atOnce = {
    arcs: cold.flatMap((c) =>
      [...warm, ...heaters.filter((h) => !firstHeat.includes(h))].flatMap((w) =>
        below.get(c.id)!.has(w.id) ? [] : [{ from: w.id, to: c.id, lag: cool }]
      )
    ),
    release: new Map(cold.map((c) => [c.id, cool])),
    drop: new Set(firstHeat.map((h) => h.id))
  };
  const coldBeforeWarm = cold.some((c) => warm.some((w) => below.get(c.id)!.has(w.id)));
  if (cold.length === 0) return [{ ...atOnce, release: new Map() }];
  return coldBeforeWarm ? [coldFirst] : [atOnce, coldFirst];
}

/**
 * Ways to open one cover: once if nothing in between wants it on; otherwise once before and once after. `turns` are the ops
 * that want it on, in their order.
 */
function openings(
  cover: Cover,
  behind: readonly Op[],
  turns: readonly Op[],
  below: ReadonlyMap<string, Set<string>>
): Map<string, number>[] {
  // Phase k lies after turn k−1 and before turn k.
  const span = (o: Op): [number, number] => [
    Math.max(0, ...turns.map((t, k) => (below.get(t.id)!.has(o.id) ? k + 1 : 0))),
    Math.min(turns.length, ...turns.map((t, k) => (below.get(o.id)!.has(t.id) ? k : turns.length)))
  ];
  const spans = behind.map((o) => [o, span(o)] as const);
  const ways: Map<string, number>[] = [];
  // Every set of phases in which each op finds a place; few turns make few sets.
  for (let set = 1; set < 1 << (turns.length + 1); set++) {
    const size = [...Array(turns.length + 1).keys()].filter((k) => set & (1 << k)).length;
    let placed: Map<string, number>[] = [new Map()];
    for (const [o, [from, to]] of spans) {
      const free = [...Array(turns.length + 1).keys()].filter((k) => k >= from && k <= to && set & (1 << k));
      // Past that many ways of sharing out what could go in either, the first that fits is taken.
      const choices = placed.length * free.length > MOST_WAYS ? free.slice(0, 1) : free;
      placed = placed.flatMap((way) => choices.map((k) => new Map([...way, [o.id, k] as const])));
    }
    ways.push(...placed.filter((way) => new Set(way.values()).size === size));
  }
  return ways;
}
/** Ways of sharing out ops between two openings of a cover that are compared. */
const MOST_WAYS = 32;

/** Puts one cover's opening and closing among the ops, for one way of opening it. */
function withCover(
  cover: Cover,
  way: ReadonlyMap<string, number>,
  turns: readonly Op[],
  all: readonly Op[]
): { ops: Op[]; arcs: Arc[] } {
  const phases = [...new Set(way.values())].sort((a, b) => a - b);
  const ops: Op[] = [];
  const arcs: Arc[] = [];
  const plain = {
    job: '',
    wait: 0,
    needs: [],
    during: [],
    engine: 'any',
    heats: false,
    behind: [],
    covered: []
  } as const;
  phases.forEach((phase, n) => {
    const again = n === 0 ? '' : `#${n + 1}`;
    const open = `open:${cover.id}${again}`;
    const close = `close:${cover.id}${again}`;
    ops.push(
      {
        ...plain,
        id: open,
        work: cover.open,
        needs: [...cover.openNeeds],
        during: [],
        behind: [],
        covered: []
      },
      // What the last closing waits for, an earlier one does not.
      {
        ...plain,
        id: close,
        work: cover.close,
        needs: n === phases.length - 1 ? [...cover.closeNeeds] : [],
        during: [],
        behind: [],
        covered: []
      }
    );
    arcs.push({ from: open, to: close, lag: 0 });
    for (const [id, k] of way)
      if (k === phase) arcs.push({ from: open, to: id, lag: 0 }, { from: id, to: close, lag: 0 });
    if (phase > 0) arcs.push({ from: turns[phase - 1]!.id, to: open, lag: 0 });
    if (phase < turns.length) arcs.push({ from: close, to: turns[phase]!.id, lag: 0 });
    // What waits for the cover itself waits for its first opening, or its last closing.
    for (const o of all) {
      const waits = [...o.needs, ...o.during];
      if (n === 0 && waits.includes(`open:${cover.id}`)) arcs.push({ from: open, to: o.id, lag: 0 });
      if (n === phases.length - 1 && waits.includes(`close:${cover.id}`))
        arcs.push({ from: close, to: o.id, lag: 0 });
    }
  });
  return { ops, arcs };
}

/** Every arrangement worth comparing; each is exact in itself. */
export function structures(bench: Bench): Structure[] {
  const own = ownArcs(bench.ops);
  return thermal(bench, own).flatMap((t) => {
    const ops = bench.ops.filter((o) => !t.drop.has(o.id));
    // A dropped op's followers wait for what it waited for.
    const arcs = [...own, ...t.arcs].filter((a) => !t.drop.has(a.from) && !t.drop.has(a.to));
    for (const dropped of t.drop)
      for (const a of own.filter((x) => x.to === dropped))
        for (const b of own.filter((x) => x.from === dropped))
          if (!t.drop.has(a.from) && !t.drop.has(b.to)) arcs.push({ from: a.from, to: b.to, lag: a.lag });
    const below = descendants(
      ops.map((o) => o.id),
      arcs
    );
    let made: { ops: Op[]; arcs: Arc[] }[] = [{ ops, arcs }];
    for (const cover of bench.covers) {
      const behind = ops.filter((o) => o.behind.includes(cover.id));
      if (behind.length === 0) continue;
      const turns = ops
        .filter((o) => o.covered.includes(cover.id))
        .sort((a, b) => Number(below.get(b.id)!.has(a.id)) - Number(below.get(a.id)!.has(b.id)));
      made = made.flatMap((m) =>
        openings(cover, behind, turns, below).map((way) => {
          const added = withCover(cover, way, turns, ops);
          return { ops: [...m.ops, ...added.ops], arcs: [...m.arcs, ...added.arcs] };
        })
      );
    }
    return made.map((m) => ({
      graph: graphOf(m.ops, m.arcs, t.release),
      attended: m.ops.reduce((sum, o) => sum + o.work, 0),
      openings: m.ops.filter((o) => o.id.startsWith('open:')).length
    }));
  });
}

function graphOf(ops: readonly Op[], arcs: readonly Arc[], release: ReadonlyMap<string, number>): Graph {
  const index = new Map(ops.map((o, i) => [o.id, i]));
  const byId = new Map(ops.map((o) => [o.id, o]));
  const least = new Map<string, number>();
  const add = (from: string, to: string, lag: number) => {
    const key = `${index.get(from)},${index.get(to)}`;
    least.set(key, Math.max(least.get(key) ?? 0, lag));
  };
  for (const a of arcs) if (index.has(a.from) && index.has(a.to)) add(a.from, a.to, a.lag);
  // Covers wait for ops that the arcs of the ops do not know of.
  for (const o of ops) for (const n of o.needs) if (byId.has(n)) add(n, o.id, byId.get(n)!.wait);
  const next: Graph['next'] = ops.map(() => []);
  const prev: Graph['prev'] = ops.map(() => []);
  for (const [key, lag] of least) {
    const [from, to] = key.split(',').map(Number) as [number, number];
    next[from]!.push({ to, lag });
    prev[to]!.push({ from, lag });
  }
  return {
    ids: ops.map((o) => o.id),
    jobs: ops.map((o) => o.job),
    work: ops.map((o) => o.work),
    wait: ops.map((o) => o.wait),
    release: ops.map((o) => release.get(o.id) ?? 0),
    next,
    prev
  };
}
