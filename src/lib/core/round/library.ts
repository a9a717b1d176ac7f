import type { Choice, ListCheck } from './check';
import {
  BIKES,
  BOTH,
  CHAINED,
  choose,
  CLUTCHED,
  ELECTRIC,
  EVERY,
  FOUR_STROKES,
  look,
  mm,
  ON_THE_ROAD,
  PETROL,
  play,
  pressure,
  QUADS,
  READY,
  TWO_STROKES,
  WASHED
} from './makers';

const PADS: readonly Choice[] = [
  { word: 'plenty all round', wrong: null },
  { word: 'near the least', wrong: 'watch' },
  { word: 'at the least', wrong: 'park the machine' }
];

/** Mineral fluid in a glycol circuit, or the other way round, takes the seals and with them the brake. */
const BRAKE_FLUID =
  'Top up only with what the sheet names, glycol or mineral: mixed they ruin the seals, and the brake fails. Not known: do not top up.';

const FRONT: readonly ListCheck[] = [
  pressure('front-tyre', 'Front tyre pressure', 'At the front', 'front tyre pressure', BIKES),
  // Two on an axle: each loses its air by itself, and a difference pulls to one side.
  pressure('front-tyre-left', 'Front left tyre pressure', 'At the front', 'front tyre pressure', QUADS),
  pressure('front-tyre-right', 'Front right tyre pressure', 'At the front', 'front tyre pressure', QUADS),
  look('front-wheel', 'Front wheel: rim, spokes, axle and its marks', 'At the front', BIKES, {
    line: 'Tap the spokes, spin it, look along the paint marks.',
    wrong: 'Front wheel',
    wrongs: ['spokes loose', 'rim bent', 'axle mark moved', 'bearing rough'],
    severity: 'fix now'
  }),
  look('front-wheels', 'Front wheels: rims, nuts and their marks, ball joints', 'At the front', QUADS, {
    line: 'Rock each wheel at top and bottom; look along the paint marks.',
    wrong: 'Front wheels',
    wrongs: [
      'left nut moved',
      'right nut moved',
      'left ball joint has play',
      'right ball joint has play',
      'rim bent'
    ],
    severity: 'park the machine'
  }),
  look('front-brake', 'Front brake: disc, hose, fluid between its marks', 'At the front', EVERY, {
    line: 'Look at the level with the bars straight.',
    wrong: 'Front brake',
    caution: BRAKE_FLUID,
    wrongs: ['fluid low', 'hose chafed', 'disc bent', 'lever soft'],
    shows: 'brake fluid',
    severity: 'park the machine'
  }),
  look('fork-seals', 'Fork seals dry', 'At the front', BIKES, {
    line: 'Wipe the legs, push down, look again.',
    wrong: 'Fork seal weeps',
    wrongs: ['left', 'right', 'both'],
    severity: 'fix now',
    lists: BOTH
  }),
  look('steering-head', 'Steering head: turns free, no play', 'At the front', EVERY, {
    line: 'Front wheel off the ground; pull and push at the axle.',
    wrong: 'Steering head',
    wrongs: ['play', 'notchy', 'tight'],
    severity: 'fix now'
  })
];

const LEFT: readonly ListCheck[] = [
  look('chain', 'Chain and sprockets: dressed, link and clip, teeth, guides', 'Left side', CHAINED, {
    line: 'The clip’s closed end leads.',
    caution: 'Switched off: fingers and chains.',
    wrong: 'Chain',
    wrongs: ['dry', 'stiff link', 'clip', 'teeth worn', 'guide worn'],
    severity: 'fix now',
    task: 'Chain',
    lists: BOTH
  }),
  {
    key: 'chain-slack',
    title: 'Chain slack',
    station: 'Left side',
    how: 'measure',
    line: 'In all, at the place and in the stand the sheet names, where it is tightest.',
    caution: 'Switched off: fingers and chains.',
    minutes: 1,
    kinds: CHAINED,
    lists: READY,
    ...mm('chain slack', 2),
    sets: false,
    wrong: 'Chain slack',
    severity: 'fix now',
    task: 'Chain'
  },
  look('coolant', 'Coolant: level, hoses, radiators', 'Left side', PETROL, {
    line: 'Cold. Nothing weeps, nothing bent.',
    caution: 'Never open it hot.',
    wrong: 'Coolant',
    wrongs: ['low', 'hose weeps', 'radiator bent', 'cap weeps'],
    severity: 'fix now'
  }),
  look('left-side', 'Left side: peg and pin, stand, bolts and paint marks', 'Left side', EVERY, {
    line: 'Push each with the foot, look along the marks.',
    wrong: 'Left side',
    wrongs: ['peg pin', 'stand', 'a bolt loose', 'a bolt missing'],
    severity: 'fix now'
  })
];

