import { isHours } from '../../src/lib/core/book/clock';
import { steps } from '../../src/lib/core/book/steps';
import type { Meter, Reading } from '../../src/lib/core/hours/running';
import type { Series } from '../../src/lib/core/hours/series';

/** A machine's running hours by its meters alone: what most tests of hours look at. */
export function runningHours(meters: readonly Meter[], readings: readonly Reading[]) {
  const all = steps({
    meters: meters.map((m) => ({ counts: 'hours', dead: [], ...m })),
    readings,
    outings: []
  });
  const hours = all.filter(isHours).map((s) => ({ ...s, total: s.hours! }));
  return {
    steps: hours,
    points: hours.filter((s) => s.readingId !== null),
    total: all.at(-1)?.hours ?? null
  };
}
/** As a series that components are counted on. */
export const seriesOf = (running: ReturnType<typeof runningHours>): Series => ({
  at: running.steps.map((s) => s.at),
  total: running.steps.map((s) => s.total)
});

/** Counts events: one more at each moment. Starts at zero at `from`, or at the first event when that lies before it. */
export function countOf(moments: readonly number[], from: number): Series {
  const order = [...moments].sort((a, b) => a - b);
  const start = Math.min(from, (order[0] ?? from) - 1);
  return { at: [start, ...order], total: [0, ...order.map((_, i) => i + 1)] };
}
