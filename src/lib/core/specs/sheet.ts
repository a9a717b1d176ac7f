import type { Dimension, UnitName } from '../quantity/units';
import type { Quantity } from '../quantity/quantity';

export const CONFIDENCES = ['printed', 'told', 'guessed'] as const;
export type Confidence = (typeof CONFIDENCES)[number];

export const LEVEL_METHODS = [
  'sight glass',
  'dipstick resting on the thread',
  'dipstick screwed in',
  'check screw',
  'measured quantity only'
] as const;
export type LevelMethod = (typeof LEVEL_METHODS)[number];

/** Every figure a sheet can hold in this product, with what it is measured in and what is plausible for it. */
export interface FigureKind {
  key: string;
  label: string;
  /** Null for a figure in words. */
  dimension: Dimension | null;
  /** The words to choose from, where only some make sense. */
  choices?: readonly string[];
  /** The unit a naked number is taken in. */
  unit?: UnitName;
  /** Base units; outside it the figure is questioned as a likely slip of a digit or a unit. */
  plausible?: readonly [number, number];
  /** Whether it hangs on a fastener. */
  perFastener?: boolean;
}

export const FIGURE_KINDS = [
  {
    key: 'engine oil with filter',
    label: 'Engine oil, with filter',
    dimension: 'volume',
    plausible: [200, 8000]
  },
  {
    key: 'engine oil without filter',
    label: 'Engine oil, without filter',
    dimension: 'volume',
    plausible: [200, 8000]
  },
  { key: 'engine oil grade', label: 'Engine oil, grade and ratings', dimension: null },
  { key: 'oil level method', label: 'Oil level, how it is read', dimension: null, choices: LEVEL_METHODS },
  {
    key: 'oil level run time',
    label: 'Oil level, run before reading',
    dimension: 'time',
    unit: 'min',
    plausible: [0, 1200]
  },
  {
    key: 'oil level settle time',
    label: 'Oil level, settle before reading',
    dimension: 'time',
    unit: 'min',
    plausible: [0, 3600]
  },
  { key: 'oil level attitude', label: 'Oil level, how the machine stands', dimension: null },
  { key: 'torque', label: 'Torque', dimension: 'torque', plausible: [1, 300], perFastener: true }
] as const satisfies readonly FigureKind[];
export type FigureKey = (typeof FIGURE_KINDS)[number]['key'];

export function figureKind(key: string): FigureKind | undefined {
  return FIGURE_KINDS.find((k) => k.key === key);
}

/** One figure as it stands on a sheet: a quantity or words, and where it comes from. */
export interface Figure {
  id: string;
  key: FigureKey;
  fastenerId: string | null;
  quantity: Quantity | null;
  text: string | null;
  source: string;
  page: string;
  confidence: Confidence;
  variant: string;
}

export const FASTENER_ROLES = ['drain plug', 'screen cap', 'filter cover', 'filler cap', 'guard'] as const;
export type FastenerRole = (typeof FASTENER_ROLES)[number];
export const SEALS = ['none', 'crush washer', 'O-ring', 'gasket'] as const;
export type Seal = (typeof SEALS)[number];
export const CIRCUITS = ['engine', 'gearbox', 'primary', 'front differential', 'rear differential'] as const;
export type Circuit = (typeof CIRCUITS)[number];

/** Something that can be opened: one plug, or a set of like bolts that belong together. */
export interface Fastener {
  id: string;
  /** Null for what belongs to no oil circuit, such as a guard. */
  circuit: Circuit | null;
  role: FastenerRole;
  name: string;
  /** Where it is, as the mechanic would find it. */
  place: string;
  /** How many like bolts it is. */
  quantity: number;
  magnet: boolean;
  seal: Seal;
  note: string;
}

export interface Sheet {
  /** Only the figures in force; superseded ones are history. */
  figures: Figure[];
  fasteners: Fastener[];
}

/** The figure in force for a key, or null: unknown. */
export function figureOf(sheet: Sheet, key: FigureKey, fastenerId: string | null = null): Figure | null {
  return sheet.figures.find((f) => f.key === key && f.fastenerId === fastenerId) ?? null;
}

/** Why a figure looks like a slip of a digit or of a unit; null when it is plausible. Bounds in base units. */
export function implausible(kind: FigureKind, q: Quantity): string | null {
  if (!kind.plausible) return null;
  const [lo, hi] = kind.plausible;
  if (q.base >= lo && q.base <= hi) return null;
  return q.base < lo
    ? `That is very little for “${kind.label.toLowerCase()}”. Is it the right unit?`
    : `That is very much for “${kind.label.toLowerCase()}”. Is it the right unit?`;
}