const REAR: readonly ListCheck[] = [
  pressure('rear-tyre', 'Rear tyre pressure', 'At the rear', 'rear tyre pressure', BIKES),
  pressure('rear-tyre-left', 'Rear left tyre pressure', 'At the rear', 'rear tyre pressure', QUADS),
  pressure('rear-tyre-right', 'Rear right tyre pressure', 'At the rear', 'rear tyre pressure', QUADS),
  look('rear-wheel', 'Rear wheel: rim, spokes, axle nut and its marks', 'At the rear', BIKES, {
    line: 'Tap the spokes, spin it, look along the paint marks.',
    wrong: 'Rear wheel',
    wrongs: ['spokes loose', 'rim bent', 'axle mark moved', 'bearing rough'],
    severity: 'fix now'
  }),
  look('rear-wheels', 'Rear wheels: rims, nuts and their marks, axle', 'At the rear', QUADS, {
    line: 'Rock each wheel; look along the paint marks.',
    wrong: 'Rear wheels',
    wrongs: ['left nut moved', 'right nut moved', 'axle has play', 'rim bent'],
    severity: 'park the machine'
  }),
  choose('pads', 'Brake pads and shoes, front and rear', 'At the rear', EVERY, {
    line: 'The thinnest of them at its thinnest place; shoes by their indicator. Say which.',
    wrong: 'Brake pads',
    reads: mm('brake pad least', 0.5, true),
    task: 'Brake',
    choices: PADS
  }),
  look('swingarm', 'Swingarm and linkage: no play, shock dry', 'At the rear', EVERY, {
    line: 'Lift at the rear wheel and feel.',
    wrong: 'Swingarm or linkage',
    wrongs: ['play', 'dry', 'shock weeps'],
    severity: 'fix now'
  }),
  look('lights', 'Lights and brake light', 'At the rear', ON_THE_ROAD, {
    line: 'Front lever and pedal each light it.',
    wrong: 'Lights',
    wrongs: ['head light', 'rear light', 'brake light'],
    severity: 'fix now',
    lists: BOTH
  })
];

const RIGHT: readonly ListCheck[] = [
  choose('engine-oil', 'Engine oil level', 'Right side', FOUR_STROKES, {
    line: 'As this machine’s protocol says: its stand, its run, its wait.',
    caution: 'Hot oil and exhaust.',
    wrong: 'Engine oil level',
    task: 'Engine oil',
    choices: [
      { word: 'between the marks', wrong: null },
      { word: 'topped up to it', wrong: null, sooner: true },
      { word: 'low', wrong: 'fix now' },
      { word: 'too full', wrong: 'fix now' },
      { word: 'milky', wrong: 'park the machine' }
    ]
  }),
  look('gearbox-oil', 'Gearbox: dry outside, level where it is read', 'Right side', TWO_STROKES, {
    line: 'No drip at plug, shaft and cover.',
    wrong: 'Gearbox weeps',
    wrongs: ['at the plug', 'at the shaft', 'at the cover'],
    severity: 'fix now'
  }),
  look('rear-brake', 'Rear brake: disc, hose, fluid between its marks', 'Right side', EVERY, {
    line: 'Its free play at the pedal, and that it comes back.',
    wrong: 'Rear brake',
    caution: BRAKE_FLUID,
    wrongs: ['fluid low', 'hose chafed', 'disc bent', 'pedal soft', 'does not come back'],
    shows: 'brake fluid',
    reads: mm('brake pedal free play', 1),
    severity: 'park the machine'
  }),
  look('pedal-height', 'Brake pedal: its height', 'Right side', EVERY, {
    line: 'Against the peg, where the rider wants it.',
    wrong: 'Brake pedal height',
    wrongs: ['too high', 'too low', 'bent'],
    reads: mm('brake pedal height', 1),
    severity: 'fix now'
  }),
  look('right-side', 'Right side: peg and pin, exhaust, bolts and paint marks', 'Right side', PETROL, {
    line: 'Push each with the foot, look along the marks.',
    caution: 'A hot exhaust.',
    wrong: 'Right side',
    wrongs: ['peg pin', 'exhaust loose', 'a bolt loose', 'a bolt missing'],
    severity: 'fix now'
  }),
  look('right-side-electric', 'Right side: peg and pin, bolts and paint marks', 'Right side', ELECTRIC, {
    line: 'Push each with the foot, look along the marks.',
    wrong: 'Right side',
    wrongs: ['peg pin', 'a bolt loose', 'a bolt missing'],
    severity: 'fix now'
  })
];

