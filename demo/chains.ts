import { USUAL_DRIVE, type Drive } from '../src/lib/core/chain/drive';
import type { DemoMachine } from './machine';

/** A final drive of the demo with its season: how the slack was found, what tightening does, how fast it wears. All invented. */
export interface DemoChain {
  machine: string;
  drive: Drive;
  figures: DemoMachine['figures'];
  /** What is aimed at, mm in all; by how much it is slacker each time it is found; what tightening does to it. */
  aim: number;
  grows: [least: number, most: number];
  shift: number;
  /** Percent an hour on clean ground and in mud; null: nobody measures it. */
  wear: { clean: number; mud: number } | null;
  /** Marks the axle goes back each time, from where it stood when the book began. */
  marks: { first: number; each: number } | null;
}

const drive = (more: Partial<Drive>, adjuster: Partial<Drive['adjuster']> = {}): Drive => ({
  ...USUAL_DRIVE,
  ...more,
  adjuster: { ...USUAL_DRIVE.adjuster, ...adjuster }
});

/** What a workshop manual prints of the arm, and what was measured once with a tape. */
const arm = (x: number, y: number, hanging: number, compressed: number): DemoMachine['figures'] => [
  ['pivot ahead of sprocket', x, 'mm'],
  ['pivot above sprocket', y, 'mm', 'told'],
  ['swingarm hanging', hanging, '°', 'told'],
  ['swingarm compressed', compressed, '°', 'told']
];

export const CHAINS: DemoChain[] = [
  {
    machine: 'fell250',
    drive: drive({ at: 0.42 }, { perMark: 2, lastMark: 18 }),
    figures: [
      ['chain pitch', 15.875, 'mm'],
      ['adjuster pitch', 1.25, 'mm'],
      ['adjusters across', 216, 'mm', 'told'],
      ...arm(54, -10, 19, 8),
      ['primary ratio', '3.16'],
      ['gear ratios', '2.31, 1.82, 1.48, 1.22, 1.02, 0.88'],
      ['engine speed', '8500 a minute'],
      ['rear wheel round', 2080, 'mm', 'told']
    ],
    aim: 39,
    grows: [6, 16],
    shift: -4,
    wear: { clean: 0.0085, mud: 0.031 },
    marks: { first: 5, each: 0.5 }
  },
  {
    machine: 'fell350',
    drive: drive({ at: 0.42, rear: 52 }, { perMark: 2, lastMark: 18 }),
    figures: [
      ['chain pitch', 15.875, 'mm'],
      ['adjuster pitch', 1.25, 'mm']
    ],
    aim: 39,
    grows: [5, 14],
    shift: -2,
    wear: { clean: 0.01, mud: 0.03 },
    marks: { first: 7, each: 0.5 }
  },
  {
    machine: 'rake250',
    drive: drive({}, { kind: 'snail cams', perMark: 0.8, lastMark: 40 }),
    figures: [
      ['chain slack', [54, 62], 'mm'],
      ['chain slack place', 'half-way, on the stand'],
      ['chain links', 114, 'links'],
      ['front sprocket', 13, 'teeth'],
      ['rear sprocket', 50, 'teeth'],
      ['chain pitch', 15.875, 'mm'],
      ...arm(58, -8, 20, 8)
    ],
    aim: 58,
    grows: [4, 10],
    shift: 3,
    wear: { clean: 0.02, mud: 0.045 },
    marks: { first: 10, each: 1 }
  },
  {
    machine: 'pippet',
    drive: drive({}),
    figures: [
      ['chain slack', 'two fingers'],
      ['chain slack place', 'half-way along the lower run'],
      ['chain pitch', 12.7, 'mm'],
      ['front sprocket', 14, 'teeth'],
      ['rear sprocket', 37, 'teeth']
    ],
    aim: 32,
    grows: [4, 9],
    shift: 0,
    wear: null,
    marks: null
  },
  {
    machine: 'drover',
    drive: drive(
      { attitude: 'on its wheels', angle: -13 },
      { kind: 'eccentric carrier', offset: 14, zero: 110, perMark: -10 }
    ),
    figures: [
      ['chain slack', '± 17 mm'],
      ['chain slack place', 'half-way, on its wheels, nobody on it'],
      ['chain links', 112, 'links'],
      ['front sprocket', 15, 'teeth'],
      ['rear sprocket', 45, 'teeth'],
      ['chain pitch', 15.875, 'mm'],
      ...arm(62, -12, 17, 6)
    ],
    aim: 34,
    grows: [4, 10],
    shift: -1,
    wear: { clean: 0.0035, mud: 0.012 },
    marks: { first: 2, each: 0.25 }
  }
];

/** What the sheet of a machine prints of its chain. */
export const chainFigures = (m: DemoMachine): DemoMachine['figures'] =>
  CHAINS.find((c) => c.machine === m.slug)?.figures.filter(
    ([key]) => !m.figures.some(([there]) => there === key)
  ) ?? [];
