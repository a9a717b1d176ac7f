import { performance } from 'node:perf_hooks';
import { chance } from '../demo/history';
import { planShims, type PlanInput } from '../src/lib/core/valve/plan';

/**
 * How long the shim plan of the largest head takes, against the smallest; and that it is an optimum found another way: by
 * successive shortest paths (Bellman–Ford over the residual graph), which shares no line with the plan's own assignment.
 */

function head(valves: number, sizes: number, seed: number): PlanInput {
  const next = chance(String(seed));
  const whole = (from: number, to: number) => from + Math.floor(next() * (to - from + 1));
  const stock: Record<number, number> = {};
  for (let i = 0; i < sizes; i++) stock[whole(1200, 3500)] = whole(1, 3);
  return {
    valves: Array.from({ length: valves }, (_, i) => ({
      id: `v${i}`,
      measured: whole(20, 260),
      shim: 1200 + 25 * whole(0, 92),
      lo: 100,
      hi: 150,
      target: 125
    })),
    stock,
    buyable: Array.from({ length: 93 }, (_, i) => 1200 + 25 * i),
    touch: 'all'
  };
}

/** The wishes in their order, as one number: out of limits, bought, distance. */
const worth = (out: number, bought: number, off: number) => out * 1e9 + bought * 1e6 + off;
function anotherWay({ valves, stock, buyable }: PlanInput): number {
  const shims = [
    ...valves.map((v) => ({ um: v.shim, bought: 0 })),
    ...Object.entries(stock).flatMap(([um, n]) =>
      Array.from({ length: Math.min(n, valves.length) }, () => ({ um: Number(um), bought: 0 }))
    ),
    ...buyable.flatMap((um) => valves.map(() => ({ um, bought: 1 })))
  ];
  const cost = valves.map((v) =>
    shims.map((s) => {
      const clearance = v.measured + v.shim - s.um;
      const out = clearance < v.lo || clearance > v.hi ? 1 : 0;
      return worth(out, s.bought, Math.abs(clearance - v.target));
    })
  );
  const takenBy = new Array<number>(shims.length).fill(-1);
  let total = 0;
  for (let start = 0; start < valves.length; start++) {
    // Shortest way from this valve to a free shim, over shims given up by others.
    const far = new Array<number>(shims.length).fill(Infinity);
    const from = new Array<number>(shims.length).fill(-1);
    for (let j = 0; j < shims.length; j++) far[j] = cost[start]![j]!;
    for (let changed = true; changed;) {
      changed = false;
      for (let j = 0; j < shims.length; j++) {
        const holder = takenBy[j]!;
        if (holder < 0) continue;
        const back = far[j]! - cost[holder]![j]!;
        for (let k = 0; k < shims.length; k++)
          if (back + cost[holder]![k]! < far[k]! - 1e-9) {
            far[k] = back + cost[holder]![k]!;
            from[k] = j;
            changed = true;
          }
      }
    }
    let end = -1;
    for (let j = 0; j < shims.length; j++) if (takenBy[j]! < 0 && (end < 0 || far[j]! < far[end]!)) end = j;
    total += far[end]!;
    for (let j = end; j >= 0;) {
      const before = from[j]!;
      takenBy[j] = before < 0 ? start : takenBy[before]!;
      j = before;
    }
  }
  return total;
}

const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!;
const timed = (input: PlanInput): number => {
  const started = performance.now();
  planShims(input);
  return performance.now() - started;
};
const large = Array.from({ length: 12 }, (_, i) => head(20, 300, i + 1));
const small = Array.from({ length: 60 }, (_, i) => head(4, 20, i + 1));
for (const input of small) timed(input);
const equal = [...large.slice(0, 6), ...small.slice(0, 40)].every((input) => {
  const plan = planShims(input);
  return worth(plan.outOfSpec, plan.bought, plan.deviation) === anotherWay(input);
});
console.log(
  JSON.stringify({ large: median(large.map(timed)), small: median(small.map(timed)), equal, heads: 46 })
);
