import type { Range } from '../quantity/range';
import type { FigureKind } from './kinds';

/** Why a figure looks like a slip of a digit or of a unit; null when it is plausible. Bounds in base units. */
export function implausible(kind: FigureKind, range: Range): string | null {
  if (!kind.plausible) return null;
  const [lo, hi] = kind.plausible;
  if (range.from.base < lo)
    return `That is very little for “${kind.label.toLowerCase()}”. Is it the right unit?`;
  if ((range.to ?? range.from).base > hi)
    return `That is very much for “${kind.label.toLowerCase()}”. Is it the right unit?`;
  return null;
}
