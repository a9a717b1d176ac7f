import { drain, filler, filter, glass, guard, screen, usual, type DemoMachine, quadChassis } from './machine';

/** The dual-sport, the quads that sweep the course, and the electric trainer. */
export const OTHERS: DemoMachine[] = [
  {
    slug: 'drover',
    speed: 38,
    odometer: 9800,
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
        note: 'This plug sits at an angle: start it by hand.',
        head: '12 mm hex',
        at: [0.5, 0.3],
        adapter: true
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
        job: 'engine-oil-frame',
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
      filter('Right side, two bolts', 2, [10, 'N·m']),
      ...quadChassis(46)
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
    speed: 14,
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
      {
        slug: 'seat',
        circuit: null,
        role: 'bodywork',
        name: 'Seat',
        place: 'Lever under its rear edge',
        hides: ['filler']
      },
      filler('Right side, under the seat'),
      drain('Underneath, left', [32, 'N·m']),
      filter('Right side, three bolts', 3, [10, 'N·m']),
      {
        slug: 'front-diff',
        circuit: 'front differential',
        role: 'drain plug',
        name: 'Front differential drain plug',
        place: 'Front, underneath',
        head: '14 mm hex',
        at: [0.5, 0.18],
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
        head: '14 mm hex',
        at: [0.5, 0.86],
        magnet: true,
        seal: 'crush washer',
        torque: [23, 'lbf·ft']
      }
    ],
    figures: [
      ['engine oil with filter', 2.4, 'US qt'],
      ['engine oil grade', '5W-40'],
      ['front differential oil', 220, 'ml'],
      ['rear differential oil', 300, 'ml'],
      ['differential oil grade', '80W-90, GL-5'],
      ['clutch runs in', 'no oil: it is dry'],
      ['oil level method', 'dipstick resting on the thread'],
      ['oil level run time', 1, 'min'],
      ['oil level settle time', 5, 'min']
    ],
    tasks: [
      { name: 'Engine oil and filter', job: 'engine-oil', hours: [50, 60], since: 45.4 },
      { name: 'Differential oils', job: 'differentials', hours: [100, 120], since: 66.0 },
      { name: usual.valves, hours: [100, 120], since: 31.0 },
      { name: usual.air, job: 'air-filter', hours: [25, 30], since: 5.5 },
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
      { name: usual.valves, hours: [100, 120], since: 44.2 },
      { name: usual.air, job: 'air-filter', hours: [25, 30], since: 3.2 }
    ]
  },
  {
    slug: 'murmur',
    speed: 16,
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
