import { jacksonBound } from './bound';
import { sorted, type Graph } from './model';

export interface Found {
  order: number[];
  starts: number[];
  elapsed: number;
  bound: number;
  nodes: number;
}

/**
 * Work spent before the search settles for what it has, with the gap it can prove: nodes times ops, since each node looks at
 * every op that is left. A few seconds on a tablet.
 */
const MOST_LOOKS = 400_000;
/** Of these, spent on a handier order of the same length. */
const HANDY_LOOKS = 120_000;
/** Different tie-breaks tried before any search. */
const TRIES = 24;

/**
 * Earliest starts, by more than the longest way: what comes before an op has to be done by the same one pair of hands, so it
 * begins no sooner than they could all be done (the bound again, over what comes before it).
 */
function heads(g: Graph, topological: readonly number[]): Float64Array {
  const n = g.ids.length;
  const r = Float64Array.from(g.release);
  /** Least time from the end of each op to the start of the one looked at; −1: it does not come before it. */
  const lag = new Float64Array(n);
  for (const j of topological) {
    for (const { from, lag: l } of g.prev[j]!) r[j] = Math.max(r[j]!, r[from]! + g.work[from]! + l);
    lag.fill(-1);
    const before: number[] = [];
    const stack: number[] = [];
    for (const { from, lag: l } of g.prev[j]!) {
      lag[from] = Math.max(lag[from]!, l);
      stack.push(from);
    }
    while (stack.length > 0) {
      const i = stack.pop()!;
      for (const { from, lag: l } of g.prev[i]!) {
        const through = l + g.work[i]! + lag[i]!;
        if (through > lag[from]!) {
          lag[from] = through;
          stack.push(from);
        }
      }
    }
    for (let i = 0; i < n; i++) if (lag[i]! >= 0) before.push(i);
    if (before.length < 2) continue;
    before.sort((x, y) => r[x]! - r[y]!);
    r[j] = Math.max(r[j]!, jacksonBound(r, g.work, lag, before));
  }
  return r;
}

/** The same work read backwards: what came last comes first. An order of one is an order of the other, and takes as long. */
function backwards(g: Graph): Graph {
  return {
    ...g,
    release: g.wait,
    wait: g.release,
    next: g.prev.map((p) => p.map(({ from, lag }) => ({ to: from, lag }))),
    prev: g.next.map((p) => p.map(({ to, lag }) => ({ from: to, lag })))
  };
}

/** The time that must still go by after each op: its earliest start, read backwards. */
export function tails(g: Graph, topological: readonly number[]): Float64Array {
  return heads(backwards(g), [...topological].reverse());
}

/** When each begins, one after the other in an order. */
function timed(g: Graph, order: readonly number[]): { order: number[]; starts: number[]; elapsed: number } {
  const ready = Float64Array.from(g.release);
  const starts: number[] = Array(g.ids.length).fill(0);
  let t = 0;
  for (const i of order) {
    starts[i] = Math.max(t, ready[i]!);
    t = starts[i]! + g.work[i]!;
    for (const { to, lag } of g.next[i]!) ready[to] = Math.max(ready[to]!, t + lag);
  }
  return { order: [...order], starts, elapsed: elapsedOf(g, starts) };
}

/** One order by a rule: of what can begin now, what has the longest way behind it. */
function byRule(
  g: Graph,
  weight: (i: number) => number
): { order: number[]; starts: number[]; elapsed: number } {
  const n = g.ids.length;
  const left = g.prev.map((p) => p.length);
  const ready = Float64Array.from(g.release);
  const open = left.flatMap((c, i) => (c === 0 ? [i] : []));
  const order: number[] = [];
  const starts: number[] = Array(n);
  let t = 0;
  let elapsed = 0;
  while (open.length > 0) {
    const soonest = Math.min(...open.map((i) => Math.max(t, ready[i]!)));
    let best = -1;
    for (let k = 0; k < open.length; k++) {
      const i = open[k]!;
      if (ready[i]! > soonest) continue;
      if (best < 0 || weight(i) > weight(open[best]!)) best = k;
    }
    const i = open[best]!;
    open.splice(best, 1);
    starts[i] = soonest;
    t = soonest + g.work[i]!;
    elapsed = Math.max(elapsed, t + g.wait[i]!);
    order.push(i);
    for (const { to, lag } of g.next[i]!) {
      ready[to] = Math.max(ready[to]!, t + lag);
      if (--left[to]! === 0) open.push(to);
    }
  }
  return { order, starts, elapsed };
}

