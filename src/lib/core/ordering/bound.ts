/**
 * The least time in which one pair of hands can do what is left, if it could put work down and take it up again at will:
 * Jackson's preemptive rule (longest tail first), which is best for that easier problem, so nothing does better on ours.
 * Source: J. Carlier, The one-machine sequencing problem, European Journal of Operational Research 11 (1982).
 *
 * @param heads earliest start of each, sorted ascending in `byHead`
 * @param work seconds of each
 * @param tails seconds that must still go by after each
 * @param byHead indices in order of their head
 */
export function jacksonBound(
  heads: ArrayLike<number>,
  work: ArrayLike<number>,
  tails: ArrayLike<number>,
  byHead: readonly number[]
): number {
  const heap: number[] = [];
  const left = new Map<number, number>();
  const above = (a: number, b: number) => tails[heap[a]!]! > tails[heap[b]!]!;
  const swap = (a: number, b: number) => ([heap[a], heap[b]] = [heap[b]!, heap[a]!]);
  const push = (i: number) => {
    heap.push(i);
    for (let c = heap.length - 1; c > 0;) {
      const p = (c - 1) >> 1;
      if (!above(c, p)) break;
      swap(c, p);
      c = p;
    }
  };
  const pop = () => {
    swap(0, heap.length - 1);
    heap.pop();
    for (let p = 0; ;) {
      let c = 2 * p + 1;
      if (c >= heap.length) break;
      if (c + 1 < heap.length && above(c + 1, c)) c++;
      if (!above(c, p)) break;
      swap(c, p);
      p = c;
    }
  };
  let bound = 0;
  let t = 0;
  let k = 0;
  while (k < byHead.length || heap.length > 0) {
    if (heap.length === 0) t = Math.max(t, heads[byHead[k]!]!);
    while (k < byHead.length && heads[byHead[k]!]! <= t) {
      const i = byHead[k++]!;
      left.set(i, work[i]!);
      push(i);
    }
    const i = heap[0]!;
    const until = k < byHead.length ? heads[byHead[k]!]! : Infinity;
    const rest = left.get(i)!;
    const step = Math.min(rest, until - t);
    t += step;
    if (step === rest) {
      pop();
      bound = Math.max(bound, t + tails[i]!);
    } else left.set(i, rest - step);
  }
  return bound;
}
