import { descendants, type Arc } from './arcs';
import type { Bench, Op } from './model';

/** One way for the engine to be cold and warm in turn: what follows what, and what need not be done. */
export interface Warmth {
  arcs: Arc[];
  /** Earliest starts, seconds. */
  release: Map<string, number>;
  /** Warm-ups that an engine which came in warm does without. */
  drop: Set<string>;
}

/** Ways of sharing out the work between two coolings that are compared. */
const MOST_WAYS = 64;

/**
 * What the engine's warmth asks for. It is cold and hot in turn: cold work, then what heats it and what wants it warm, then, once
 * it has cooled, cold work again. Each op has its turn; between two turns the engine cools. Nothing is cooled more often than what
 * follows what demands: hours of waiting are never the shorter way. An engine that comes in warm begins with its hot turn, in
 * which nothing has to be heated.
 * @returns every way to share out the ops; whether these are all of them; and what holds for all there are
 */
export function thermal(
  bench: Bench,
  own: readonly Arc[]
): { ways: Warmth[]; whole: boolean; common: Warmth } {
  const below = descendants(
    bench.ops.map((o) => o.id),
    own
  );
  const follows = (a: Op, b: Op) => below.get(a.id)!.has(b.id);
  const cold = bench.ops.filter((o) => o.engine === 'cold');
  const unneeded = bench.ops.filter(
    (o) =>
      o.heats &&
      bench.ops.some((w) => w.engine === 'warm' && follows(o, w)) &&
      !cold.some((c) => follows(c, o))
  );
  const sets = bench.engine === 'warm' ? subsets(unneeded) : [[]];
  // It may have to cool once more than what follows what demands, so that it can be warmed in between.
  for (const more of [0, 1, 2]) {
    let whole = true;
    const ways = sets.flatMap((dropped) => {
      const drop = new Set(dropped.map((o) => o.id));
      const found = turns(bench, drop, follows, more);
      whole &&= found.whole;
      return found.turns.flatMap((turn) => arcsOf(bench, drop, turn, follows));
    });
    if (ways.length > 0) return { ways, whole, common: commonTo(ways, whole) };
  }
  // Nothing in the visit warms what is done warm: then that is not waited for.
  const found = turns(bench, new Set(), follows, 0, false);
  const ways = found.turns.map((turn) => ({ ...between(bench, turn), drop: new Set<string>() }));
  return { ways, whole: found.whole, common: commonTo(ways, found.whole) };
}

/** What every way has: of ways that are not all there are, only when things may begin. */
function commonTo(ways: readonly Warmth[], whole: boolean): Warmth {
  const name = (a: Arc) => `${a.from} ${a.to} ${a.lag}`;
  const [first, ...others] = ways.map((w) => ({ arcs: w.arcs, names: new Set(w.arcs.map(name)) }));
  return {
    arcs: whole ? first!.arcs.filter((a) => others.every((o) => o.names.has(name(a)))) : [],
    release: ways[0]!.release,
    drop: new Set(ways.flatMap((w) => [...w.drop]))
  };
}

/** Most first: what an engine that came in warm can do without is left out where it can be. */
function subsets(ops: readonly Op[]): Op[][] {
  const few = ops.slice(0, 3);
  const sets = Array.from({ length: 1 << few.length }, (_, set) => few.filter((_, k) => set & (1 << k)));
  return sets.sort((a, b) => b.length - a.length);
}

const isHot = (o: Op) => o.heats || o.engine === 'warm';

/** By op that is hot or cold, in which turn it is done: cold work of a turn comes before the hot work of it. */
type Turn = Map<string, number>;

/** Every way to give each op its turn, with `more` coolings than what follows what demands. */
function turns(
  bench: Bench,
  drop: ReadonlySet<string>,
  follows: (a: Op, b: Op) => boolean,
  more: number,
  heated = true
): { turns: Turn[]; whole: boolean } {
  const ops = bench.ops.filter((o) => !drop.has(o.id) && (isHot(o) || o.engine === 'cold'));
  // What comes before others has fewer ops before it.
  const rank = new Map(ops.map((o) => [o.id, ops.filter((x) => follows(x, o)).length]));
  ops.sort((a, b) => rank.get(a.id)! - rank.get(b.id)!);
  const least = (o: Op, turn: Turn) =>
    Math.max(
      // It came in warm: before any cold work it has to cool.
      o.engine === 'cold' && bench.engine === 'warm' ? 1 : 0,
      ...ops
        .filter((x) => turn.has(x.id) && follows(x, o))
        .map((x) => turn.get(x.id)! + (o.engine === 'cold' && isHot(x) ? 1 : 0))
    );
  const soonest: Turn = new Map();
  for (const o of ops) soonest.set(o.id, least(o, soonest));
  const last = Math.max(0, ...soonest.values()) + more;
  const heating = ops.filter((o) => o.heats);
  const mayBeWarm = (t: number, turn: Turn) =>
    (t === 0 && bench.engine === 'warm') || heating.some((h) => (turn.get(h.id) ?? t) === t);
  const found: Turn[] = [];
  let whole = true;
  const go = (k: number, turn: Turn): void => {
    if (found.length >= MOST_WAYS) {
      whole = false;
      return;
    }
    const o = ops[k];
    if (!o) {
      found.push(new Map(turn));
      return;
    }
    for (let t = least(o, turn); t <= last; t++) {
      if (heated && o.engine === 'warm' && !mayBeWarm(t, turn)) continue;
      turn.set(o.id, t);
      go(k + 1, turn);
      turn.delete(o.id);
    }
  };
  go(0, new Map());
  return { turns: found, whole };
}

/** What follows what, where each op has its turn. */
function between(bench: Bench, turn: Turn): Omit<Warmth, 'drop'> {
  const arcs: Arc[] = [];
  const release = new Map<string, number>();
  for (const c of bench.ops) {
    const mine = turn.get(c.id);
    if (mine === undefined || c.engine !== 'cold') continue;
    const cool = c.cools ?? bench.cool;
    if (bench.engine === 'warm') release.set(c.id, cool);
    for (const h of bench.ops) {
      const its = turn.get(h.id);
      if (its === undefined || !isHot(h)) continue;
      arcs.push(its < mine ? { from: h.id, to: c.id, lag: cool } : { from: c.id, to: h.id, lag: 0 });
    }
  }
  return { arcs, release };
}

/** The same, with each warm op after something that heats in its turn; every choice of it, and none where there is nothing. */
function arcsOf(bench: Bench, drop: Set<string>, turn: Turn, follows: (a: Op, b: Op) => boolean): Warmth[] {
  let ways: Arc[][] = [between(bench, turn).arcs];
  for (const w of bench.ops.filter((o) => o.engine === 'warm')) {
    const t = turn.get(w.id)!;
    if (t === 0 && bench.engine === 'warm') continue;
    const heating = bench.ops.filter((h) => h.heats && h.id !== w.id && turn.get(h.id) === t);
    if (heating.some((h) => follows(h, w))) continue;
    const could = heating.filter((h) => !follows(w, h));
    ways = ways.flatMap((arcs) => could.map((h) => [...arcs, { from: h.id, to: w.id, lag: 0 }]));
  }
  const { release } = between(bench, turn);
  return ways.map((arcs) => ({ arcs, release, drop }));
}
