import { USUAL_LAYOUTS, type Layout } from '../src/lib/core/valve/head';
import type { Guide } from '../src/lib/core/valve/form';
import type { Series } from '../src/lib/core/valve/shim';

import type { DemoMachine } from './machine';

/** How the valves of a demo engine wear. Everything is invented. */
export interface DemoHead {
  machine: string;
  layout: Layout;
  /** Limits, mm. */
  inlet: [number, number];
  exhaust: [number, number];
  series: Series | null;
  acrossUm: number | null;
  guide: Guide;
  /** µm an hour each valve closes up by, in the order of the head. */
  rates: number[];
  /** That one has closed up at more than twice the rate since the last two checks. */
  faster?: number;
  /** How many checks there were. */
  checks: number;
}

const four = USUAL_LAYOUTS[0]!.layout;
const screw = USUAL_LAYOUTS[3]!.layout;
const guide = (more: Partial<Guide>): Guide => ({
  marks: '',
  turn: '',
  free: '',
  firing: [],
  between: '',
  note: '',
  ...more
});
const FINE: Series = { thinnest: 1200, thickest: 3000, step: 25 };
const COARSE: Series = { thinnest: 1600, thickest: 3200, step: 50 };

export const HEADS: DemoHead[] = [
  {
    machine: 'fell250',
    layout: four,
    inlet: [0.11, 0.16],
    exhaust: [0.18, 0.23],
    series: FINE,
    acrossUm: 8200,
    guide: guide({
      turn: 'forwards, 14 mm on the right end of the crank, plug out',
      marks: 'the long line in the window; the short one before it is the spark',
      free: 'all four lobes point away from their buckets'
    }),
    rates: [0.4, 0.5, 0.2, 0.2],
    checks: 5
  },
  {
    machine: 'fell350',
    layout: four,
    inlet: [0.11, 0.16],
    exhaust: [0.18, 0.23],
    series: FINE,
    acrossUm: 8200,
    guide: guide({
      turn: 'forwards, 14 mm on the right end of the crank, plug out',
      marks: 'the long line in the window',
      free: 'all four lobes point away from their buckets'
    }),
    rates: [0.3, 0.3, 0.1, 0.2],
    checks: 6
  },
  {
    machine: 'scree450',
    layout: USUAL_LAYOUTS[1]!.layout,
    inlet: [0.1, 0.15],
    exhaust: [0.15, 0.2],
    series: COARSE,
    acrossUm: 9700,
    guide: guide({
      turn: 'forwards with the kick-starter by hand, plug out',
      marks: 'the dot on the cam wheel level with the face of the head, outwards',
      free: 'the exhaust rocker rattles'
    }),
    rates: [0.4, 0.3, 0.2, 0.3],
    checks: 4
  },
  {
    machine: 'rake250',
    layout: four,
    inlet: [0.1, 0.15],
    exhaust: [0.17, 0.22],
    series: FINE,
    acrossUm: 8200,
    guide: guide({
      turn: 'forwards, 12 mm on the left end of the crank, plug out',
      marks: 'both cam wheel lines level with the head, facing outwards',
      free: 'the lobes point away'
    }),
    rates: [0.6, 1.3, 0.3, 0.3],
    faster: 1,
    checks: 6
  },
  {
    machine: 'pippet',
    layout: screw,
    inlet: [0.05, 0.08],
    exhaust: [0.05, 0.08],
    series: null,
    acrossUm: null,
    guide: guide({
      turn: 'against the clock, seen from the left',
      marks: 'T beside the notch; the F comes before it',
      free: 'both rockers have play'
    }),
    rates: [0.3, 0.2],
    checks: 5
  },
  {
    machine: 'drover',
    layout: { ...screw, cylinders: 2, row: 'side by side' },
    inlet: [0.08, 0.12],
    exhaust: [0.1, 0.15],
    series: null,
    acrossUm: null,
    guide: guide({
      turn: 'forwards, 17 mm on the right end of the crank',
      marks: 'the line beside L for the left cylinder, beside R for the right',
      free: 'both rockers of that cylinder have play',
      firing: [1, 2],
      between: '360° on, the other letter'
    }),
    rates: [0.1, 0.05, 0.15, 0.1],
    checks: 4
  },
  {
    machine: 'lynchet',
    layout: USUAL_LAYOUTS[4]!.layout,
    inlet: [0.1, 0.17],
    exhaust: [0.19, 0.25],
    series: COARSE,
    acrossUm: 9700,
    guide: guide({
      turn: 'forwards, plug out',
      marks: 'the line beside the arrow',
      free: 'all five lobes point away'
    }),
    rates: [0.2, 0.3, 0.2, 0.1, 0.15],
    checks: 4
  },
  {
    machine: 'packhorse',
    layout: USUAL_LAYOUTS[2]!.layout,
    inlet: [0.08, 0.13],
    exhaust: [0.13, 0.18],
    series: null,
    acrossUm: null,
    guide: guide({
      turn: 'with the recoil starter',
      marks: 'T in the window',
      free: 'all four rockers have play'
    }),
    rates: [0.08, 0.1, 0.05, 0.05],
    checks: 4
  },
  {
    machine: 'hurdle',
    layout: screw,
    inlet: [0.07, 0.12],
    exhaust: [0.12, 0.17],
    series: null,
    acrossUm: null,
    guide: guide({
      turn: 'with the recoil starter',
      marks: 'T in the window',
      free: 'both rockers have play'
    }),
    rates: [0.1, 0.12],
    checks: 4
  }
];

/** The limits of a head, where the machine's sheet does not name them already. */
export function limitFigures(m: DemoMachine): DemoMachine['figures'] {
  const head = HEADS.find((h) => h.machine === m.slug);
  if (!head) return [];
  return (['inlet', 'exhaust'] as const)
    .filter((side) => !m.figures.some(([key]) => key === `${side} valve clearance`))
    .map((side) => [`${side} valve clearance`, head[side], 'mm'] as const)
    .map(([key, range, unit]): DemoMachine['figures'][number] => [key, range, unit]);
}
