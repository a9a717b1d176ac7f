/**
 * A cylinder head as it is laid out, seen from above with the machine's front ahead. Left and right are those of whoever sits
 * on it. It belongs to the engine and goes where that goes.
 */

export const SIDES = ['inlet', 'exhaust'] as const;
export type Side = (typeof SIDES)[number];

/** Where the gauge goes, and what is changed to set the clearance. */
export const GAUGES = ['cam and bucket', 'rocker and shim', 'rocker and screw'] as const;
export type Gauge = (typeof GAUGES)[number];
export const GAUGE_WORDS: Readonly<Record<Gauge, string>> = {
  'cam and bucket': 'between cam and bucket; a shim under the bucket',
  'rocker and shim': 'between rocker and shim',
  'rocker and screw': 'between rocker and valve stem; screw and lock-nut'
};
/** A shim is changed; else a screw is turned. */
export const isShimmed = (gauge: Gauge): boolean => gauge !== 'rocker and screw';

/** Which way the exhaust ports point. In a vee they point outwards, at both ends. */
export const EXHAUST_TO = ['front', 'rear', 'left', 'right'] as const;
export type ExhaustTo = (typeof EXHAUST_TO)[number];
/** How the cylinders stand to one another: number 1 is the leftmost, or the foremost. */
export const ROWS = ['side by side', 'one behind the other', 'vee'] as const;
export type Row = (typeof ROWS)[number];

export interface Layout {
  cylinders: number;
  row: Row;
  exhaustTo: ExhaustTo;
  /** Valves of each cylinder. */
  inlets: number;
  exhausts: number;
  /** Where the gauge goes on either side: on some engines not the same. */
  inletGauge: Gauge;
  exhaustGauge: Gauge;
}

export const MOST_CYLINDERS = 4;
export const MOST_INLETS = 3;
export const MOST_EXHAUSTS = 2;

/** A valve with its place in the drawing: in units of a cylinder's radius, x to the right, y to the rear. */
export interface Valve {
  /** `1-inlet-left`: never changes while the layout stands. */
  id: string;
  cylinder: number;
  side: Side;
  /** Left, right, middle; front, rear; empty where the side has one. */
  where: string;
  x: number;
  y: number;
}

/** Centres of cylinders lie so far apart. */
export const PITCH = 2.3;
const OUT = 0.46;
const ACROSS = 0.44;

/** Where the centre of a cylinder lies. @param n from 1 */
export function centreOf(
  { cylinders, row }: Pick<Layout, 'cylinders' | 'row'>,
  n: number
): { x: number; y: number } {
  if (row === 'side by side') return { x: (n - (cylinders + 1) / 2) * PITCH, y: 0 };
  if (row === 'one behind the other') return { x: 0, y: (n - (cylinders + 1) / 2) * PITCH };
  // A vee: odd numbers in front, even ones behind them.
  const pairs = Math.ceil(cylinders / 2);
  const pair = Math.ceil(n / 2);
  return { x: (pair - (pairs + 1) / 2) * PITCH, y: n % 2 === 1 ? -PITCH / 2 : PITCH / 2 };
}

const WAY: Readonly<Record<ExhaustTo, { x: number; y: number }>> = {
  front: { x: 0, y: -1 },
  rear: { x: 0, y: 1 },
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 }
};

/** Which way the exhaust of one cylinder points. */
export function exhaustOf({ row, exhaustTo }: Pick<Layout, 'row' | 'exhaustTo'>, n: number): ExhaustTo {
  if (row !== 'vee') return exhaustTo;
  return n % 2 === 1 ? 'front' : 'rear';
}

/** All valves of a head, cylinder by cylinder, inlet first, from left to right or from front to rear. */
export function valvesOf(layout: Layout): Valve[] {
  return Array.from({ length: layout.cylinders }, (_, i) => i + 1).flatMap((cylinder) => {
    const to = WAY[exhaustOf(layout, cylinder)];
    const centre = centreOf(layout, cylinder);
    const ends = to.x === 0 ? ['left', 'right'] : ['front', 'rear'];
    return SIDES.flatMap((side) => {
      const count = side === 'inlet' ? layout.inlets : layout.exhausts;
      const names = count === 1 ? [''] : count === 2 ? ends : [ends[0]!, 'middle', ends[1]!];
      const sign = side === 'exhaust' ? 1 : -1;
      return names.map((where, k): Valve => {
        const across =
          count === 1 ? 0 : (k - (count - 1) / 2) * ((2 * ACROSS) / (count - 1)) * (count === 3 ? 1.35 : 1);
        return {
          id: [cylinder, side, ...(where ? [where] : [])].join('-'),
          cylinder,
          side,
          where,
          // The middle one of three stands further out.
          x: centre.x + sign * to.x * (OUT + (where === 'middle' ? 0.14 : 0)) + (to.x === 0 ? across : 0),
          y: centre.y + sign * to.y * (OUT + (where === 'middle' ? 0.14 : 0)) + (to.x === 0 ? 0 : across)
        };
      });
    });
  });
}

/** What a valve is called: “Inlet left”, with several cylinders “Cylinder 2, inlet left”. */
export function valveName(
  layout: Pick<Layout, 'cylinders'>,
  v: Pick<Valve, 'cylinder' | 'side' | 'where'>
): string {
  const own = [v.side, v.where].filter(Boolean).join(' ');
  return layout.cylinders > 1 ? `Cylinder ${v.cylinder}, ${own}` : own.charAt(0).toUpperCase() + own.slice(1);
}
/** The same, short enough for a drawing: “IN left”, “2 EX right”. */
export function shortName(
  layout: Pick<Layout, 'cylinders'>,
  v: Pick<Valve, 'cylinder' | 'side' | 'where'>
): string {
  const own = [v.side === 'inlet' ? 'IN' : 'EX', v.where].filter(Boolean).join(' ');
  return layout.cylinders > 1 ? `${v.cylinder} ${own}` : own;
}

export const gaugeOf = (layout: Pick<Layout, 'inletGauge' | 'exhaustGauge'>, side: Side): Gauge =>
  side === 'inlet' ? layout.inletGauge : layout.exhaustGauge;

/** Heads to begin from: what most engines have. */
export const USUAL_LAYOUTS: readonly { name: string; layout: Layout }[] = [
  {
    name: 'Four valves, shim under the bucket',
    layout: single(2, 2, 'cam and bucket', 'cam and bucket')
  },
  {
    name: 'Four valves, bucket at the inlet, rocker at the exhaust',
    layout: single(2, 2, 'cam and bucket', 'rocker and shim')
  },
  {
    name: 'Four valves, screw and lock-nut',
    layout: single(2, 2, 'rocker and screw', 'rocker and screw')
  },
  {
    name: 'Two valves, screw and lock-nut',
    layout: single(1, 1, 'rocker and screw', 'rocker and screw')
  },
  {
    name: 'Five valves, shim under the bucket',
    layout: single(3, 2, 'cam and bucket', 'cam and bucket')
  }
];
function single(inlets: number, exhausts: number, inletGauge: Gauge, exhaustGauge: Gauge): Layout {
  return {
    cylinders: 1,
    row: 'side by side',
    exhaustTo: 'front',
    inlets,
    exhausts,
    inletGauge,
    exhaustGauge
  };
}
