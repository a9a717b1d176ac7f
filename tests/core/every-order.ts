import type { Bench, Span } from '../../src/lib/core/ordering/order';

/**
 * The least time for a bench, each opening of a cover counted as ten minutes, found by trying everything: each op, each opening and closing of a
 * cover, in every order that the rules allow. Shares nothing with the search it is held against. Only for small benches.
 */
export function everyOrder(bench: Bench): { cost: number; tried: number } {
  const { ops, covers, cool } = bench;
  const over = new Map<string, { end: number; over: number }>();
  const open = new Map<string, boolean>(covers.map((c) => [c.id, false]));
  const opened = new Map<string, number>(covers.map((c) => [c.id, 0]));
  const closedAt = new Map<string, number>();
  const byId = new Map(ops.map((o) => [o.id, o]));
  const wanted = covers.filter((c) => ops.some((o) => o.behind.includes(c.id)));
  const leadsToWarm = (id: string): boolean =>
    ops.some((o) => [...o.needs, ...o.during].includes(id) && (o.engine === 'warm' || leadsToWarm(o.id)));
  let best = Infinity;
  let tried = 0;
  const isUnderWay = (s: Span) => over.has(s.first) && !s.last.every((id) => over.has(id));
  const openings = () => [...opened.values()].reduce((sum, n) => sum + n, 0);

  const ready = (needs: readonly string[], during: readonly string[]): number | null => {
    let t = 0;
    for (const [ids, waits] of [
      [needs, true],
      [during, false]
    ] as const)
      for (const id of ids) {
        if (!byId.has(id)) continue;
        const done = over.get(id);
        if (!done) return null;
        t = Math.max(t, waits ? done.over : done.end);
      }
    return t;
  };
  const go = (t: number, elapsed: number, warm: boolean, lastHot: number, coldYet: boolean): void => {
    if (elapsed + openings() * 600 >= best) return;
    const left = ops.filter((o) => !over.has(o.id));
    const shut = wanted.every((c) => !open.get(c.id));
    if (left.length === 0 && shut) {
      if (wanted.every((c) => (closedAt.get(c.id) ?? 0) >= (ready(c.closeNeeds, []) ?? Infinity))) {
        tried++;
        best = elapsed + openings() * 600;
      }
      return;
    }
    for (const o of left) {
      const from = ready(o.needs, o.during);
      if (from === null) continue;
      if (o.behind.some((c) => !open.get(c)) || o.covered.some((c) => open.get(c))) continue;
      if (o.engine === 'warm' && !warm) continue;
      if (bench.apart.some((p) => p.some((s, k) => s.first === o.id && isUnderWay(p[1 - k]!)))) continue;
      let start = Math.max(t, from);
      let isWarm = warm;
      let hot = lastHot;
      if (o.engine === 'cold') {
        start = Math.max(start, lastHot + (o.cools ?? cool));
        isWarm = false;
      }
      const end = start + o.work;
      if (o.heats) isWarm = true;
      if (o.heats || o.engine === 'warm') hot = end;
      over.set(o.id, { end, over: end + o.wait });
      go(end, Math.max(elapsed, end + o.wait), isWarm, hot, coldYet || o.engine === 'cold');
      over.delete(o.id);
      // It came in warm: what would only warm it may be left out.
      if (o.heats && bench.engine === 'warm' && !coldYet && leadsToWarm(o.id)) {
        over.set(o.id, { end: Math.max(0, from), over: Math.max(0, from) });
        go(t, elapsed, warm, lastHot, coldYet);
        over.delete(o.id);
      }
    }
    for (const c of wanted) {
      if (!open.get(c.id)) {
        if (opened.get(c.id)! > 2) continue;
        const from = ready(c.openNeeds, []);
        if (from === null) continue;
        if (!left.some((o) => o.behind.includes(c.id))) continue;
        const end = Math.max(t, from) + c.open;
        open.set(c.id, true);
        opened.set(c.id, opened.get(c.id)! + 1);
        go(end, Math.max(elapsed, end), warm, lastHot, coldYet);
        open.set(c.id, false);
        opened.set(c.id, opened.get(c.id)! - 1);
      } else {
        const last = !left.some((o) => o.behind.includes(c.id));
        const from = last ? ready(c.closeNeeds, []) : 0;
        if (from === null) continue;
        const start = Math.max(t, from);
        const was = closedAt.get(c.id);
        open.set(c.id, false);
        closedAt.set(c.id, start);
        go(start + c.close, Math.max(elapsed, start + c.close), warm, lastHot, coldYet);
        open.set(c.id, true);
        if (was === undefined) closedAt.delete(c.id);
        else closedAt.set(c.id, was);
      }
    }
  };
  go(0, 0, bench.engine === 'warm', bench.engine === 'warm' ? 0 : -Infinity, false);
  return { cost: best, tried };
}