const SADDLE: readonly ListCheck[] = [
  play('clutch-play', 'Clutch free play at the lever', CLUTCHED, 'clutch free play', 'Clutch free play', 1),
  play(
    'throttle-play',
    'Throttle free play at the grip',
    PETROL,
    'throttle free play',
    'Throttle free play',
    1
  ),
  look('snap-back', 'Throttle snaps back, bar to bar', 'In the saddle', EVERY, {
    line: 'Switched off: let it go with the bars left, straight and right.',
    wrong: 'Throttle does not snap back',
    wrongs: ['with the bars left', 'with the bars right', 'always'],
    severity: 'park the machine',
    lists: BOTH
  }),
  look('parking-brake', 'Parking brake holds, its lock-nut tight', 'In the saddle', QUADS, {
    line: 'Push it in gear off, brake on.',
    wrong: 'Parking brake',
    wrongs: ['does not hold', 'lock-nut loose'],
    reads: mm('parking brake free play', 1),
    severity: 'fix now'
  }),
  look('kill-switch', 'Kill switch, switches and tether', 'In the saddle', EVERY, {
    line: 'It stops, and starts again only when it should.',
    wrong: 'Kill switch',
    wrongs: ['does not stop it', 'tether torn', 'a switch'],
    severity: 'park the machine',
    lists: BOTH
  })
];

const UNDER: readonly ListCheck[] = [
  choose('air-filter', 'Air filter', 'Under seat and tank', PETROL, {
    line: 'Out and in with clean hands: oiled all through, its sealing face greased, the box wiped.',
    caution: 'Solvent: gloves and air.',
    wrong: 'Air filter',
    task: 'Air filter',
    minutes: 4,
    choices: [
      { word: 'clean and oiled', wrong: null },
      { word: 'changed for a spare', wrong: null, spare: true },
      { word: 'very dirty, changed', wrong: null, sooner: true, spare: true },
      { word: 'dirty, left in', wrong: 'fix now', sooner: true },
      { word: 'torn or unseated', wrong: 'park the machine' }
    ]
  }),
  look('plug', 'Spark plug: cap on, its colour, its gap', 'Under seat and tank', PETROL, {
    line: 'Out only if it ran badly; cold engine.',
    wrong: 'Spark plug',
    wrongs: ['black, sooty', 'white, blistered', 'wet', 'cap loose'],
    reads: mm('plug gap', 0.05),
    severity: 'fix now'
  }),
  look('fuel', 'Fuel: enough, cap and lines dry', 'Under seat and tank', PETROL, {
    line: 'Cold engine, no flame.',
    caution: 'Fuel: no flame, cold engine.',
    wrong: 'Fuel line weeps',
    wrongs: ['line', 'cap', 'tap'],
    severity: 'park the machine'
  }),
  choose('battery', 'Battery charge', 'Under seat and tank', ['electric'], {
    line: 'Charged for the ride; for standing, at the maker’s storage level.',
    caution: 'Batteries: the maker’s charger, away from what burns.',
    wrong: 'Battery charge',
    shows: 'storage charge',
    choices: [
      { word: 'charged for the ride', wrong: null },
      { word: 'at its storage level', wrong: 'watch' },
      { word: 'low', wrong: 'fix now' },
      { word: 'swollen or hot', wrong: 'park the machine' }
    ]
  }),
  look('connectors', 'Connectors and cables: dry, locked, nothing chafed', 'Under seat and tank', EVERY, {
    line: 'Follow each with the finger.',
    wrong: 'Connector or cable',
    wrongs: ['chafed', 'wet', 'not locked'],
    severity: 'fix now',
    lists: BOTH
  }),
  {
    key: 'grease-points',
    title: 'Grease points',
    station: 'Under seat and tank',
    how: 'count',
    line: 'Pump until fresh grease shows; wipe what comes out.',
    minutes: 5,
    kinds: QUADS,
    lists: BOTH,
    most: 60,
    wrong: 'Grease points',
    severity: 'watch',
    task: 'Grease'
  },
  look('water-out', 'Water out: air box, plugs, hollow axles; bearings wiped', 'Under seat and tank', EVERY, {
    line: 'Drains open, connectors blown dry.',
    wrong: 'Water left in it',
    wrongs: ['in the air box', 'at the plug', 'in an axle'],
    severity: 'fix now',
    lists: WASHED
  })
];

/** Every check there is, in walking order. */
export const LIBRARY: readonly ListCheck[] = [...FRONT, ...LEFT, ...REAR, ...RIGHT, ...SADDLE, ...UNDER];
