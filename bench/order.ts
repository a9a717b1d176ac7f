/** Ordering visits: how long it takes, how near it comes to the bound, and against trying every order. */
import { layOut } from '../src/lib/core/job/layout/layout';
import { orderWork } from '../src/lib/core/ordering/order';
import { benchOf } from '../src/lib/core/job/order/order';
import { BUILT_IN } from '../src/lib/core/job/built-in/jobs';
import { plainTemplate } from '../src/lib/core/job/plain';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { everyOrder, madeUp } from '../tests/core/every-order';

interface OrderMeasures {
  /** Milliseconds for twelve jobs of five steps: the middle one, and the slowest. */
  twelve: { middle: number; slowest: number };
  /** Eight jobs: the search and every order, milliseconds in all, and how often they disagreed. */
  eight: { search: number; every: number; apart: number };
  /** Twenty-five jobs: the largest gap to the bound, as a part of it. */
  gap25: number;
  /** Of all that were ordered, how many were proven best. */
  proven: { of: number; best: number };
  /** A whole visit of two circuits and ten plain jobs, laid out and ordered, milliseconds. */
  visit: number;
}

const time = <T>(run: () => T): [T, number] => {
  const began = performance.now();
  const result = run();
  return [result, performance.now() - began];
};

function measureOrder(): OrderMeasures {
  const twelve: number[] = [];
  let best = 0;
  let of = 0;
  const count = (s: { elapsed: number; bound: number }) => {
    of++;
    if (s.elapsed <= s.bound) best++;
  };
  for (let k = 1; k <= 40; k++) {
    const [s, ms] = time(() => orderWork(madeUp(k * 7919, 12, [5, 5], 2)));
    twelve.push(ms);
    count(s);
  }
  const eight = { search: 0, every: 0, apart: 0 };
  for (let k = 1; k <= 12; k++) {
    const bench = madeUp(k * 104_729, 8, [1, 1], 0);
    const [s, ms] = time(() => orderWork(bench));
    const [every, all] = time(() => everyOrder(bench));
    eight.search += ms;
    eight.every += all;
    if (s.elapsed !== every.cost) eight.apart++;
    count(s);
  }
  let gap25 = 0;
  for (let k = 1; k <= 40; k++) {
    const s = orderWork(madeUp(k * 15_485_863, 25, [1, 5], 2));
    gap25 = Math.max(gap25, s.elapsed / s.bound - 1);
    count(s);
  }
  const laid = layOut({
    kind: 'four-stroke enduro',
    sheet: { fasteners: [], figures: [] },
    rules: DEFAULT_RULES,
    jobs: [
      ...['engine-oil', 'gearbox-check-screw'].map((key) => ({
        template: BUILT_IN.find((t) => t.key === key)!,
        taskId: key
      })),
      ...Array.from({ length: 10 }, (_, i) => {
        const id = `${i}`.padStart(8, '0');
        return {
          template: plainTemplate({ id, name: i === 0 ? 'Valve clearances' : `Job ${i}` }),
          taskId: id
        };
      })
    ],
    history: {},
    sealUses: {},
    found: {},
    last: {}
  });
  const [, visit] = time(() => orderWork(benchOf(laid, 'cold')));
  twelve.sort((a, b) => a - b);
  return {
    twelve: { middle: twelve[twelve.length >> 1]!, slowest: twelve.at(-1)! },
    eight,
    gap25,
    proven: { of, best },
    visit
  };
}

console.log(JSON.stringify(measureOrder()));