/** Deterministic chance, for benches made up in tests and measurements. */
export function chance(seed: number): () => number {
  let s = (seed * 2654435761) % 2147483647 || 1;
  return () => (s = (s * 48271) % 2147483647) / 2147483647;
}

/** A made-up visit: jobs of a few steps, some with waits, some cold, a cover or two. */
export function madeUp(seed: number, jobs: number, stepsEach: [number, number], coverCount: number): Bench {
  const next = chance(seed);
  const int = (from: number, to: number) => from + Math.floor(next() * (to - from + 1));
  const covers = Array.from({ length: coverCount }, (_, k) => ({
    id: `cover${k}`,
    open: int(1, 4) * 60,
    close: int(1, 4) * 60,
    openNeeds: [],
    closeNeeds: []
  }));
  const ops: Bench['ops'] = [];
  for (let j = 0; j < jobs; j++) {
    const engine = next() < 0.2 ? 'cold' : next() < 0.4 ? 'warm' : 'any';
    const behind = covers.filter(() => next() < 0.3).map((c) => c.id);
    const count = int(...stepsEach);
    for (let k = 0; k < count; k++) {
      const before = `j${j}s${k - 1}`;
      ops.push({
        id: `j${j}s${k}`,
        jobs: [`j${j}`],
        work: int(1, 8) * 60,
        wait: next() < 0.35 ? int(2, 20) * 60 : 0,
        needs: [...(engine === 'warm' ? ['warm-up'] : []), ...(k > 0 && next() < 0.8 ? [before] : [])],
        during: [],
        engine,
        heats: false,
        behind,
        covered: []
      });
    }
  }
  ops.push({
    id: 'warm-up',
    jobs: [],
    work: 60,
    wait: 240,
    needs: [],
    during: [],
    engine: 'any',
    heats: true,
    behind: [],
    covered: next() < 0.5 ? covers.slice(0, 1).map((c) => c.id) : []
  });
  return { ops, covers, apart: [], engine: next() < 0.7 ? 'cold' : 'warm', cool: 6 * 3600 };
}

/** A made-up visit of an engine that is cold and hot in turn: a warm-up, a run, cold work that may come after hot work and before it. */
export function madeUpTurns(seed: number, engine: Bench['engine']): Bench {
  const next = chance(seed);
  const int = (from: number, to: number) => from + Math.floor(next() * (to - from + 1));
  const plain = { jobs: [], during: [], behind: [], covered: [] };
  const count = int(3, 5);
  const ops = Array.from({ length: count }, (_, k): Bench['ops'][number] => {
    const at = next() < 0.35 ? 'cold' : next() < 0.6 ? 'warm' : 'any';
    return {
      ...plain,
      id: `s${k}`,
      work: int(1, 8) * 60,
      wait: next() < 0.4 ? int(2, 20) * 60 : 0,
      needs: [...(at === 'warm' ? ['warm-up'] : []), ...(k > 0 && next() < 0.5 ? [`s${int(0, k - 1)}`] : [])],
      engine: at,
      cools: at === 'cold' && next() < 0.3 ? 3600 : undefined,
      heats: false
    };
  });
  const heater = (id: string, needs: string[]): Bench['ops'][number] => ({
    ...plain,
    id,
    work: int(1, 5) * 60,
    wait: int(0, 5) * 60,
    needs,
    engine: 'any',
    heats: true
  });
  const warm = ops.filter((o) => o.engine === 'warm').map((o) => o.id);
  if (warm.length > 0) ops.push(heater('warm-up', []));
  if (next() < 0.6) ops.push(heater('run', next() < 0.7 ? warm : [`s${int(0, count - 1)}`]));
  return { ops, covers: [], apart: [], engine, cool: 3 * 3600 };
}

/** The same, with one or two things opened in it that are shut whenever it is heated, and one after the other. */
export function madeUpApart(seed: number, engine: Bench['engine']): Bench {
  const bench = madeUpTurns(seed, engine);
  const next = chance(seed + 1);
  const work = bench.ops.filter((o) => !o.heats);
  const spans = work.slice(0, next() < 0.5 ? 1 : 2).map((o, k): Span => {
    const id = `shut${k}`;
    bench.ops.push({ ...o, id, work: 60 * (1 + k), wait: 0, needs: [o.id], engine: 'any' });
    return { first: o.id, last: [id] };
  });
  const heats = bench.ops.filter((o) => o.heats).map((o): Span => ({ first: o.id, last: [o.id] }));
  const apart = spans.flatMap((s) => heats.map((h): [Span, Span] => [s, h]));
  if (spans.length === 2) apart.push([spans[0]!, spans[1]!]);
  return { ...bench, apart };
}
