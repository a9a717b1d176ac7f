import { CHAIN_KINDS } from './chain-kinds';
import { length, volume, words, type FigureKind, type Section } from './kind';

export { SECTIONS, type FigureKind, type Section } from './kind';

export const LEVEL_METHODS = [
  'sight glass',
  'dipstick resting on the thread',
  'dipstick screwed in',
  'check screw',
  'measured quantity only'
] as const;
export type LevelMethod = (typeof LEVEL_METHODS)[number];

/** Where between the marks a level should stand, as manuals put it. */
export const LEVEL_AIMS = [
  'half-way',
  'three quarters',
  'at the high mark',
  'low mark to half-way',
  'half-way to three quarters',
  'half-way to the high mark',
  'three quarters to the high mark',
  'anywhere between the marks'
] as const;
export type LevelAim = (typeof LEVEL_AIMS)[number];

/** How one circuit's level is read: method, run, settle, attitude, hot or cold. */
/** What of a level protocol a sheet holds, each under its circuit's prefix. */
export type LevelPart =
  'method' | 'run time' | 'settle time' | 'temperature' | 'attitude' | 'aim' | 'aim before the first run';
const level = <P extends string>(
  prefix: P,
  label: string,
  section: Section
): FigureKind<`${P} ${LevelPart}`>[] => [
  {
    key: `${prefix} method`,
    label: `${label}, how it is read`,
    section,
    dimension: null,
    choices: LEVEL_METHODS
  },
  {
    key: `${prefix} run time`,
    label: `${label}, run before reading`,
    section,
    dimension: 'time',
    unit: 'min',
    plausible: [0, 1200],
    hint: '3 min'
  },
  {
    key: `${prefix} settle time`,
    label: `${label}, settle before reading`,
    section,
    dimension: 'time',
    unit: 'min',
    plausible: [0, 3600],
    hint: '3 min'
  },
  {
    key: `${prefix} temperature`,
    label: `${label}, hot or cold`,
    section,
    dimension: null,
    choices: ['cold', 'warm', 'hot']
  },
  words(`${prefix} attitude`, `${label}, how the machine stands`, section, 'upright on level ground'),
  {
    key: `${prefix} aim`,
    label: `${label}, where it should stand`,
    section,
    dimension: null,
    choices: LEVEL_AIMS
  },
  {
    key: `${prefix} aim before the first run`,
    label: `${label}, where it should stand before the first run`,
    section,
    dimension: null,
    choices: LEVEL_AIMS
  }
];

const clearance = <S extends 'inlet' | 'exhaust'>(side: S): FigureKind<`${S} valve clearance`> =>
  length(
    `${side} valve clearance` as const,
    `${side === 'inlet' ? 'Inlet' : 'Exhaust'} valves, clearance cold`,
    'Valves',
    0.02,
    0.5,
    {
      unit: 'mm',
      range: true,
      hint: '0.10–0.15 mm or 0.005 ± 0.001 in'
    }
  );

