import type { Kind } from '../src/lib/core/machine/machine';
import type { Circuit, Confidence, FastenerRole, FigureKey, Seal } from '../src/lib/core/specs/sheet';
import type { UnitName } from '../src/lib/core/quantity/units';
import type { PersonSlug } from './people';

/**
 * The demo fleet. Makers, models and every figure are invented; they lie in ranges such machines have, and no more.
 */
export interface DemoTask {
  name: string;
  job?: 'engine-oil';
  hours?: [interval: number, limit?: number];
  days?: [interval: number, limit?: number];
  first?: [interval: number, limit: number];
  /** Hours ago (for hours) it was last done; null: nobody knows. */
  since: number | null;
  /** Days ago it was last done, for tasks that only count days. */
  sinceDays?: number;
}

export interface DemoFastener {
  slug: string;
  circuit: Circuit | null;
  role: FastenerRole;
  name: string;
  place: string;
  quantity?: number;
  magnet?: boolean;
  seal?: Seal;
  note?: string;
  torque?: [value: number, unit: UnitName, confidence?: Confidence];
}

export interface DemoMachine {
  slug: string;
  plate: string;
  name: string;
  maker: string;
  kind: Kind;
  rider: PersonSlug | null;
  /** Running hours today, and how many it does in a usual week. */
  hoursNow: number;
  perWeek: number;
  /** Days since the meter was last read. */
  readDaysAgo: number;
  races: boolean;
  /** `replaced`: a new hour meter in the season; `gap`: the meter was dead for some weeks; `none`: it never had one. */
  meter?: 'replaced' | 'gap' | 'none';
  fasteners: DemoFastener[];
  figures: [key: FigureKey, value: number | string, unit?: UnitName, confidence?: Confidence][];
  tasks: DemoTask[];
  /** Debris on the magnet at the latest engine-oil changes, the oldest first; paste otherwise. */
  debris?: string[];
}

const guard = (torque: [number, UnitName]): DemoFastener => ({
  slug: 'guard',
  circuit: null,
  role: 'guard',
  name: 'Skid plate',
  place: 'Underneath, four bolts; the two long ones go to the rear',
  quantity: 4,
  torque
});
const filler = (place: string): DemoFastener => ({
  slug: 'filler',
  circuit: 'engine',
  role: 'filler cap',
  name: 'Oil filler cap',
  place,
  seal: 'O-ring'
});
const drain = (
  place: string,
  torque: [number, UnitName, Confidence?],
  more: Partial<DemoFastener> = {}
): DemoFastener => ({
  slug: 'drain',
  circuit: 'engine',
  role: 'drain plug',
  name: 'Engine drain plug',
  place,
  magnet: true,
  seal: 'crush washer',
  torque,
  ...more
});
const screen = (place: string, torque: [number, UnitName, Confidence?]): DemoFastener => ({
  slug: 'screen',
  circuit: 'engine',
  role: 'screen cap',
  name: 'Engine screen cap',
  place,
  seal: 'O-ring',
  torque
});
const filter = (place: string, quantity: number, torque: [number, UnitName]): DemoFastener => ({
  slug: 'filter',
  circuit: 'engine',
  role: 'filter cover',
  name: 'Oil filter cover',
  place,
  quantity,
  seal: 'O-ring',
  torque
});
const gearboxDrain = (place: string, torque: [number, UnitName]): DemoFastener => ({
  slug: 'gearbox-drain',
  circuit: 'gearbox',
  role: 'drain plug',
  name: 'Gearbox drain plug',
  place,
  magnet: true,
  seal: 'crush washer',
  torque
});

const glass = (run: number, settle: number): DemoMachine['figures'] => [
  ['oil level method', 'sight glass'],
  ['oil level run time', run, 'min'],
  ['oil level settle time', settle, 'min'],
  ['oil level attitude', 'held upright on level ground']
];
const usual = {
  air: 'Air filter',
  valves: 'Valve clearances',
  chain: 'Chain slack and lube',
  plug: 'Spark plug'
};

