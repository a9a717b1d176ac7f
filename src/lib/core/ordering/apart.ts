import { descendants, ownArcs, type Arc } from './arcs';
import type { Op, Span } from './model';

/** Ways of putting spans one after the other that are compared. */
const MOST_WAYS = 64;

/**
 * Which of two spans comes first, for each pair that must not overlap: every choice that the arcs leave. What can only be one way
 * round is put so first, since it often settles others.
 * @param pairs those with an op that is not among `ops` ask for nothing
 * @returns the arcs of each way, and whether these are all of them; no way where two spans have to overlap
 */
export function apart(
  ops: readonly Op[],
  arcs: readonly Arc[],
  pairs: readonly [Span, Span][]
): { ways: Arc[][]; whole: boolean } {
  const ids = ops.map((o) => o.id);
  const here = new Set(ids);
  const asked = pairs.filter((p) => p.every((s) => [s.first, ...s.last].every((id) => here.has(id))));
  const known = [...arcs, ...ownArcs(ops)];
  const ways: Arc[][] = [];
  let whole = true;
  const go = (left: readonly [Span, Span][], added: readonly Arc[]): void => {
    if (ways.length >= MOST_WAYS) {
      whole = false;
      return;
    }
    const below = descendants(ids, [...known, ...added]);
    const cannot = (a: Span, b: Span) => a.last.some((l) => l === b.first || below.get(b.first)!.has(l));
    const is = (a: Span, b: Span) => a.last.every((l) => below.get(l)!.has(b.first));
    const open = left.filter(([a, b]) => !is(a, b) && !is(b, a));
    const next = open.find(([a, b]) => cannot(a, b) || cannot(b, a)) ?? open[0];
    if (!next) {
      ways.push([...added]);
      return;
    }
    const rest = open.filter((p) => p !== next);
    for (const [a, b] of [next, [next[1], next[0]] as const])
      if (!cannot(a, b)) go(rest, [...added, ...after(a, b)]);
  };
  go(asked, []);
  return { ways, whole };
}

const after = (a: Span, b: Span): Arc[] => a.last.map((from) => ({ from, to: b.first, lag: 0 }));
