import {
  bikeFigures,
  drain,
  filler,
  filter,
  gearboxDrain,
  gearboxFill,
  gearboxLevel,
  glass,
  guard,
  screen,
  usual,
  type DemoMachine
} from './machine';

/** The race bikes: four-strokes with shims and a gearbox of their own, two-strokes, the motocrosser, the junior's. */
export const BIKES: DemoMachine[] = [
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
      gearboxDrain('Underneath, right of centre', [20, 'N·m']),
      ...gearboxFill
    ],
    figures: [
      ['gearbox oil', 0.7, 'L'],
      ['gearbox oil grade', '10W-40, wet-clutch rated'],
      ['clutch runs in', 'gearbox oil'],
      ...gearboxLevel,
      ['engine oil between marks', 200, 'ml'],
      ['oil level aim', 'three quarters'],
      ['engine oil with filter', 0.95, 'L'],
      ['engine oil without filter', 0.9, 'L'],
      ['engine oil grade', '10W-50, wet-clutch rated'],
      ...glass(3, 2),
      ...bikeFigures([0.11, 0.16], [0.18, 0.23], [36, 42])
    ],
    superseded: [['engine oil with filter', 0.9, 'L']],
    speed: 21,
    tasks: [
      {
        name: 'Engine oil, screen and filter',
        job: 'engine-oil',
        hours: [15, 18],
        since: 12.9,
        first: [3, 5]
      },
      { name: 'Gearbox oil', job: 'gearbox-check-screw', hours: [20, 26], since: 17.5 },
      { name: usual.valves, hours: [40, 50], since: 18.4 },
      { name: usual.air, job: 'air-filter', hours: [5, 8], since: 1.6 },
      { name: usual.chain, hours: [10], since: 4.2 },
      { name: 'Brake fluid', days: [365, 420], since: null, sinceDays: 150 },
      { name: 'Chain wear, measure', distance: 1500, since: null, sinceDays: 80 },
      {
        name: 'Clutch plates, measure',
        races: 6,
        hours: [60],
        since: 20,
        answers: ['clutch slips', 'clutch drags'],
        ageing: 'by the riding',
        sensitivity: { 'heavy clutch': 2, sand: 1.5 }
      },
      {
        name: 'O-rings of the caps, new',
        times: [4, 'Engine oil, screen and filter'],
        perPart: true,
        since: null,
        sinceDays: 100
      },
      { name: 'Wheel bearings, look', outings: 30, since: null, sinceDays: 60 }
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
      ...glass(3, 2),
      ...bikeFigures([0.11, 0.16], [0.18, 0.23], [36, 42])
    ],
    speed: 24,
    tasks: [
      { name: 'Engine oil, screen and filter', job: 'engine-oil', hours: [15, 18], since: 6.4 },
      { name: 'Gearbox oil', hours: [20, 26], since: 6.4 },
      { name: usual.valves, hours: [40, 50], since: 33.1 },
      {
        name: usual.air,
        job: 'air-filter',
        hours: [8, 10],
        since: 1.1,
        ageing: 'by the riding',
        sensitivity: { dust: 2, mud: 1.5, sand: 1.5 },
        answers: ['runs badly']
      },
      { name: usual.chain, hours: [10], since: 2.2 }
    ]
  },
  {
    slug: 'scree450',
    speed: 22,
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
      { ...filter('Left side, two bolts', 2, [10, 'N·m']), comesWith: 'spring, small ring' },
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
      { name: usual.air, job: 'air-filter', hours: [6, 9], since: 2.0 }
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
    fasteners: [gearboxDrain('Underneath, right', [20, 'N·m']), gearboxFill[0]!],
    figures: [
      ['gearbox oil', 0.7, 'L'],
      ['gearbox oil grade', '75W-80 or 10W-40, wet-clutch rated'],
      ['clutch runs in', 'gearbox oil'],
      ['gearbox level method', 'measured quantity only']
    ],
    tasks: [
      { name: 'Gearbox oil', job: 'gearbox-two-stroke', hours: [20, 25], since: 15.8 },
      { name: 'Piston and ring', hours: [40, 50], since: 24.2 },
      { name: usual.air, job: 'air-filter', hours: [6, 9], since: 1.4 },
      { name: usual.plug, hours: [20], since: 9.2 }
    ]
  },
  {
    slug: 'gill300',
    speed: 19,
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
      { name: usual.air, job: 'air-filter', hours: [10, 12], since: 0.8 },
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
      {
        name: usual.valves,
        hours: [15, 20],
        since: 9.3,
        answers: ['hard to start', 'backfires', 'runs badly', 'drowned']
      },
      { name: usual.air, job: 'air-filter', hours: [4, 6], since: 1.1 },
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
      { name: usual.air, job: 'air-filter', hours: [6, 8], since: 4.3 },
      { name: usual.chain, hours: [8], since: 2.4 }
    ]
  }
];