export const MACHINES: DemoMachine[] = [
  {
    slug: 'fell250',
    plate: '12',
    name: 'Fell 250',
    maker: 'Corrie',
    kind: 'four-stroke enduro',
    rider: 'ines',
    hoursNow: 118.4,
    perWeek: 2.6,
    readDaysAgo: 2,
    races: true,
    fasteners: [
      guard([9, 'N·m']),
      filler('Right side cover, above the clutch'),
      drain('Underneath, left of centre', [22, 'N·m']),
      screen('Left side, behind the gear lever', [15, 'N·m']),
      filter('Right side, three small bolts', 3, [9.5, 'N·m']),
      gearboxDrain('Underneath, right of centre', [20, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 0.95, 'L'],
      ['engine oil without filter', 0.9, 'L'],
      ['engine oil grade', '10W-50, wet-clutch rated'],
      ...glass(3, 2)
    ],
    tasks: [
      {
        name: 'Engine oil, screen and filter',
        job: 'engine-oil',
        hours: [15, 18],
        since: 12.9,
        first: [3, 5]
      },
      { name: 'Gearbox oil', hours: [20, 26], since: 11.2 },
      { name: usual.valves, hours: [40, 50], since: 18.4 },
      { name: usual.air, hours: [5, 8], since: 1.6 },
      { name: usual.chain, hours: [10], since: 4.2 },
      { name: 'Brake fluid', days: [365, 420], since: null, sinceDays: 150 }
    ]
  },
  {
    slug: 'fell350',
    plate: '27',
    name: 'Fell 350',
    maker: 'Corrie',
    kind: 'four-stroke enduro',
    rider: 'tobiah',
    hoursNow: 203.1,
    perWeek: 2.9,
    readDaysAgo: 2,
    races: true,
    meter: 'replaced',
    fasteners: [
      guard([9, 'N·m']),
      filler('Right side cover, above the clutch'),
      drain('Underneath, left of centre', [22, 'N·m']),
      screen('Left side, behind the gear lever', [15, 'N·m']),
      filter('Right side, three small bolts', 3, [9.5, 'N·m']),
      gearboxDrain('Underneath, right of centre', [20, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 1.0, 'L'],
      ['engine oil grade', '10W-50, wet-clutch rated'],
      ...glass(3, 2)
    ],
    tasks: [
      { name: 'Engine oil, screen and filter', job: 'engine-oil', hours: [15, 18], since: 6.4 },
      { name: 'Gearbox oil', hours: [20, 26], since: 6.4 },
      { name: usual.valves, hours: [40, 50], since: 33.1 },
      { name: usual.air, hours: [8, 10], since: 1.1 },
      { name: usual.chain, hours: [10], since: 2.2 }
    ]
  },
  {
    slug: 'scree450',
    plate: '41',
    name: 'Scree 450',
    maker: 'Halden',
    kind: 'four-stroke enduro',
    rider: null,
    hoursNow: 87.7,
    perWeek: 2.2,
    readDaysAgo: 9,
    races: true,
    debris: ['grey paste or fuzz', 'grey paste or fuzz', 'fine glitter', 'flakes you can feel'],
    fasteners: [
      guard([10, 'N·m']),
      filler('Left side, beside the cylinder'),
      drain('Underneath, behind the guard', [29, 'N·m']),
      screen('Right side, low, hex 14', [20, 'N·m', 'told']),
      filter('Left side, two bolts', 2, [10, 'N·m']),
      gearboxDrain('Underneath, forward of the engine plug', [24, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 1.15, 'US qt'],
      ['engine oil grade', '10W-40 or 10W-50, wet-clutch rated'],
      ['oil level method', 'dipstick resting on the thread'],
      ['oil level run time', 3, 'min'],
      ['oil level settle time', 3, 'min'],
      ['oil level attitude', 'upright on its stand']
    ],
    tasks: [
      { name: 'Engine oil, screen and filter', job: 'engine-oil', hours: [12, 15], since: 10.1 },
      { name: 'Gearbox oil', hours: [24, 30], since: 10.1 },
      { name: usual.valves, hours: [35, 45], since: 20.2 },
      { name: usual.air, hours: [6, 9], since: 2.0 }
    ]
  },
  {
    slug: 'gill125',
    plate: '8',
    name: 'Gill 125',
    maker: 'Brackwater',
    kind: 'two-stroke enduro',
    rider: 'kit',
    hoursNow: 64.2,
    perWeek: 1.9,
    readDaysAgo: 2,
    races: true,
    fasteners: [gearboxDrain('Underneath, right', [20, 'N·m'])],
    figures: [],
    tasks: [
      { name: 'Gearbox oil', hours: [20, 25], since: 15.8 },
      { name: 'Piston and ring', hours: [40, 50], since: 24.2 },
      { name: usual.air, hours: [6, 9], since: 1.4 },
      { name: usual.plug, hours: [20], since: 9.2 }
    ]
  },
  {
    slug: 'gill300',
    plate: '33',
    name: 'Gill 300',
    maker: 'Brackwater',
    kind: 'two-stroke enduro',
    rider: null,
    hoursNow: 141.9,
    perWeek: 2.1,
    readDaysAgo: 5,
    races: false,
    meter: 'gap',
    fasteners: [gearboxDrain('Underneath, right', [20, 'N·m'])],
    figures: [],
    tasks: [
      { name: 'Gearbox oil', hours: [30, 36], since: 4.1 },
      { name: 'Piston and ring', hours: [80, 95], since: 21.9 },
      { name: usual.air, hours: [10, 12], since: 0.8 },
      { name: 'Fork oil', hours: [50], since: 14.4 }
    ]
  },
  {
    slug: 'rake250',
    plate: '5',
    name: 'Rake 250',
    maker: 'Halden',
    kind: 'four-stroke motocross',
    rider: 'tobiah',
    hoursNow: 46.3,
    perWeek: 1.7,
    readDaysAgo: 3,
    races: true,
    fasteners: [
      filler('Right side cover'),
      drain('Underneath, left', [20, 'N·m']),
      screen('Underneath, right, hex 17', [15, 'N·m']),
      filter('Right side, two bolts', 2, [95, 'lbf·in'])
    ],
    figures: [
      ['engine oil with filter', 0.85, 'L'],
      ['engine oil grade', '10W-40, wet-clutch rated'],
      ...glass(3, 3)
    ],
    tasks: [
      { name: 'Engine oil, screen and filter', job: 'engine-oil', hours: [6, 9], since: 6.6, first: [2, 3] },
      { name: usual.valves, hours: [15, 20], since: 9.3 },
      { name: usual.air, hours: [4, 6], since: 1.1 },
      { name: usual.chain, hours: [6], since: 1.9 }
    ]
  },
  {
    slug: 'pippet',
    plate: '61',
    name: 'Pippet 110',
    maker: 'Corrie',
    kind: 'youth bike',
    rider: 'kit',
    hoursNow: 52.8,
    perWeek: 1.4,
    readDaysAgo: 6,
    races: true,
    fasteners: [
      filler('Right side'),
      drain('Underneath, centre', [24, 'N·m'], { magnet: false }),
      screen('Right side, behind the footrest', [12, 'N·m'])
    ],
    figures: [
      ['engine oil without filter', 800, 'ml'],
      ['engine oil grade', '10W-40, wet-clutch rated'],
      ['oil level method', 'dipstick screwed in'],
      ['oil level run time', 3, 'min'],
      ['oil level settle time', 2, 'min']
    ],
    tasks: [
      { name: 'Engine oil and screen', job: 'engine-oil', hours: [10, 12], since: 12.7 },
      { name: 'Valve clearances, screw adjusters', hours: [20, 30], since: 6.2 },
      { name: usual.air, hours: [6, 8], since: 4.3 },
      { name: usual.chain, hours: [8], since: 2.4 }
    ]
  },
  {
    slug: 'drover',
    plate: '70',
    name: 'Drover 650',
    maker: 'Ostrel',
    kind: 'dual-sport',
    rider: 'ines',
    hoursNow: 388.5,
    perWeek: 3.4,
    readDaysAgo: 1,
    races: false,
    fasteners: [
      guard([10, 'N·m']),
      filler('On the frame tube, behind the steering head'),
      drain('Underneath the engine, left', [24, 'N·m']),
      {
        slug: 'frame-drain',
        circuit: 'engine',
        role: 'drain plug',
        name: 'Frame drain plug',
        place: 'Foot of the front frame tube',
        seal: 'crush washer',
        torque: [18, 'N·m', 'told'],
        note: 'This plug sits at an angle: start it by hand.'
      },
      filter('Right side, three bolts', 3, [10, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 2.1, 'L'],
      ['engine oil grade', '10W-40 or 20W-50 by air temperature'],
      ['oil level method', 'dipstick screwed in'],
      ['oil level run time', 5, 'min'],
      ['oil level settle time', 3, 'min'],
      ['oil level attitude', 'upright, front wheel straight']
    ],
    tasks: [
      {
        name: 'Engine oil and filter, oil in the frame',
        job: 'engine-oil',
        hours: [60, 70],
        days: [365],
        since: 49.9
      },
      { name: usual.valves, hours: [120, 150], since: 58.2 },
      { name: usual.chain, hours: [20], since: 8.8 },
      { name: 'Brake fluid', days: [730], since: null, sinceDays: 210 }
    ]
  },
  {
    slug: 'lynchet',
    plate: '84',
    name: 'Lynchet 450',
    maker: 'Halden',
    kind: 'sport quad',
    rider: null,
    hoursNow: 96.0,
    perWeek: 2.4,
    readDaysAgo: 4,
    races: false,
    fasteners: [
      filler('Left side, beside the cylinder'),
      drain('Underneath, centre', [29, 'N·m']),
      screen('Left side, low', [20, 'N·m']),
      filter('Right side, two bolts', 2, [10, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 1.6, 'L'],
      ['engine oil grade', '10W-50, wet-clutch rated'],
      ...glass(3, 3)
    ],
    tasks: [
      { name: 'Engine oil, screen and filter', job: 'engine-oil', hours: [20, 25], since: 6.0 },
      { name: usual.valves, hours: [50, 60], since: 12.0 },
      { name: 'Chain slack, eccentric carrier', hours: [15], since: 3.6 },
      { name: 'Grease points, steering and arms', hours: [15], since: 1.2 }
    ]
  },
  {
    slug: 'packhorse',
    plate: 'Q1',
    name: 'Packhorse 500',
    maker: 'Brackwater',
    kind: 'utility quad',
    rider: 'jory',
    hoursNow: 611.2,
    perWeek: 4.6,
    readDaysAgo: 1,
    races: false,
    fasteners: [
      guard([12, 'N·m']),
      filler('Right side, under the seat'),
      drain('Underneath, left', [32, 'N·m']),
      filter('Right side, three bolts', 3, [10, 'N·m']),
      {
        slug: 'front-diff',
        circuit: 'front differential',
        role: 'drain plug',
        name: 'Front differential drain plug',
        place: 'Front, underneath',
        magnet: true,
        seal: 'crush washer',
        torque: [18, 'N·m']
      },
      {
        slug: 'rear-diff',
        circuit: 'rear differential',
        role: 'drain plug',
        name: 'Rear differential drain plug',
        place: 'Rear, underneath',
        magnet: true,
        seal: 'crush washer',
        torque: [23, 'lbf·ft']
      }
    ],
    figures: [
      ['engine oil with filter', 2.4, 'US qt'],
      ['engine oil grade', '5W-40'],
      ['oil level method', 'dipstick resting on the thread'],
      ['oil level run time', 1, 'min'],
      ['oil level settle time', 5, 'min']
    ],
    tasks: [
      { name: 'Engine oil and filter', job: 'engine-oil', hours: [50, 60], since: 45.4 },
      { name: 'Front differential oil', hours: [100, 120], since: 66.0 },
      { name: 'Rear differential oil', hours: [100, 120], since: 66.0 },
      { name: usual.air, hours: [25, 30], since: 5.5 },
      { name: 'Grease points, steering and arms', hours: [25], since: 7.5 }
    ]
  },
  {
    slug: 'hurdle',
    plate: 'Q2',
    name: 'Hurdle 420',
    maker: 'Corrie',
    kind: 'utility quad',
    rider: 'anwen',
    hoursNow: 274.6,
    perWeek: 3.1,
    readDaysAgo: 3,
    races: false,
    fasteners: [
      filler('Left side, under the seat'),
      drain('Underneath, centre', [30, 'N·m']),
      filter('Left side, two bolts', 2, [10, 'N·m'])
    ],
    figures: [
      ['engine oil with filter', 2.2, 'L'],
      ['engine oil grade', '5W-40'],
      ['oil level method', 'check screw']
    ],
    tasks: [
      { name: 'Engine oil and filter', job: 'engine-oil', hours: [50, 60], since: 21.3 },
      { name: 'Rear differential oil', hours: [100, 120], since: 40.6 },
      { name: usual.air, hours: [25, 30], since: 3.2 }
    ]
  },
  {
    slug: 'murmur',
    plate: 'E1',
    name: 'Murmur',
    maker: 'Ostrel',
    kind: 'electric',
    rider: 'kit',
    hoursNow: 31.5,
    perWeek: 1.2,
    readDaysAgo: 8,
    races: false,
    meter: 'none',
    fasteners: [],
    figures: [],
    tasks: [
      { name: 'Reduction gear oil', hours: [50, 60], since: null },
      { name: usual.chain, hours: [10], since: 1.5 },
      { name: 'Connectors, clean and seat', days: [120], since: null, sinceDays: 33 }
    ]
  }
];
