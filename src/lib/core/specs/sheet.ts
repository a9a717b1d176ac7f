import { lowerEnd, type Band } from '../quantity/band';
import { figureKind, type FigureKey } from './kinds';

export {
  FIGURE_KEYS,
  FIGURE_KINDS,
  figureKind,
  LEVEL_METHODS,
  type FigureKey,
  type FigureKind,
  type LevelMethod
} from './kinds';

/** How far a figure can be trusted. `unconfirmed`: copied from a sister machine, and nobody has looked it up for this one. */
export const CONFIDENCES = ['printed', 'told', 'guessed'] as const;
export type Confidence = (typeof CONFIDENCES)[number] | 'unconfirmed';

/**
 * How sure a torque typed in words is (“tighten securely”): printed only with the page it is printed on. Where nobody names one,
 * somebody said so.
 * @param said how sure the sitting is
 */
export function sureOf(key: FigureKey, typed: string, page: string, said: string): string {
  const inWords = key === 'torque' && typed.trim() !== '' && !/\d/.test(typed);
  return inWords && page.trim() === '' && said === 'printed' ? 'told' : said;
}

/** One figure as it stands on a sheet: a quantity, a range or words, and where it comes from. */
export interface Figure {
  id: string;
  key: FigureKey;
  fastenerId: string | null;
  /** A quantity, a range or a one-sided figure; null where it is printed in words. */
  band: Band | null;
  /** In words: “tighten securely”, a grade, a method. Exactly one of the two is there. */
  text: string | null;
  source: string;
  page: string;
  confidence: Confidence;
  variant: string;
}

export const FASTENER_ROLES = [
  'drain plug',
  'screen cap',
  'filter cover',
  'filler cap',
  'check screw',
  'guard',
  'bodywork',
  'cover',
  'axle nut',
  'pivot',
  'clamp',
  'sprocket bolts',
  'brake',
  'grease point',
  // No oil behind it.
  'blanking plug',
  'other'
] as const;
export type FastenerRole = (typeof FASTENER_ROLES)[number];
export const SEALS = ['none', 'crush washer', 'O-ring', 'gasket'] as const;
export type Seal = (typeof SEALS)[number];
export const CIRCUITS = ['engine', 'gearbox', 'primary', 'front differential', 'rear differential'] as const;
export type Circuit = (typeof CIRCUITS)[number];

/** Something that can be opened or must be tight: one plug, or a set of like bolts that belong together. */
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
  /** What goes on it, its thread, and the order in which like bolts are tightened; empty where nobody noted it. */
  head: string;
  thread: string;
  pattern: string;
  /** Which of its bolts is how long: “rear 45 mm, front 30 mm”; empty: all alike, or nobody noted it. */
  lengths: string;
  /** What comes out behind it and has to go back in: “spring, small ring”; empty: nothing, or nobody noted it. */
  comesWith: string;
  note: string;
  /** Where it sits seen from above: x from 0 at the machine's left to 1 at its right, y from 0 at the front to 1 at the rear. Null: not on the map. */
  at: { x: number; y: number } | null;
  /** Which way the machine leans to drain it, or how it stands; empty: nobody noted it. */
  lean: string;
  /** Of a guard, a cover or bodywork: the fasteners behind it, by id. None noted: of a guard, all that lie underneath; of the others, nothing. */
  covers: string[];
  /** Its thread is oiled before torque, as the manual says. */
  oiled: boolean;
  /** No socket fits: it takes an adapter. */
  adapter: boolean;
}

/** A fastener of which nothing is known but what it is. */
export function unnoted(f: Pick<Fastener, 'id' | 'role' | 'name' | 'circuit'> & Partial<Fastener>): Fastener {
  return {
    place: '',
    quantity: 1,
    magnet: false,
    seal: 'none',
    head: '',
    thread: '',
    pattern: '',
    lengths: '',
    comesWith: '',
    note: '',
    at: null,
    lean: '',
    covers: [],
    oiled: false,
    adapter: false,
    ...f
  };
}

export interface Sheet {
  /** Only the figures in force; superseded ones are history. */
  figures: Figure[];
  fasteners: Fastener[];
  /** What somebody said this machine has none of: taken off the sheet. */
  lacks?: readonly Pick<Fastener, 'role' | 'circuit' | 'name'>[];
}

/** The figure in force for a key, or null: unknown. */
export function figureOf(sheet: Sheet, key: FigureKey, fastenerId: string | null = null): Figure | null {
  return sheet.figures.find((f) => f.key === key && f.fastenerId === fastenerId) ?? null;
}

/**
 * Figures of one sheet that contradict one another: more oil without the filter than with it, a band that is empty.
 * Contradictions are shown, and neither side is chosen.
 */
export function contradictions(
  figures: readonly Figure[]
): { keys: [FigureKey, FigureKey]; message: string }[] {
  const of = (key: FigureKey) => {
    const band = figures.find((f) => f.key === key && f.band)?.band;
    return band ? lowerEnd(band).base : null;
  };
  const found: { keys: [FigureKey, FigureKey]; message: string }[] = [];
  const less = (small: FigureKey, large: FigureKey) => {
    const a = of(small);
    const b = of(large);
    if (a !== null && b !== null && a > b * 1.001)
      found.push({
        keys: [small, large],
        message: `“${figureKind(small).label}” is more than “${figureKind(large).label}”. One of the two is wrong.`
      });
  };
  less('engine oil without filter', 'engine oil with filter');
  less('engine oil with filter', 'engine oil dry');
  less('gearbox oil', 'gearbox oil dry');
  less('engine oil between marks', 'engine oil with filter');
  const front = of('front sprocket');
  const rear = of('rear sprocket');
  if (front !== null && rear !== null && front >= rear)
    found.push({
      keys: ['front sprocket', 'rear sprocket'],
      message: 'The front sprocket is no smaller than the rear one. Are they the wrong way round?'
    });
  return found;
}
