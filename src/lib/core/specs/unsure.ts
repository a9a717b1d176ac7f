import { OF_OIL, circuitsOf } from './usual';
import type { Kind } from '../machine/machine';
import type { Circuit, Fastener, Sheet } from './sheet';

/** What nobody has said of a fastener, and a job hangs on: what it is, or whose oil it keeps in. */
export type Unsure = 'what it is' | 'whose oil';

const MAY_HOLD_OIL = /\b(plug|drain|oil|sump|screen|strainer|magnet)/i;
const NO_OIL = /\b(spark|glow|heater) ?plug/i;

/**
 * Whether a job that ought to open a fastener would pass it over: it keeps oil in and nobody said which, or its name speaks of a
 * plug or of oil and nobody said what it is. Null: it is sure.
 */
export function unsureOf(f: Pick<Fastener, 'role' | 'circuit' | 'name'>): Unsure | null {
  if (OF_OIL.includes(f.role)) return f.circuit === null ? 'whose oil' : null;
  return f.role === 'other' && MAY_HOLD_OIL.test(f.name) && !NO_OIL.test(f.name) ? 'what it is' : null;
}

/** All of a sheet that no job about oil would open. */
export const unsureOn = (sheet: Pick<Sheet, 'fasteners'>): Fastener[] =>
  sheet.fasteners.filter((f) => unsureOf(f) !== null);

/** The oils a machine has: those of its kind, and those its sheet speaks of. */
export const oilsOf = (kind: Kind, sheet: Pick<Sheet, 'fasteners'>): Circuit[] => [
  ...new Set([...circuitsOf(kind), ...sheet.fasteners.flatMap((f) => f.circuit ?? [])])
];
