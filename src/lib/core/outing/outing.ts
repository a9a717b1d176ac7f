/** One machine's ride, practice, moto, race or day out, and what of it ages the machine (handbook, section 2). */
export const OUTING_KINDS = ['ride', 'practice', 'moto', 'race', 'day out'] as const;
export type OutingKind = (typeof OUTING_KINDS)[number];
/** A moto is a race's run: both count as races. */
export const isRace = (kind: string): boolean => kind === 'race' || kind === 'moto';

/** Ground and weather. `water` stands for crossings and standing water. */
export const CONDITIONS = ['dust', 'sand', 'mud', 'water', 'tarmac', 'heat', 'cold'] as const;
export const CLUTCH_USES = ['light', 'usual', 'heavy'] as const;
export type ClutchUse = (typeof CLUTCH_USES)[number];

/** What a task may be sensitive to: ground, weather, and a clutch used hard. */
export const STRAINS = [...CONDITIONS, 'heavy clutch'] as const;
export type Strain = (typeof STRAINS)[number];

/** How many times faster an hour under a strain ages what a task looks after; 1 where it is not named. */
export type Sensitivity = Partial<Record<Strain, number>>;

/** A sensitivity never makes an hour count for less, nor for more than ten. */
export const MOST_SENSITIVE = 10;

/** The strains of one outing. */
export function strainsOf(outing: {
  conditions: readonly string[];
  crossings: number;
  clutch: string;
}): Strain[] {
  return STRAINS.filter((s) =>
    s === 'heavy clutch'
      ? outing.clutch === 'heavy'
      : outing.conditions.includes(s) || (s === 'water' && outing.crossings > 0)
  );
}

/**
 * What riders report, and what happens to machines. Each calls the tasks that answer it, whatever the hours say.
 */
export const SYMPTOMS = [
  'hard to start',
  'backfires',
  'runs badly',
  'clutch slips',
  'clutch drags',
  'gears jump out',
  'overheats',
  'smokes',
  'oil leak',
  'squeak from the steering',
  'play in the steering',
  'brake weak or spongy',
  'chain noise',
  'suspension leaks or bottoms'
] as const;
export const INCIDENTS = ['crash', 'drowned', 'overheated', 'ran low on oil'] as const;
export const CALLS = [...SYMPTOMS, ...INCIDENTS] as const;
export type CallName = (typeof CALLS)[number];