/**
 * Depth-first over orders, cutting off every beginning that cannot end within `target`.
 * @param prefer which of several that can begin is tried first: the lower, the sooner
 * @returns the first order within the target, whether all were looked at, and the nodes spent
 */
function within(
  g: Graph,
  q: Float64Array,
  topological: readonly number[],
  target: number,
  budget: number,
  prefer: (i: number, last: number, starts: number) => number
): { found: { order: number[]; starts: number[] } | null; whole: boolean; nodes: number } {
  const n = g.ids.length;
  const left = g.prev.map((p) => p.length);
  const ready = Float64Array.from(g.release);
  const done = new Uint8Array(n);
  const order: number[] = [];
  const starts: number[] = Array(n).fill(0);
  let nodes = 0;
  let whole = true;
  /** Sets of done ops seen before, with the times they left: a later, worse arrival is cut off. */
  const seen = new Map<string, Float64Array[]>();

  const boundFrom = (t: number): number => {
    const r = Float64Array.from(ready);
    const rest: number[] = [];
    for (const i of topological) {
      if (done[i]) continue;
      r[i] = Math.max(r[i]!, t);
      rest.push(i);
      for (const { to, lag } of g.next[i]!) r[to] = Math.max(r[to]!, r[i]! + g.work[i]! + lag);
    }
    rest.sort((a, b) => r[a]! - r[b]!);
    return jacksonBound(r, g.work, q, rest);
  };
  const worse = (t: number): boolean => {
    let key = '';
    for (let i = 0; i < n; i += 16) {
      let bits = 0;
      for (let b = 0; b < 16 && i + b < n; b++) bits |= done[i + b]! << b;
      key += String.fromCharCode(bits);
    }
    const times = new Float64Array(n + 1);
    times[n] = t;
    for (let i = 0; i < n; i++) if (!done[i]) times[i] = Math.max(t, ready[i]!);
    const before = seen.get(key);
    if (before?.some((b) => b.every((x, i) => x <= times[i]!))) return true;
    if (before) before.push(times);
    else seen.set(key, [times]);
    return false;
  };
  const go = (t: number, last: number): boolean => {
    if (order.length === n) return true;
    if (++nodes > budget) {
      whole = false;
      return false;
    }
    if (worse(t)) return false;
    const can: number[] = [];
    let firstEnd = Infinity;
    for (let i = 0; i < n; i++) {
      if (done[i] || left[i]! > 0) continue;
      can.push(i);
      firstEnd = Math.min(firstEnd, Math.max(t, ready[i]!) + g.work[i]!);
    }
    // Whatever begins after another could have begun and ended may as well come after it. (Work of no length ties.)
    const active = can.filter((i) => Math.max(t, ready[i]!) < firstEnd || firstEnd <= t);
    const tried = (active.length > 0 ? active : can).sort(
      (a, b) => prefer(a, last, Math.max(t, ready[a]!)) - prefer(b, last, Math.max(t, ready[b]!))
    );
    for (const i of tried) {
      const start = Math.max(t, ready[i]!);
      const end = start + g.work[i]!;
      if (end + q[i]! > target) continue;
      const saved: [number, number][] = [];
      done[i] = 1;
      starts[i] = start;
      order.push(i);
      for (const { to, lag } of g.next[i]!) {
        saved.push([to, ready[to]!]);
        ready[to] = Math.max(ready[to]!, end + lag);
        left[to]!--;
      }
      if (boundFrom(end) <= target && go(end, i)) return true;
      for (const { to } of g.next[i]!) left[to]!++;
      for (const [to, r] of saved.reverse()) ready[to] = r;
      order.pop();
      done[i] = 0;
      if (!whole) return false;
    }
    return false;
  };
  const ok = go(0, -1);
  return { found: ok ? { order, starts } : null, whole, nodes };
}