const KINDS = [
  volume('engine oil with filter', 'Engine oil, with filter', 'Engine oil', 200, 8000),
  volume('engine oil without filter', 'Engine oil, without filter', 'Engine oil', 200, 8000),
  volume('engine oil dry', 'Engine oil, after a dry rebuild', 'Engine oil', 200, 9000),
  words('engine oil grade', 'Engine oil, grade and ratings', 'Engine oil', '10W-50, wet-clutch rated'),
  {
    key: 'engine oil by temperature' as const,
    label: 'Engine oil, grade by air temperature',
    section: 'Engine oil',
    dimension: null,
    form: 'table',
    hint: 'one a line: 10W-40 −10 to 40'
  },
  {
    key: 'clutch runs in' as const,
    label: 'The clutch runs in',
    section: 'Engine oil',
    dimension: null,
    choices: ['engine oil', 'gearbox oil', 'primary oil', 'no oil: it is dry', 'nothing: it has no clutch']
  },
  volume('engine oil between marks', 'Engine oil, volume between the marks', 'Engine oil', 20, 2000),
  ...level('oil level', 'Oil level', 'Engine oil'),

  volume('gearbox oil', 'Gearbox oil, at a change', 'Gearbox oil', 100, 3000),
  volume('gearbox oil dry', 'Gearbox oil, after a dry rebuild', 'Gearbox oil', 100, 4000),
  words(
    'gearbox oil grade',
    'Gearbox oil, grade and ratings',
    'Gearbox oil',
    '75W-80 or 10W-40, wet-clutch rated'
  ),
  ...level('gearbox level', 'Gearbox level', 'Gearbox oil'),

  volume('primary oil', 'Primary oil', 'Differentials and primary', 50, 2000),
  volume('front differential oil', 'Front differential oil', 'Differentials and primary', 50, 1500),
  volume('rear differential oil', 'Rear differential oil', 'Differentials and primary', 50, 1500),
  words('differential oil grade', 'Differential oils, grade', 'Differentials and primary'),

  volume('fork oil', 'Fork oil, each leg', 'Fork, coolant and brakes', 100, 1200),
  length('fork oil level', 'Fork oil, level from the top', 'Fork, coolant and brakes', 30, 300, {
    unit: 'mm'
  }),
  words('fork oil grade', 'Fork oil, grade', 'Fork, coolant and brakes'),
  volume('coolant', 'Coolant', 'Fork, coolant and brakes', 200, 5000),
  words('coolant kind', 'Coolant, kind', 'Fork, coolant and brakes'),
  {
    key: 'brake fluid' as const,
    label: 'Brake fluid',
    section: 'Fork, coolant and brakes',
    dimension: null,
    choices: ['glycol DOT 4', 'glycol DOT 5.1', 'mineral'],
    hint: 'mineral and glycol are never mixed'
  },
  length('brake pad least', 'Brake pads, least thickness', 'Fork, coolant and brakes', 0.5, 6, {
    unit: 'mm'
  }),

  clearance('inlet'),
  clearance('exhaust'),
  words('valve layout', 'Valves, layout and adjustment', 'Valves', 'four valves, shim under the bucket'),
  words(
    'top dead centre',
    'Finding compression top dead centre',
    'Valves',
    'which mark, which way to turn, what is free'
  ),
  {
    key: 'shim step' as const,
    label: 'Shims, steps they are made in',
    section: 'Valves',
    dimension: 'length',
    unit: 'mm',
    plausible: [0.01, 0.1]
  },

  ...CHAIN_KINDS,

  length('clutch free play', 'Clutch, free play at the lever', 'Controls and ignition', 0.5, 30, {
    unit: 'mm',
    range: true
  }),
  length('throttle free play', 'Throttle, free play at the grip', 'Controls and ignition', 0.5, 15, {
    unit: 'mm',
    range: true
  }),
  length('brake pedal free play', 'Rear brake, free play at the pedal', 'Controls and ignition', 1, 60, {
    unit: 'mm',
    range: true
  }),
  length('brake pedal height', 'Rear brake, pedal against the peg', 'Controls and ignition', -60, 60, {
    unit: 'mm',
    range: true,
    signed: true,
    hint: '−5 to 0 mm: below the peg is less than nothing'
  }),
  length(
    'parking brake free play',
    'Parking brake, free play at the lever',
    'Controls and ignition',
    0.5,
    60,
    {
      unit: 'mm',
      range: true
    }
  ),
  words('spark plug', 'Spark plug, type', 'Controls and ignition'),
  length('plug gap', 'Spark plug, gap', 'Controls and ignition', 0.3, 1.5, { unit: 'mm', range: true }),

  {
    key: 'front tyre pressure' as const,
    label: 'Front tyre, maker’s band',
    section: 'Wheels and tyres',
    dimension: 'pressure',
    plausible: [15, 300],
    range: true,
    hint: '80–100 kPa or 12–15 psi'
  },
  {
    key: 'rear tyre pressure' as const,
    label: 'Rear tyre, maker’s band',
    section: 'Wheels and tyres',
    dimension: 'pressure',
    plausible: [15, 300],
    range: true,
    hint: '80–100 kPa or 12–15 psi'
  },
  words(
    'storage charge',
    'Battery, charge for storage',
    'Electric drive',
    'as the maker says, neither full nor empty'
  ),

  {
    key: 'torque' as const,
    label: 'Torque',
    section: null,
    dimension: 'torque',
    plausible: [1, 300],
    perFastener: true,
    range: true,
    hint: '20 N·m, 20–24 N·m or 95 lbf in'
  }
];

export type FigureKey = (typeof KINDS)[number]['key'];
export const FIGURE_KINDS = KINDS as readonly FigureKind<FigureKey>[];
/** The closed set of what a sheet can hold. */
export const FIGURE_KEYS = KINDS.map((k) => k.key) as [FigureKey, ...FigureKey[]];

const byKey = new Map<string, FigureKind<FigureKey>>(FIGURE_KINDS.map((k) => [k.key, k]));
export function figureKind(key: FigureKey): FigureKind<FigureKey> {
  return byKey.get(key)!;
}
