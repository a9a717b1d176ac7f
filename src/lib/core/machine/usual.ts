import type { Measure } from '../schedule/task';
import type { Kind } from './machine';

/** Work that most machines of a kind ask for: what it is called, what it is counted in, the job that leads through it. */
export interface UsualTask {
  name: string;
  measure: Measure;
  /** Key of a job of ours; null: it is only written down. */
  job: string | null;
  /** Ticked from the start; the others only some machines of the kind have. */
  most: boolean;
}

const task = (
  name: string,
  job: string | null = null,
  measure: Measure = 'hours',
  most = true
): UsualTask => ({
  name,
  measure,
  job,
  most
});
const ENGINE_OIL = task('Engine oil, screen and filter', 'engine-oil');
const AIR = task('Air filter', 'air-filter');
/** Every bolt that matters, tried at its number. */
const BOLTS = task('Torque round', null, 'hours', false);
const CHAIN = task('Chain and sprockets', 'chain');
const VALVES = task('Valve clearances', 'valve-check');
const PLUG = task('Spark plug', 'spark-plug', 'hours', false);
const FLUIDS = [
  task('Coolant', null, 'days', false),
  task('Brake fluid', null, 'days', false),
  task('Fork oil', null, 'hours', false),
  BOLTS
];
const FOUR = [ENGINE_OIL, AIR, CHAIN, VALVES, PLUG, ...FLUIDS];
const TWO = [
  task('Gearbox oil', 'gearbox-two-stroke'),
  AIR,
  CHAIN,
  task('Piston and rings'),
  PLUG,
  ...FLUIDS
];

const USUAL: Readonly<Record<Kind, readonly UsualTask[]>> = {
  'four-stroke enduro': [...FOUR, task('Gearbox oil', 'gearbox-check-screw', 'hours', false)],
  'two-stroke enduro': TWO,
  'four-stroke motocross': FOUR,
  'two-stroke motocross': TWO,
  'dual-sport': FOUR,
  'youth bike': FOUR,
  'sport quad': FOUR,
  'utility quad': [
    ENGINE_OIL,
    AIR,
    VALVES,
    task('Differential oils', 'differentials'),
    task('Grease points'),
    PLUG,
    ...FLUIDS
  ],
  electric: [task('Gearbox oil', 'gearbox-check-screw'), CHAIN, task('Brake fluid', null, 'days'), BOLTS]
};

/** What a kind of machine usually asks for. No interval: that is in its manual, and unknown until somebody looks it up. */
export function usualTasks(kind: Kind): readonly UsualTask[] {
  return USUAL[kind];
}
