import { descendants, ownArcs, type Arc } from './arcs';
import { apart } from './apart';
import { findLoop, LoopError, type Bench, type Cover, type Graph, type Op } from './model';
import { thermal, type Warmth } from './thermal';

/** A way of arranging the covers and the engine's warmth: what is left is one pair of hands and its waits. */
export interface Structure {
  graph: Graph;
  attended: number;
  /** Times a cover comes off. */
  openings: number;
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
): { ways: Map<string, number>[]; whole: boolean } {
  // Phase k lies after turn k−1 and before turn k.
  const span = (o: Op): [number, number] => [
    Math.max(0, ...turns.map((t, k) => (below.get(t.id)!.has(o.id) ? k + 1 : 0))),
    Math.min(turns.length, ...turns.map((t, k) => (below.get(o.id)!.has(t.id) ? k : turns.length)))
  ];
  const spans = behind.map((o) => [o, span(o)] as const);
  const ways: Map<string, number>[] = [];
  // Turns that could change places are taken in one order only.
  let whole = turns.every((t, k) => k === 0 || below.get(turns[k - 1]!.id)!.has(t.id));
  // Every set of phases in which each op finds a place; few turns make few sets.
  for (let set = 1; set < 1 << (turns.length + 1); set++) {
    const size = [...Array(turns.length + 1).keys()].filter((k) => set & (1 << k)).length;
    let placed: Map<string, number>[] = [new Map()];
    for (const [o, [from, to]] of spans) {
      const free = [...Array(turns.length + 1).keys()].filter((k) => k >= from && k <= to && set & (1 << k));
      // Past that many ways of sharing out what could go in either, the first that fits is taken.
      const choices = placed.length * free.length > MOST_WAYS ? free.slice(0, 1) : free;
      whole &&= choices.length === free.length;
      placed = placed.flatMap((way) => choices.map((k) => new Map([...way, [o.id, k] as const])));
    }
    ways.push(...placed.filter((way) => new Set(way.values()).size === size));
  }
  return { ways, whole };
}
/** Ways of sharing out ops between two openings of a cover that are compared. */
const MOST_WAYS = 64;

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
    jobs: [],
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

/**
 * Every arrangement worth comparing; each is exact in itself.
 * @returns `easier`: where these are not all there are, visits of which one is easier than any other arrangement
 * @throws LoopError where the ops wait for one another in a circle
 */
export function structures(bench: Bench): { list: Structure[]; easier: Structure[] } {
  const own = ownArcs(bench.ops);
  refuseLoops(bench.ops, own);
  const warmth = thermal(bench, own);
  let { whole } = warmth;
  const list = warmth.ways.flatMap((t) => {
    const { ops, arcs } = without(bench.ops, own, t);
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
      const opened = openings(cover, behind, turns, below);
      whole &&= opened.whole;
      made = made.flatMap((m) =>
        opened.ways.map((way) => {
          const added = withCover(cover, way, turns, ops);
          return { ops: [...m.ops, ...added.ops], arcs: [...m.arcs, ...added.arcs] };
        })
      );
    }
    return made.flatMap((m) => {
      const spans = apart(m.ops, m.arcs, bench.apart);
      whole &&= spans.whole;
      return spans.ways.map((more) => structureOf(m.ops, [...m.arcs, ...more], t.release));
    });
  });
  const easier = whole
    ? []
    : (warmth.whole ? warmth.ways : [warmth.common]).map((w) => relaxed(bench, own, w));
  return { list, easier };
}

function refuseLoops(ops: readonly Op[], own: readonly Arc[]): void {
  const ids = ops.map((o) => o.id);
  const at = new Map(ids.map((id, i) => [id, i]));
  const loop = findLoop(
    ids,
    ids.map((id) => own.filter((a) => a.from === id).map((a) => ({ to: at.get(a.to)! })))
  );
  if (loop) throw new LoopError(loop);
}

/** Leaves out what need not be done: its followers wait for what it waited for. */
function without(
  all: readonly Op[],
  own: readonly Arc[],
  t: { arcs: Arc[]; drop: ReadonlySet<string> }
): { ops: Op[]; arcs: Arc[] } {
  const arcs = [...own, ...t.arcs].filter((a) => !t.drop.has(a.from) && !t.drop.has(a.to));
  for (const dropped of t.drop)
    for (const a of own.filter((x) => x.to === dropped))
      for (const b of own.filter((x) => x.from === dropped))
        if (!t.drop.has(a.from) && !t.drop.has(b.to)) arcs.push({ from: a.from, to: b.to, lag: a.lag });
  return { ops: all.filter((o) => !t.drop.has(o.id)), arcs };
}

/**
 * An easier visit than any with that warmth, arranged or left out: each cover comes off once, whatever wants it on.
 */
function relaxed(bench: Bench, own: readonly Arc[], warmth: Warmth): Structure {
  const { ops, arcs } = without(bench.ops, own, warmth);
  const covers = bench.covers.flatMap((cover) => {
    const behind = ops.filter((o) => o.behind.includes(cover.id));
    return behind.length === 0 ? [] : [withCover(cover, new Map(behind.map((o) => [o.id, 0])), [], ops)];
  });
  return structureOf(
    [...ops, ...covers.flatMap((c) => c.ops)],
    [...arcs, ...covers.flatMap((c) => c.arcs)],
    warmth.release
  );
}

const structureOf = (
  ops: readonly Op[],
  arcs: readonly Arc[],
  release: ReadonlyMap<string, number>
): Structure => ({
  graph: graphOf(ops, arcs, release),
  attended: ops.reduce((sum, o) => sum + o.work, 0),
  openings: ops.filter((o) => o.id.startsWith('open:')).length
});

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
    jobs: ops.map((o) => o.jobs),
    work: ops.map((o) => o.work),
    wait: ops.map((o) => o.wait),
    release: ops.map((o) => release.get(o.id) ?? 0),
    next,
    prev
  };
}