const elapsedOf = (g: Graph, starts: readonly number[]) =>
  Math.max(0, ...starts.map((s, i) => s + g.work[i]! + g.wait[i]!));

/** What no order takes less than, seconds. @throws LoopError */
export function leastOf(g: Graph): number {
  const topological = sorted(g);
  const r = heads(g, topological);
  const byHead = [...topological].sort((a, b) => r[a]! - r[b]!);
  return jacksonBound(r, g.work, tails(g, topological), byHead);
}

/**
 * The order that takes the least time from the first to the last, waits and all; among those as short, one that stays with a
 * job rather than going to and fro. Exact unless the search runs out of nodes; then `bound` says how far off it can be.
 *
 * Rules first (longest way behind it, with a few tie-breaks); where the best of them meets the bound it is proven, otherwise
 * the search halves the gap from below.
 * @param known what another arrangement already takes: where this one cannot be shorter, it is not searched
 * @returns null where it cannot be shorter than `known`
 * @throws LoopError
 */
export function search(g: Graph, known = Infinity): Found | null {
  const topological = sorted(g);
  const q = tails(g, topological);
  let bound = leastOf(g);
  if (bound >= known) return null;
  let seed = 1;
  const noise = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  let best = byRule(g, (i) => q[i]! + g.work[i]!);
  const most = Math.max(1, ...g.work);
  for (let k = 0; k < TRIES && best.elapsed > bound; k++) {
    const jitter = Float64Array.from(g.work, () => noise() * most * 2);
    const other = byRule(g, (i) => q[i]! + g.work[i]! + jitter[i]!);
    if (other.elapsed < best.elapsed) best = other;
  }
  const n = Math.max(1, g.ids.length);
  const budget = Math.ceil(MOST_LOOKS / n);
  let nodes = 0;
  // Forwards, then backwards: a knot at the end of the work is undone soonest from there.
  for (const back of [false, true]) {
    const way = back ? backwards(g) : g;
    const order = back ? [...topological].reverse() : topological;
    const left = back ? tails(way, order) : q;
    let spent = 0;
    /** Below it is proven, or was given up. */
    let floor = bound;
    while (best.elapsed > floor && spent < budget / 2) {
      // Half-way between what is proven and what is found: either answer brings them together.
      const target = Math.floor((floor + best.elapsed) / 2);
      const share = Math.ceil(Math.min(budget / 2 - spent, budget / 6));
      const tried = within(way, left, order, target, share, (i, _, start) => start * 4 - left[i]!);
      spent += tried.nodes;
      if (tried.found) {
        const found = timed(g, back ? [...tried.found.order].reverse() : tried.found.order);
        if (found.elapsed < best.elapsed) best = found;
        else floor = target + 1;
      } else {
        floor = target + 1;
        if (tried.whole) bound = Math.max(bound, floor);
      }
    }
    nodes += spent;
  }
  const handy = within(g, q, topological, best.elapsed, Math.ceil(HANDY_LOOKS / n), (i, last, start) => {
    const stays = last >= 0 && g.jobs[i]!.some((j) => g.jobs[last]!.includes(j)) ? 0 : 1000;
    return start * 1e6 + stays + i;
  });
  nodes += handy.nodes;
  if (handy.found) best = { ...handy.found, elapsed: elapsedOf(g, handy.found.starts) };
  return { order: best.order, starts: best.starts, elapsed: best.elapsed, bound, nodes };
}
