import { assign } from './assign';
import { predicted } from './shim';

/** A valve the plan is made for. All µm. */
export interface PlanValve {
  id: string;
  /** What sums reckon with. */
  measured: number;
  /** The shim fitted now. */
  shim: number;
  lo: number;
  hi: number;
  /** The clearance wished for. */
  target: number;
  /** It is inside its limits as it is, and put right all the same: `lo` and `hi` are what it is wished between. */
  well?: boolean;
}

export interface PlanInput {
  valves: readonly PlanValve[];
  /** How many of each size lie in the drawer. */
  stock: Readonly<Record<number, number>>;
  /** Sizes that can be bought. */
  buyable: readonly number[];
  /** All that are open, only those out of their limits, or those named: the others keep their shims, and these go nowhere. */
  touch: 'all' | 'out-of-spec' | readonly string[];
}

export interface Fit {
  id: string;
  shim: number;
  predicted: number;
  from: 'itself' | 'another valve' | 'drawer' | 'bought';
  /** The valve it comes out of. */
  of: string | null;
}

export interface Plan {
  fits: Fit[];
  /** Valves left as they are. */
  untouched: string[];
  /** How many stay outside their limits, whatever is fitted. */
  outOfSpec: number;
  bought: number;
  /** Sum of the distances from the aim, of the valves touched. µm */
  deviation: number;
}

/** A wish is worth more than all that the ones after it can add up to, over as many valves as any engine has. */
const BOUGHT = 1e7;
const OUT = 1e9;
/** Of plans that are as good by all wishes: what stays where it is, then what is in the drawer, then what moves. */
const EFFORT = { itself: 0, drawer: 1, 'another valve': 2, bought: 3 } as const;
/** Deviations are whole µm; all efforts of a head together stay under one. */
const FINE = 128;

interface Offer {
  shim: number;
  from: Fit['from'];
  of: string | null;
}

/**
 * The best shims for a head, by the wishes of the trade in their order: as many valves inside their limits as can be, as few
 * shims bought as can be, the least distance from the aims. Exact: every shim that may be used is held against every valve in
 * one assignment. Of plans as good by all three, the one that moves least.
 *
 * @throws RangeError over 32 valves
 */
export function planShims({ valves, stock, buyable, touch }: PlanInput): Plan {
  if (valves.length > 32) throw new RangeError('no engine has so many valves');
  const isIn = (v: PlanValve, clearance: number) => clearance >= v.lo && clearance <= v.hi;
  const touched = (v: PlanValve) =>
    touch === 'all' || (touch === 'out-of-spec' ? !isIn(v, v.measured) : touch.includes(v.id));
  const open = valves.filter(touched);
  const untouched = valves.filter((v) => !open.includes(v)).map((v) => v.id);
  const pool: Offer[] = [
    ...open.map((v): Offer => ({ shim: v.shim, from: 'another valve', of: v.id })),
    ...Object.entries(stock).flatMap(([size, count]) =>
      // More of one size than valves are never used.
      Array.from({ length: Math.min(count, open.length) }, (): Offer => ({
        shim: Number(size),
        from: 'drawer',
        of: null
      }))
    )
  ];
  const cost = (v: PlanValve, o: Offer): number => {
    const clearance = predicted(v.measured, v.shim, o.shim);
    const from = o.of === v.id ? 'itself' : o.from;
    return (
      (isIn(v, clearance) ? 0 : OUT) * FINE +
      (from === 'bought' ? BOUGHT : 0) * FINE +
      Math.abs(clearance - v.target) * FINE +
      EFFORT[from]
    );
  };
  // As many as one likes can be bought of each size: for each valve the best of them is enough.
  const bought = open.map((v): Offer | null =>
    buyable.reduce<Offer | null>((best, shim) => {
      const offer: Offer = { shim, from: 'bought', of: null };
      return best === null || cost(v, offer) < cost(v, best) ? offer : best;
    }, null)
  );
  const rows = open.map((v, i) => [
    ...pool.map((o) => cost(v, o)),
    ...open.map((_, k) => (k === i && bought[i] ? cost(v, bought[i]) : Number.POSITIVE_INFINITY))
  ]);
  const chosen = assign(rows);
  const fits = open.map((v, i): Fit => {
    const o = pool[chosen[i]!] ?? bought[i]!;
    return {
      id: v.id,
      shim: o.shim,
      predicted: predicted(v.measured, v.shim, o.shim),
      from: o.of === v.id ? 'itself' : o.from,
      of: o.of === v.id ? null : o.of
    };
  });
  return {
    fits,
    untouched,
    outOfSpec: fits.filter((f, i) => !open[i]!.well && !isIn(open[i]!, f.predicted)).length,
    bought: fits.filter((f) => f.from === 'bought').length,
    deviation: fits.reduce((sum, f, i) => sum + Math.abs(f.predicted - open[i]!.target), 0)
  };
}
